const holding = new Set(['moov', 'trak', 'mdia', 'minf', 'stbl', 'edts', 'dinf', 'mvex', 'moof', 'traf', 'mfra'])
const depthMost = 10

/**
 * Looks whether every box of an MP4 ends where the one that holds it does, to the byte (ISO/IEC 14496-12). One pass, without
 * recursion.
 */
export function areBoxesWhole(bytes: Uint8Array): boolean {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const ends = [bytes.length]
  let at = 0
  while (at < bytes.length) {
    while (ends.length > 1 && at === ends.at(-1)) ends.pop()
    const end = ends.at(-1) ?? 0
    if (at + 8 > end) return false
    const short = view.getUint32(at)
    const type = String.fromCharCode(...bytes.subarray(at + 4, at + 8))
    if (!/^[\x20-\x7e\xa9]{4}$/.test(type)) return false
    const isLong = short === 1
    if (isLong && at + 16 > end) return false
    const head = isLong ? 16 : 8
    // Nought: up to the end of the file, and only the last one there may say so.
    if (short === 0 && ends.length > 1) return false
    const told = isLong ? Number(view.getBigUint64(at + 8)) : short
    const length = told === 0 ? end - at : told
    if (length < head || at + length > end) return false
    if (holding.has(type)) {
      if (ends.length > depthMost) return false
      ends.push(at + length)
      at += head
    } else at += length
  }
  return ends.every((end) => end === bytes.length)
}
