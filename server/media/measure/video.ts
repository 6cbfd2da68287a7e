import { BufferSource, EncodedPacketSink, Input, MP4, WEBM, type InputVideoTrack } from 'mediabunny'
import { limits } from './limits.ts'
import type { Measurement } from './measurement.ts'
import { Refusal } from './refusal.ts'
import { areBoxesWhole } from './isoBoxes.ts'
import { measureVideoSound } from './videoSound.ts'
import { looksLikeFrame } from './videoFrame.ts'

const asWebm = 'Save it as WebM (VP9, with transparency if you need it) or as MP4 (H.264).'
const played = new Set(['vp8', 'vp9', 'av1', 'avc'])

/** WebM and MP4: read by their structure, every frame counted. What they show is looked at by a browser afterwards. */
export async function measureVideo(bytes: Uint8Array, mime: string): Promise<Measurement> {
  const input = new Input({ source: new BufferSource(bytes), formats: [WEBM, MP4] })
  try {
    const track = await input.getPrimaryVideoTrack()
    const soundTrack = await input.getPrimaryAudioTrack()
    if (!track) {
      if (soundTrack)
        throw new Refusal(
          'There is sound in this file, but no picture, and in a form that only browsers decode.',
          'Save it as MP3, Ogg or WAV.',
          true,
        )
      throw new Refusal('There is nothing to see in this video.', asWebm)
    }
    const codec = track.codec
    if (!codec || !played.has(codec))
      throw new Refusal(
        `Videos of this kind${codec ? ` (${codec.toUpperCase()})` : ''} do not play in a browser source.`,
        asWebm,
      )
    const widthPx = track.displayWidth
    const heightPx = track.displayHeight
    if (!(widthPx > 0 && heightPx > 0)) throw new Refusal('The video has no size.', asWebm)
    if (widthPx > 4096 || heightPx > 4096)
      throw new Refusal(
        `The video is ${widthPx} × ${heightPx} pixels; a side may have 4096.`,
        'Make it smaller: a canvas is 1920 × 1080.',
      )
    if (mime === 'video/mp4' && !areBoxesWhole(bytes)) throw new Error('a box that is not as long as it says')
    const { frameCount, endMs } = await readPackets(track, codec, await lengthBytesOf(track))
    if (!(endMs > 0) || frameCount === 0) throw new Refusal('There is nothing to see in this video.', asWebm)
    if (endMs > limits.videoMs)
      throw new Refusal('The video is longer than five minutes.', 'Cut out the part that an alert should play.')
    // As long as something is seen: sound that goes on is heard where the last picture stays.
    const durationMs = Math.round(endMs)
    return {
      kind: 'picture',
      mime,
      measured: {
        ...{ of: 'picture', widthPx, heightPx, frameCount, frameMs: [], durationMs, codec, seen: null },
        ownSound: soundTrack && (await measureVideoSound(soundTrack)),
      },
      poster: null,
      strip: null,
      converted: null,
    }
  } catch (error) {
    if (error instanceof Refusal) throw error
    throw new Refusal('The video cannot be read: it is damaged or incomplete.', 'Copy or export it again.')
  } finally {
    input.dispose()
  }
}

/** Of H.264: how many bytes the lengths of its pieces have, as its description says (ISO/IEC 14496-15). */
async function lengthBytesOf(track: InputVideoTrack): Promise<number> {
  const { description } = (await track.getDecoderConfig()) ?? {}
  if (!description) return 4
  const bytes = ArrayBuffer.isView(description)
    ? new Uint8Array(description.buffer, description.byteOffset, description.byteLength)
    : new Uint8Array(description)
  return ((bytes[4] ?? 3) & 3) + 1
}

/** Walks over all frames without decoding them. @throws when the file ends before one of them does */
async function readPackets(
  track: InputVideoTrack,
  codec: string,
  lengthBytes: number,
): Promise<{ frameCount: number; endMs: number }> {
  let frameCount = 0
  let endMs = 0
  for await (const packet of new EncodedPacketSink(track).packets()) {
    if (!looksLikeFrame(codec, packet.data, packet.type === 'key', lengthBytes)) throw new Error('a frame that is none')
    frameCount += 1
    endMs = Math.max(endMs, (packet.timestamp + packet.duration) * 1000)
  }
  return { frameCount, endMs }
}
