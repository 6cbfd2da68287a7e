import type { PixelBox } from './changedBox.ts'

/** A picture of a moving one: it takes the place of what was in its box, and stays for so long. */
export interface WebpFrame {
  box: PixelBox
  durationMs: number
  /** A still WebP of the box's size, as a file. */
  still: Uint8Array
}

const letters = (text: string) => [...text].map((letter) => letter.charCodeAt(0))
const little = (value: number, bytes: number) => Array.from({ length: bytes }, (_, at) => (value >>> (8 * at)) & 0xff)

/** A chunk of a RIFF file: its name, how long it is, and a byte more where that is odd. */
function chunk(name: string, ...contents: readonly ArrayLike<number>[]): Uint8Array<ArrayBuffer> {
  const length = contents.reduce((sum, { length }) => sum + length, 0)
  const bytes = new Uint8Array(8 + length + (length % 2))
  bytes.set([...letters(name), ...little(length, 4)])
  let at = 8
  for (const content of contents) {
    bytes.set(content, at)
    at += content.length
  }
  return bytes
}

/**
 * What the picture of a still WebP consists of: its alpha where it stands apart, and its pixels, as chunks.
 * @throws where it is none
 */
export function pictureChunks(still: Uint8Array): Uint8Array[] {
  const view = new DataView(still.buffer, still.byteOffset, still.byteLength)
  const nameAt = (at: number) => String.fromCharCode(...still.subarray(at, at + 4))
  if (still.length < 20 || nameAt(0) !== 'RIFF' || nameAt(8) !== 'WEBP') throw new Error('This is no WebP picture')
  const chunks: Uint8Array[] = []
  for (let at = 12; at + 8 <= still.length;) {
    const length = view.getUint32(at + 4, true)
    const end = at + 8 + length + (length % 2)
    if (['ALPH', 'VP8 ', 'VP8L'].includes(nameAt(at))) chunks.push(still.subarray(at, end))
    at = end
  }
  if (chunks.length === 0) throw new Error('This WebP has no picture')
  return chunks
}

const hasAlphaFlag = 0x10
const movesFlag = 0x02
/** It takes the place of what was there, and stays when the next comes. */
const replacesFlag = 0x02

/**
 * Several pictures as one that moves and begins again for ever, transparent where they are.
 * Format: RFC 9649, WebP Image Format, 2.7.
 * @param frames in order; boxes begin at even places
 */
export function animatedWebp(widthPx: number, heightPx: number, frames: readonly WebpFrame[]): Uint8Array<ArrayBuffer> {
  const pictures = frames.map(({ box, durationMs, still }) =>
    chunk(
      'ANMF',
      [
        ...little(box.xPx / 2, 3),
        ...little(box.yPx / 2, 3),
        ...little(box.widthPx - 1, 3),
        ...little(box.heightPx - 1, 3),
        ...little(durationMs, 3),
        replacesFlag,
      ],
      ...pictureChunks(still),
    ),
  )
  return chunk(
    'RIFF',
    letters('WEBP'),
    chunk('VP8X', [hasAlphaFlag | movesFlag, 0, 0, 0, ...little(widthPx - 1, 3), ...little(heightPx - 1, 3)]),
    // Nothing behind it, and no end.
    chunk('ANIM', [0, 0, 0, 0, 0, 0]),
    ...pictures,
  )
}
