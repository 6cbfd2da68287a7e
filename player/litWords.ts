import type { LitWords, ResolvedReadAlong } from '../core/text/readAlong.ts'
import type { PlacedUnit, TextLayout } from '../core/text/textLayout.ts'

/** Lights the words that are read; cheap where nothing changed. */
export type WordLight = (lit: LitWords | null) => void

const unitsIn = (text: string) => text.replace(/\s+/gu, '').length

/**
 * Gives every word that is read an element of its own in lines that are laid out, so that it can be lit. The elements
 * are inline and without any style but colour: letters are shaped and stand as before.
 */
export function lightLines(lines: readonly HTMLElement[], { words, ink }: ResolvedReadAlong): WordLight {
  const spans: HTMLElement[][] = words.map(() => [])
  let passed = 0
  let next = 0
  const nodes: (Text | HTMLImageElement)[] = []
  const gather = (node: Node) => {
    if (node instanceof Text || node instanceof HTMLImageElement) nodes.push(node)
    else node.childNodes.forEach(gather)
  }
  lines.forEach(gather)
  for (const node of nodes) {
    if (node instanceof HTMLImageElement) {
      passed += unitsIn(node.alt)
      continue
    }
    const pieces = document.createDocumentFragment()
    for (const letter of node.data.match(/\s+|\S+/gu) ?? []) {
      if (/^\s/u.test(letter)) {
        pieces.append(letter)
        continue
      }
      while (next < words.length && (words[next]?.to ?? 0) <= passed) next++
      const word = words[next]
      const isRead = word !== undefined && word.from < passed + letter.length && word.to > passed
      if (isRead) {
        const span = document.createElement('span')
        span.textContent = letter
        spans[next]?.push(span)
        pieces.append(span)
      } else pieces.append(letter)
      passed += letter.length
    }
    node.replaceWith(pieces)
  }
  return lightOf(spans.map((each) => (isLit) => each.forEach((span) => void (span.style.color = isLit ? ink : ''))))
}

/**
 * The same for a text whose letters or words are drawn one by one. A line that moves as a whole is lit with its first
 * word.
 */
export function lightUnits(
  units: readonly PlacedUnit[],
  fills: readonly HTMLElement[],
  { lines }: TextLayout,
  { words, ink }: ResolvedReadAlong,
): WordLight {
  const before = new Map<string, number>()
  let passed = 0
  lines.forEach(({ pieces }, line) => {
    before.set(`${line}`, passed)
    pieces.forEach(({ text }, piece) => {
      before.set(`${line}/${piece}`, passed)
      passed += unitsIn(text)
    })
  })
  const drawn: HTMLElement[][] = words.map(() => [])
  units.forEach(({ line, piece, from, to }, index) => {
    const text = piece === null ? '' : (lines[line]?.pieces[piece]?.text ?? '')
    const start = (before.get(piece === null ? `${line}` : `${line}/${piece}`) ?? 0) + unitsIn(text.slice(0, from))
    const end = piece === null ? start + 1 : start + unitsIn(text.slice(from, to))
    const word = words.findIndex((each) => each.from < end && each.to > start)
    const fill = fills[index]
    if (word >= 0 && fill)
      drawn[word]?.push(...([...fill.children].filter((child) => child instanceof HTMLElement) as HTMLElement[]))
  })
  return lightOf(
    drawn.map((elements) => {
      const usual = elements.map((element) => element.style.color)
      return (isLit) =>
        elements.forEach((element, index) => void (element.style.color = isLit ? ink : (usual[index] ?? '')))
    }),
  )
}

function lightOf(lights: readonly ((isLit: boolean) => void)[]): WordLight {
  let shown: LitWords = [0, 0]
  return (lit) => {
    const [from, to] = lit ?? [0, 0]
    if (from === shown[0] && to === shown[1]) return
    for (let word = 0; word < lights.length; word++) {
      const isLit = word >= from && word < to
      if (isLit !== (word >= shown[0] && word < shown[1])) lights[word]?.(isLit)
    }
    shown = [from, to]
  }
}
