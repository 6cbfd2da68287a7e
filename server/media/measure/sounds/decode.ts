import type { Speaker } from '../../../../core/audio/speakers.ts'

/** Decoded samples, as many at a time as the decoder gives: one array for each channel. */
export interface DecodedPiece {
  channels: readonly Float32Array[]
  rateHz: number
  /** Where each channel is heard from; absent where the file's order is that of a WAV file. */
  speakers?: readonly Speaker[] | undefined
}

/** Takes a file apart piece by piece, so that a sound is never in memory as a whole. @throws Refusal */
export type Decode = (bytes: Uint8Array) => AsyncIterable<DecodedPiece>
