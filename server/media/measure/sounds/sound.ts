import { measuredSound } from '../../../../contract/measuredSound.ts'
import { SoundMeter, type SoundMeasurement } from '../../../../core/audio/soundMeter.ts'
import { limits } from '../limits.ts'
import type { Measurement } from '../measurement.ts'
import { Refusal } from '../refusal.ts'
import type { Decode, DecodedPiece } from './decode.ts'
import { decodeFlac } from './flac.ts'
import { decodeMp3 } from './mp3.ts'
import { decodeOpus, decodeVorbis } from './ogg.ts'
import { decodeWav } from './wav.ts'

const decoders: Record<string, Decode> = {
  'audio/wav': decodeWav,
  'audio/mpeg': decodeMp3,
  'audio/flac': decodeFlac,
  'audio/ogg; codecs=vorbis': decodeVorbis,
  'audio/ogg; codecs=opus': decodeOpus,
}

export async function measureSound(bytes: Uint8Array, mime: string): Promise<Measurement> {
  const decode = decoders[mime]
  if (!decode) throw new Refusal('Sounds of this kind are not known here.', 'Save it as WAV, MP3, Ogg, Opus or FLAC.')
  const measurement = await meter(decode(bytes))
  return { kind: 'sound', mime, measured: measuredSound(measurement), poster: null, strip: null, converted: null }
}

async function meter(pieces: AsyncIterable<DecodedPiece>): Promise<SoundMeasurement> {
  let meter: SoundMeter | null = null
  let first: DecodedPiece | null = null
  for await (const piece of pieces) {
    if ((piece.channels[0]?.length ?? 0) === 0) continue
    first ??= piece
    if (piece.rateHz !== first.rateHz || piece.channels.length !== first.channels.length)
      throw new Refusal('The sound changes its format in the middle.', 'Export it again as one file.')
    if (!(first.rateHz >= 8000 && first.rateHz <= 192_000))
      throw new Refusal(
        `A sampling rate of ${first.rateHz} Hz is not one that sounds have.`,
        'Export it with 44,100 or 48,000 Hz.',
      )
    if (first.channels.length > 8)
      throw new Refusal(`The sound has ${first.channels.length} channels; eight are the most.`, 'Export it as stereo.')
    meter ??= new SoundMeter(first.rateHz, first.channels.length, first.speakers)
    meter.push(piece.channels)
    if (meter.durationMs > limits.soundMs)
      throw new Refusal('The sound is longer than ten minutes.', 'Cut out the part that an alert should play.')
  }
  if (!meter) throw new Refusal('There is no sound in the file: it is empty or damaged.', 'Export it again.')
  return meter.end()
}
