import { MPEGDecoder } from 'mpg123-decoder'
import { Refusal } from '../refusal.ts'
import { piecesOf } from './pieces.ts'
import type { DecodedPiece } from './decode.ts'

/** MPEG audio, layers I to III. */
export async function* decodeMp3(bytes: Uint8Array): AsyncGenerator<DecodedPiece> {
  const decoder = new MPEGDecoder()
  await decoder.ready
  const promised = promisedFrames(bytes)
  let samples = 0
  let rateHz = 0
  try {
    for (const piece of piecesOf(bytes)) {
      const decoded = decoder.decode(piece)
      samples += decoded.samplesDecoded
      rateHz = decoded.sampleRate || rateHz
      if (decoded.samplesDecoded > 0) yield { channels: decoded.channelData, rateHz: decoded.sampleRate }
    }
  } finally {
    decoder.free()
  }
  // A frame has 1,152 samples, or 576 in MPEG 2; encoders leave out up to two at each end.
  const frameSamples = rateHz >= 32_000 ? 1152 : 576
  if (promised !== null && samples < (promised - 4) * frameSamples * 0.98)
    throw new Refusal('The file ends in the middle of the sound.', 'Copy or export it again.')
}

/** How many frames the encoder's own header says there are; null where it has none. */
function promisedFrames(bytes: Uint8Array): number | null {
  const head = Buffer.from(bytes.buffer, bytes.byteOffset, Math.min(bytes.length, 1024 * 1024))
  for (const name of ['Xing', 'Info']) {
    const at = head.indexOf(name, 0, 'latin1')
    if (at >= 0 && at + 12 <= head.length && (head.readUInt32BE(at + 4) & 1) === 1) return head.readUInt32BE(at + 8)
  }
  return null
}
