/** The formats whose end can be told from their structure alone. */
export type EndedFormat = 'png' | 'jpeg' | 'gif' | 'riff' | 'isobmff'

/**
 * Where a picture's own bytes end, found by walking over its structure without decoding. What follows is not the
 * picture: programs that read files from their end would find something else in it.
 * @returns offset after the last byte; null where the file ends before its structure does
 */
export function endOfPicture(format: EndedFormat, bytes: Uint8Array): number | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const end = walkers[format](view)
  return end !== null && end <= bytes.length ? end : null
}

const walkers: Record<EndedFormat, (view: DataView) => number | null> = {
  png(view) {
    for (let at = 8; at + 12 <= view.byteLength;) {
      const next = at + 12 + view.getUint32(at)
      if (view.getUint32(at + 4) === 0x49454e44) return next
      at = next
    }
    return null
  },
  jpeg(view) {
    for (let at = 2; at + 2 <= view.byteLength;) {
      if (view.getUint8(at) !== 0xff) {
        at += 1
        continue
      }
      const marker = view.getUint8(at + 1)
      if (marker === 0xd9) return at + 2
      const standsAlone = marker === 0xff || marker === 0x00 || marker === 0x01 || (marker >= 0xd0 && marker <= 0xd8)
      if (standsAlone) at += marker === 0xff ? 1 : 2
      else if (at + 4 > view.byteLength) return null
      // After a segment's header, what is no marker is compressed data and is passed byte by byte.
      else at += 2 + view.getUint16(at + 2)
    }
    return null
  },
  gif(view) {
    const tableBytes = (packed: number) => (packed & 0x80 ? 3 * 2 ** ((packed & 7) + 1) : 0)
    const afterBlocks = (from: number) => {
      let at = from
      while (at < view.byteLength && view.getUint8(at) !== 0) at += 1 + view.getUint8(at)
      return at + 1
    }
    if (view.byteLength < 13) return null
    for (let at = 13 + tableBytes(view.getUint8(10)); at < view.byteLength;) {
      const block = view.getUint8(at)
      if (block === 0x3b) return at + 1
      if (block === 0x21) at = afterBlocks(at + 2)
      else if (block === 0x2c && at + 10 < view.byteLength)
        at = afterBlocks(at + 11 + tableBytes(view.getUint8(at + 9)))
      else return null
    }
    return null
  },
  riff(view) {
    if (view.byteLength < 12) return null
    const size = view.getUint32(4, true)
    return 8 + size + (size % 2)
  },
  isobmff(view) {
    let at = 0
    while (at + 8 <= view.byteLength) {
      const size = view.getUint32(at)
      // Nought: the last box reaches to the end of the file. One: the size has 64 bits.
      if (size === 0) return view.byteLength
      const length = size === 1 && at + 16 <= view.byteLength ? Number(view.getBigUint64(at + 8)) : size
      const isBox = /^[ -~]{4}$/.test(String.fromCharCode(...[4, 5, 6, 7].map((offset) => view.getUint8(at + offset))))
      if (!isBox) return at
      if (length < 8 || at + length > view.byteLength) return null
      at += length
    }
    return at
  },
}
