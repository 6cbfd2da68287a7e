import {
  BufferTarget,
  EncodedAudioPacketSource,
  EncodedPacketSink,
  FlacOutputFormat,
  Mp3OutputFormat,
  OggOutputFormat,
  Output,
  type AudioCodec,
  type InputAudioTrack,
  type OutputFormat,
} from 'mediabunny'
import type { OwnSound } from '../../../contract/media.ts'
import { Refusal } from './refusal.ts'
import { measureSound } from './sounds/sound.ts'

/** What is decoded here, as a file of its own that the decoders of sounds take; the rest only browsers decode. */
const decodedAs: Partial<Record<AudioCodec, { mime: string; format: () => OutputFormat }>> = {
  opus: { mime: 'audio/ogg; codecs=opus', format: () => new OggOutputFormat() },
  vorbis: { mime: 'audio/ogg; codecs=vorbis', format: () => new OggOutputFormat() },
  mp3: { mime: 'audio/mpeg', format: () => new Mp3OutputFormat() },
  flac: { mime: 'audio/flac', format: () => new FlacOutputFormat() },
}
/** What browsers decode of the rest. */
const decodedByBrowsers = new Set<string>(['aac'])

const asOpus = 'Save the video with Opus or AAC sound, or add the sound as a file of its own.'
/** Decoders make something of what is damaged, or pass over it: a sound that comes out so much longer or shorter is. */
const wrongMostMs = 250

/**
 * The own sound of a video, measured like every sound. A video whose sound is damaged or of a kind that nothing decodes is taken
 * all the same: it is said why it will not be heard.
 */
export async function measureVideoSound(track: InputAudioTrack): Promise<OwnSound> {
  const startsMs = Math.max(0, Math.round((await track.getFirstTimestamp()) * 1000))
  const unheard = (fault: string | null): OwnSound => ({ startsMs, heard: null, fault })
  const { codec } = track
  const decoded = codec && decodedAs[codec]
  if (!decoded)
    return unheard(
      codec && decodedByBrowsers.has(codec)
        ? null
        : `Sound of this kind${codec ? ` (${codec.toUpperCase()})` : ''} is not decoded by browsers. ${asOpus}`,
    )
  try {
    const { file, lengthMs } = await alone(track, codec, decoded.format())
    const { measured } = await measureSound(file, decoded.mime)
    if (measured.of !== 'sound') return unheard(null)
    if (Math.abs(lengthMs - measured.durationMs) > wrongMostMs) return unheard(`Its sound is damaged. ${asOpus}`)
    return { startsMs, heard: measured, fault: null }
  } catch (error) {
    return unheard(
      error instanceof Refusal ? `${error.reason} ${error.advice}`.trim() : `Its sound is damaged. ${asOpus}`,
    )
  }
}

/** The sound as a file of its own, nothing of it encoded anew, and how long it says that it is. */
async function alone(
  track: InputAudioTrack,
  codec: AudioCodec,
  format: OutputFormat,
): Promise<{ file: Uint8Array; lengthMs: number }> {
  const target = new BufferTarget()
  const output = new Output({ format, target })
  const source = new EncodedAudioPacketSource(codec)
  output.addAudioTrack(source)
  await output.start()
  const decoderConfig = await track.getDecoderConfig()
  let endMs = 0
  let startMs = Infinity
  for await (const packet of new EncodedPacketSink(track).packets()) {
    await source.add(packet, endMs === 0 && decoderConfig ? { decoderConfig } : undefined)
    startMs = Math.min(startMs, packet.timestamp * 1000)
    endMs = Math.max(endMs, (packet.timestamp + packet.duration) * 1000)
  }
  await output.finalize()
  if (!target.buffer) throw new Error('nothing was written')
  return { file: new Uint8Array(target.buffer), lengthMs: endMs - Math.max(0, startMs) }
}
