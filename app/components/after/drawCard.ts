import type { BroadcastReport } from '../../../core/broadcast/report.ts'
import { paperInks, seriesInks } from '../frame/inks.ts'

/** What stands on the picture of a broadcast. */
export interface CardWords {
  channel: string
  when: string
  sums: readonly string[]
  givers: readonly { name: string; words: string }[]
  legend: readonly string[]
}

const widthPx = 1200
const heightPx = 675
const edgePx = 60
const { paper, ink, faded, rule } = paperInks

/**
 * Draws a broadcast as a picture that can be shown around: what happened, when, and who gave most.
 * @param stacks for each kind on the legend, how many came in each slot
 */
export async function drawCard(
  words: CardWords,
  stacks: readonly (readonly number[])[],
  { slotMs }: Pick<BroadcastReport, 'slotMs'>,
): Promise<Blob> {
  const canvas = document.createElement('canvas')
  canvas.width = widthPx
  canvas.height = heightPx
  const context = canvas.getContext('2d')
  if (!context) throw new Error('This browser cannot draw the picture.')
  const { fontFamily } = getComputedStyle(document.body)
  const display = getComputedStyle(document.documentElement).getPropertyValue('--font-display') || fontFamily
  const write = (
    text: string,
    x: number,
    y: number,
    font: string,
    colour: string = ink,
    mostPx = widthPx - 2 * edgePx,
  ) => {
    context.font = font
    context.fillStyle = colour
    context.fillText(text, x, y, mostPx)
  }
  await Promise.all([document.fonts.load(`600 40px ${display}`), document.fonts.load(`400 24px ${fontFamily}`)])
  context.fillStyle = paper
  context.fillRect(0, 0, widthPx, heightPx)
  write(words.channel, edgePx, 96, `600 46px ${display}`)
  write(words.when, edgePx, 138, `400 25px ${fontFamily}`, faded)
  words.sums.forEach((sentence, at) => write(sentence, edgePx, 192 + at * 36, `400 25px ${fontFamily}`))

  const slots = Math.max(1, ...stacks.map((each) => each.length))
  const totals = Array.from({ length: slots }, (_, slot) => stacks.reduce((sum, each) => sum + (each[slot] ?? 0), 0))
  const most = Math.max(1, ...totals)
  const chart = { x: edgePx, y: 290, width: 700, height: 270 }
  const stepPx = chart.width / slots
  totals.forEach((_, slot) => {
    let y = chart.y + chart.height
    stacks.forEach((each, at) => {
      const tall = ((each[slot] ?? 0) / most) * chart.height
      y -= tall
      context.fillStyle = seriesInks[at] ?? faded
      context.fillRect(chart.x + slot * stepPx, y, Math.max(1, stepPx - 2), tall)
    })
  })
  context.fillStyle = rule
  context.fillRect(chart.x, chart.y + chart.height, chart.width, 2)
  let x = chart.x
  words.legend.forEach((name, at) => {
    context.fillStyle = seriesInks[at] ?? faded
    context.fillRect(x, 590, 16, 16)
    write(name, x + 24, 604, `400 19px ${fontFamily}`)
    x += 24 + context.measureText(name).width + 26
  })
  write(`a column is ${Math.round(slotMs / 60_000)} minutes`, edgePx, 640, `400 17px ${fontFamily}`, faded)

  if (words.givers.length > 0) write('Thank you', 820, 316, `600 27px ${display}`)
  words.givers.slice(0, 6).forEach(({ name, words: gave }, at) => {
    const y = 360 + at * 42
    write(name, 820, y, `600 22px ${fontFamily}`, ink, 210)
    context.textAlign = 'right'
    write(gave, widthPx - edgePx, y, `400 20px ${fontFamily}`, faded, 110)
    context.textAlign = 'left'
  })
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('The picture could not be drawn.'))), 'image/png'),
  )
}
