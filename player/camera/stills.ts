import { blank } from './blank.ts'

/**
 * Small pictures within words (emotes, emoji, prizes, faces): a picture of the stage asks for no file, so they stand in it as data,
 * each once, however often it is seen.
 */
const stillSidePx = 192
const stillsMost = 400
const idOf = new Map<string, number>()
const dataOf = new Map<number, string>()
let nextId = 1
const mark = 'still-'

function keep(key: string, data: string): number {
  const id = nextId++
  const [oldest] = idOf.entries()
  if (oldest && idOf.size >= stillsMost) {
    idOf.delete(oldest[0])
    dataOf.delete(oldest[1])
  }
  idOf.set(key, id)
  dataOf.set(id, data)
  return id
}

/** An element in the place of a picture, whose data the rules bring. */
function stillElement(id: number): HTMLElement {
  const still = document.createElement('img')
  still.className = `${mark}${id}`
  return still
}

/** Something drawn, by what it is known by; it is only drawn where it is not known. Null: it cannot be drawn. */
export function stillOf(key: string, draw: () => string | null): HTMLElement | null {
  const known = idOf.get(key)
  if (known !== undefined) return stillElement(known)
  const data = draw()
  return data === null ? null : stillElement(keep(key, data))
}

/** A picture or canvas of the stage; null for one that is not there yet, or is another site’s. */
export function stillFrom(source: HTMLCanvasElement | HTMLImageElement): HTMLElement | null {
  if (source instanceof HTMLImageElement)
    return stillOf(source.src, () => drawn(source, source.naturalWidth, source.naturalHeight, stillSidePx))
  const data = drawn(source, source.width, source.height, Infinity)
  // What is painted changes: it is known by what it shows.
  return data === null ? null : stillOf(data, () => data)
}

function drawn(source: CanvasImageSource, width: number, height: number, longestPx: number): string | null {
  if (width === 0 || height === 0) return null
  const shrink = Math.min(1, longestPx / Math.max(width, height))
  const canvas = blank(width * shrink, height * shrink)
  canvas.getContext('2d')?.drawImage(source, 0, 0, canvas.width, canvas.height)
  try {
    return canvas.toDataURL()
  } catch {
    return null
  }
}

/** The rules that bring the data of all pictures which some markup shows. */
export function stillRules(markups: readonly string[]): string {
  const used = new Set(
    markups.flatMap((markup) => [...markup.matchAll(/ class="still-(\d+)"/g)].map(([, id]) => Number(id))),
  )
  return [...used].map((id) => `.${mark}${id}{content:url(${dataOf.get(id) ?? 'data:,'})!important}`).join('')
}
