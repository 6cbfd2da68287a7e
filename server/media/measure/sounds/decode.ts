/** Decoded samples, as many at a time as the decoder gives: one array for each channel. */
export interface DecodedPiece {
  channels: readonly Float32Array[]
  rateHz: number
}

/** Takes a file apart piece by piece, so that a sound is never in memory as a whole. @throws Refusal */
export type Decode = (bytes: Uint8Array) => AsyncIterable<DecodedPiece>
