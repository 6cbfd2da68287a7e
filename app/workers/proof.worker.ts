import pixelmatch from 'pixelmatch'
import { FlashMeter, type FlashFinding } from '../../core/flash/flashMeter.ts'
import { hardShare, type DrawnCheck } from '../../core/remarks/drawnContrast.ts'

/** Several pictures on one, in rows of so many. */
interface Sheet {
  bitmap: ImageBitmap
  columns: number
  widthPx: number
  heightPx: number
  count: number
}

/** Where in a picture something is looked at, in its pixels. */
export interface PictureBox {
  x: number
  y: number
  width: number
  height: number
}

export type ProofQuestion =
  /** Keeps pictures as files; with `before`, says how much each differs. */
  | { ask: 'keep'; id: number; sheet: Sheet; before: Sheet | null }
  /** Looks at text over pictures: one picture of each check. */
  | { ask: 'contrast'; id: number; sheet: Sheet; looks: (Pick<DrawnCheck, 'inks' | 'needed'> & { box: PictureBox })[] }
  /** Looks for flashes in the frames of a play, one stretch after another; the last gives the findings. */
  | { ask: 'flashes'; id: number; play: number; sheet: Sheet; atMs: number[]; canvas: CanvasSize; isLast: boolean }
  /** A play is not gone on with. */
  | { ask: 'forget'; play: number }
  /** Pictures of files below each other, with words under each, as one PNG. */
  | { ask: 'print'; id: number; pictures: { file: Blob; words: string }[]; columns: number; title: string }

interface CanvasSize {
  widthPx: number
  heightPx: number
}

/** A picture as a file, and how much it differs from what it was: 0 to 1, null where there was nothing. */
export interface KeptPicture {
  file: Blob
  before: Blob | null
  difference: number | null
}

export type ProofAnswer =
  | { told: 'kept'; id: number; pictures: KeptPicture[] }
  | { told: 'contrast'; id: number; looks: { share: number; ratio: number }[] }
  | { told: 'flashes'; id: number; findings: { dark: FlashFinding[]; bright: FlashFinding[] } | null }
  | { told: 'printed'; id: number; file: Blob }
  | { told: 'failed'; id: number }

/** Letters have soft edges that fall differently where they moved by less than a pixel. */
const matchThreshold = 0.1
const quality = 0.86

/** The pixels of each picture on a sheet, over a colour or as they are. */
function pixelsOf(sheet: Sheet, ground: string | null = null): ImageData[] {
  const { bitmap, columns, widthPx, heightPx, count } = sheet
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height)
  const context = canvas.getContext('2d', { willReadFrequently: true })
  if (!context) throw new Error('no canvas')
  if (ground !== null) {
    context.fillStyle = ground
    context.fillRect(0, 0, canvas.width, canvas.height)
  }
  context.drawImage(bitmap, 0, 0)
  return Array.from({ length: count }, (_, index) =>
    context.getImageData((index % columns) * widthPx, Math.floor(index / columns) * heightPx, widthPx, heightPx),
  )
}

async function fileOf(pixels: ImageData): Promise<Blob> {
  const canvas = new OffscreenCanvas(pixels.width, pixels.height)
  canvas.getContext('2d')?.putImageData(pixels, 0, 0)
  return canvas.convertToBlob({ type: 'image/webp', quality })
}

async function keep(sheet: Sheet, before: Sheet | null): Promise<KeptPicture[]> {
  const now = pixelsOf(sheet)
  const then = before ? pixelsOf(before) : []
  return Promise.all(
    now.map(async (pixels, index) => {
      const was = then[index]
      const isComparable = was?.width === pixels.width && was.height === pixels.height
      return {
        file: await fileOf(pixels),
        before: was ? await fileOf(was) : null,
        difference: isComparable ? differenceOf(pixels, was) : null,
      }
    }),
  )
}

const differenceOf = (a: ImageData, b: ImageData) =>
  pixelmatch(a.data, b.data, undefined, a.width, a.height, { threshold: matchThreshold }) / (a.width * a.height)

function look(sheet: Sheet, looks: (Pick<DrawnCheck, 'inks' | 'needed'> & { box: PictureBox })[]) {
  const { bitmap, columns, widthPx, heightPx } = sheet
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height)
  const context = canvas.getContext('2d', { willReadFrequently: true })
  context?.drawImage(bitmap, 0, 0)
  return looks.map((check, index) => {
    const { x, y, width, height } = check.box
    if (!context || width <= 0 || height <= 0) return { share: 0, ratio: check.needed }
    const left = (index % columns) * widthPx + x
    const top = Math.floor(index / columns) * heightPx + y
    return hardShare(context.getImageData(left, top, width, height).data, check)
  })
}

/** A play that is looked at: over darkness and over light, since nobody knows which lies behind it. */
const plays = new Map<number, { dark: FlashMeter; bright: FlashMeter }>()

function flashesIn({ play, sheet, atMs, canvas, isLast }: Extract<ProofQuestion, { ask: 'flashes' }>) {
  const grid = { columns: sheet.widthPx, rows: sheet.heightPx, ...canvas }
  const meters = plays.get(play) ?? { dark: new FlashMeter(grid), bright: new FlashMeter(grid) }
  plays.set(play, meters)
  for (const [meter, ground] of [
    [meters.dark, '#000'],
    [meters.bright, '#fff'],
  ] as const)
    pixelsOf(sheet, ground).forEach(({ data }, index) => meter.add(data, atMs[index] ?? 0))
  if (!isLast) return null
  plays.delete(play)
  return { dark: meters.dark.findings(), bright: meters.bright.findings() }
}

const print = {
  pictureWidthPx: 480,
  gapPx: 24,
  wordsPx: 44,
  titlePx: 72,
  paper: '#f3ecdd',
  ink: '#1b2230',
  ground: '#0e1726',
}

async function printed({ pictures, columns, title }: Extract<ProofQuestion, { ask: 'print' }>): Promise<Blob> {
  const bitmaps = await Promise.all(pictures.map(({ file }) => createImageBitmap(file)))
  const ratio = Math.max(...bitmaps.map(({ width, height }) => height / width), 0.1)
  const heightPx = Math.round(print.pictureWidthPx * ratio)
  const cell = { width: print.pictureWidthPx + print.gapPx, height: heightPx + print.wordsPx + print.gapPx }
  const canvas = new OffscreenCanvas(
    columns * cell.width + print.gapPx,
    print.titlePx + Math.ceil(pictures.length / columns) * cell.height + print.gapPx,
  )
  const context = canvas.getContext('2d')
  if (!context) throw new Error('no canvas')
  context.fillStyle = print.paper
  context.fillRect(0, 0, canvas.width, canvas.height)
  context.fillStyle = print.ink
  context.font = '600 28px sans-serif'
  context.fillText(title, print.gapPx, 48, canvas.width - 2 * print.gapPx)
  bitmaps.forEach((bitmap, index) => {
    const x = print.gapPx + (index % columns) * cell.width
    const y = print.titlePx + Math.floor(index / columns) * cell.height
    const drawnHeight = Math.round((bitmap.height / bitmap.width) * print.pictureWidthPx)
    context.fillStyle = print.ground
    context.fillRect(x, y, print.pictureWidthPx, drawnHeight)
    context.drawImage(bitmap, x, y, print.pictureWidthPx, drawnHeight)
    context.fillStyle = print.ink
    context.font = '18px sans-serif'
    context.fillText(pictures[index]?.words ?? '', x, y + heightPx + 28, print.pictureWidthPx)
    bitmap.close()
  })
  return canvas.convertToBlob({ type: 'image/png' })
}

async function answer(question: Exclude<ProofQuestion, { ask: 'forget' }>): Promise<ProofAnswer> {
  const { id } = question
  if (question.ask === 'keep') return { told: 'kept', id, pictures: await keep(question.sheet, question.before) }
  if (question.ask === 'contrast') return { told: 'contrast', id, looks: look(question.sheet, question.looks) }
  if (question.ask === 'flashes') return { told: 'flashes', id, findings: flashesIn(question) }
  return { told: 'printed', id, file: await printed(question) }
}

self.addEventListener('message', ({ data }: MessageEvent<ProofQuestion>) => {
  if (data.ask === 'forget') {
    plays.delete(data.play)
    return
  }
  void answer(data)
    .catch((): ProofAnswer => ({ told: 'failed', id: data.id }))
    .then((told) => {
      if ('sheet' in data) data.sheet.bitmap.close()
      if (data.ask === 'keep') data.before?.bitmap.close()
      self.postMessage(told)
    })
})
