/**
 * Whether the packed picture of a video begins as its format says; of H.264, also whether the pieces in it fill it to the byte.
 * What stands behind that only a decoder could tell.
 * @param lengthBytes of H.264: how many bytes the length of each piece has
 */
export function looksLikeFrame(codec: string, data: Uint8Array, isKey: boolean, lengthBytes: number): boolean {
  const [first = 0] = data
  switch (codec) {
    case 'vp9':
      // Two bits that are always the same begin each.
      return first >> 6 === 0b10 && (!isKey || hasVp9Start(data))
    case 'vp8':
      // The lowest bit is clear in key frames, which go on with a start code.
      return (
        data.length >= 3 &&
        (first & 1) === (isKey ? 0 : 1) &&
        (!isKey || (data[3] === 0x9d && data[4] === 0x01 && data[5] === 0x2a))
      )
    case 'av1':
      return (first & 0x80) === 0 && (first & 0x01) === 0
    case 'avc':
      return arePiecesWhole(data, lengthBytes)
    default:
      return true
  }
}

/** Behind profile and flags, of which the first profiles have eight bits, a key frame has its code. */
function hasVp9Start(data: Uint8Array): boolean {
  for (const at of [1, 2]) if (data[at] === 0x49 && data[at + 1] === 0x83 && data[at + 2] === 0x42) return true
  // Of the higher profiles it does not begin at a byte.
  return (((data[0] ?? 0) >> 4) & 3) === 3
}

function arePiecesWhole(data: Uint8Array, lengthBytes: number): boolean {
  let at = 0
  while (at < data.length) {
    if (at + lengthBytes >= data.length) return false
    let length = 0
    for (let index = 0; index < lengthBytes; index++) length = length * 256 + (data[at + index] ?? 0)
    // The highest bit of a piece is never set.
    if (length === 0 || ((data[at + lengthBytes] ?? 0) & 0x80) !== 0) return false
    at += lengthBytes + length
  }
  return at === data.length
}
