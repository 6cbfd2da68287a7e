import { FLACDecoder } from '@wasm-audio-decoders/flac'
import { Refusal } from '../refusal.ts'
import { piecesOf } from './pieces.ts'
import type { DecodedPiece } from './decode.ts'

/** FLAC. */
export async function* decodeFlac(bytes: Uint8Array): AsyncGenerator<DecodedPiece> {
  const decoder = new FLACDecoder()
  await decoder.ready
  let samples = 0
  try {
    for (const piece of piecesOf(bytes)) {
      const decoded = await decoder.decode(piece)
      samples += decoded.samplesDecoded
      if (decoded.samplesDecoded > 0) yield { channels: decoded.channelData, rateHz: decoded.sampleRate }
    }
    const rest = await decoder.flush()
    samples += rest.samplesDecoded
    if (rest.samplesDecoded > 0) yield { channels: rest.channelData, rateHz: rest.sampleRate }
  } finally {
    decoder.free()
  }
  if (samples < promisedSamples(bytes))
    throw new Refusal('The file ends in the middle of the sound, or is damaged.', 'Copy or export it again.')
}

/** How many samples the stream's header says there are (36 bits of STREAMINFO); 0 where it does not say. */
function promisedSamples(bytes: Uint8Array): number {
  if (bytes.length < 26) return 0
  return ((bytes[21] as number) & 0x0f) * 2 ** 32 + Buffer.from(bytes.buffer, bytes.byteOffset, 26).readUInt32BE(22)
}
