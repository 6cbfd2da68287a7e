/** Compressed bytes go to a decoder so many at a time: what comes out of them stays small. */
export const pieceBytes = 32 * 1024

export function* piecesOf(bytes: Uint8Array): Generator<Uint8Array> {
  for (let from = 0; from < bytes.length; from += pieceBytes) yield bytes.subarray(from, from + pieceBytes)
}
