import {
  AudioSample,
  AudioSampleSource,
  BufferTarget,
  canEncodeAudio,
  EncodedPacket,
  EncodedVideoPacketSource,
  Output,
  WebMOutputFormat,
} from 'mediabunny'
import { toYuv } from '../../core/film/yuv.ts'
import { frameAt, type FilmPlan } from '../../core/film/filmPlan.ts'
import type { FilmSound } from './filmSound.ts'
import { pixelReader, type FilmWriter } from './filmWriter.ts'

/** How coarse colours and alpha are written, of 63: edges show first. */
const quantizer = { colour: 26, alpha: 16 }
/** Where a browser has no such measure: bits a pixel. */
const bitsPerPixel = 0.2
const keyFrameEachS = 2
const soundBitsPerSecond = 192_000
/** Sound is handed over in pieces of a second: less is at hand at once. */
const soundPieceS = 1
/** Frames that wait for a coder. */
const heldMost = 3
const colorSpace: VideoColorSpaceInit = { primaries: 'bt709', transfer: 'bt709', matrix: 'bt709', fullRange: false }

/** What came out of a coder. */
interface Coded {
  chunk: EncodedVideoChunk
  meta: EncodedVideoChunkMetadata | undefined
}

/** Codes frames of 4:2:0; what is coded comes in order, some frames later. */
interface Coder {
  code(planes: Uint8Array<ArrayBuffer>, timestamp: number, duration: number, keyFrame: boolean): Promise<void>
  coded: Coded[]
  /** Codes what it still holds. */
  flush(): Promise<void>
  close(): void
}

/** Writes a WebM: VP9, its alpha beside it, and Opus. */
export async function openWebmWriter(plan: FilmPlan, sound: FilmSound | null): Promise<FilmWriter | null> {
  if (typeof VideoEncoder === 'undefined' || (sound && !(await canEncodeAudio('opus')))) return null
  const colours = await openCoder(plan, quantizer.colour)
  const alphas = await openCoder(plan, quantizer.alpha)
  if (!colours || !alphas) return null
  const target = new BufferTarget()
  const output = new Output({ format: new WebMOutputFormat(), target })
  const picture = new EncodedVideoPacketSource('vp9')
  output.addVideoTrack(picture)
  const heard = sound ? new AudioSampleSource({ codec: 'opus', bitrate: soundBitsPerSecond }) : null
  if (heard) output.addAudioTrack(heard)
  await output.start()
  if (heard && sound) await writeSound(heard, sound)
  const read = pixelReader(plan)
  const keyFrameEach = Math.round(keyFrameEachS * plan.framesPerSecond)

  /** Writes what both coders are done with. */
  async function write(): Promise<void> {
    while (colours?.coded[0] && alphas?.coded[0]) {
      const [colour, alpha] = [colours.coded.shift(), alphas.coded.shift()]
      if (colour && alpha) await picture.add(packetOf(colour.chunk, alpha.chunk), colour.meta)
    }
  }
  return {
    async add(bitmap, frame) {
      const planes = toYuv(read(bitmap), plan.widthPx, plan.heightPx)
      const { at, lasts } = frameAt(plan, frame, 1e6)
      // Both have their key frames at the same place, as whoever seeks in it expects.
      const isKey = frame % keyFrameEach === 0
      await Promise.all([colours.code(planes.colour, at, lasts, isKey), alphas.code(planes.alpha, at, lasts, isKey)])
      await write()
    },
    async finish() {
      await Promise.all([colours.flush(), alphas.flush()])
      await write()
      colours.close()
      alphas.close()
      await output.finalize()
      if (!target.buffer) throw new Error('The film was not written')
      return new Blob([target.buffer], { type: 'video/webm' })
    },
  }
}

/** What a decoder has to be able to: the level of VP9 by its pixels a second and in a picture (VP9 levels, WebM Project). */
function levelOf({ widthPx, heightPx, framesPerSecond }: FilmPlan): string {
  const pixels = widthPx * heightPx
  const levels: readonly [level: string, pixelsPerSecond: number, pixelsMost: number][] = [
    ['41', 160_432_128, 2_228_224],
    ['52', 1_176_502_272, 8_912_896],
  ]
  return levels.find(([, rate, most]) => pixels * framesPerSecond <= rate && pixels <= most)?.[0] ?? '62'
}

/** @returns null where this browser codes no VP9 */
async function openCoder(plan: FilmPlan, coarseness: number): Promise<Coder | null> {
  const common: VideoEncoderConfig = {
    codec: `vp09.00.${levelOf(plan)}.08`,
    width: plan.widthPx,
    height: plan.heightPx,
    framerate: plan.framesPerSecond,
    // No frame may be left out: those of colours and of alpha belong together.
    latencyMode: 'quality',
  }
  const ways: VideoEncoderConfig[] = [
    { ...common, bitrateMode: 'quantizer' },
    { ...common, bitrate: Math.round(plan.widthPx * plan.heightPx * plan.framesPerSecond * bitsPerPixel) },
  ]
  const answers = await Promise.all(ways.map((way) => VideoEncoder.isConfigSupported(way).catch(() => null)))
  const way = ways.find((_, index) => answers[index]?.supported)
  if (!way) return null
  const coded: Coded[] = []
  let fault: DOMException | null = null
  const encoder = new VideoEncoder({
    output: (chunk, meta) => void coded.push({ chunk, meta }),
    error: (error) => {
      fault = error
      // Whoever waits for room would wait for ever.
      encoder.dispatchEvent(new Event('dequeue'))
    },
  })
  encoder.configure(way)
  return {
    coded,
    async code(planes, timestamp, duration, keyFrame) {
      const frame = new VideoFrame(planes, {
        format: 'I420',
        ...{ codedWidth: plan.widthPx, codedHeight: plan.heightPx, timestamp, duration, colorSpace },
      })
      try {
        encoder.encode(frame, {
          keyFrame,
          ...(way.bitrateMode === 'quantizer' ? { vp9: { quantizer: coarseness } } : {}),
        })
      } finally {
        frame.close()
      }
      while (encoder.encodeQueueSize > heldMost && !fault)
        await new Promise((resolve) => encoder.addEventListener('dequeue', resolve, { once: true }))
      if (fault) throw fault
    },
    flush: () => encoder.flush(),
    close: () => encoder.close(),
  }
}

const bytesOf = (chunk: EncodedVideoChunk) => {
  const bytes = new Uint8Array(chunk.byteLength)
  chunk.copyTo(bytes)
  return bytes
}

function packetOf(colour: EncodedVideoChunk, alpha: EncodedVideoChunk): EncodedPacket {
  const alphaBytes = bytesOf(alpha)
  return new EncodedPacket(
    bytesOf(colour),
    colour.type,
    colour.timestamp / 1e6,
    (colour.duration ?? 0) / 1e6,
    undefined,
    undefined,
    { alpha: alphaBytes, alphaByteLength: alphaBytes.length },
  )
}

async function writeSound(into: AudioSampleSource, { rateHz, channels }: FilmSound): Promise<void> {
  const length = channels[0]?.length ?? 0
  const pieceLength = rateHz * soundPieceS
  for (let from = 0; from < length; from += pieceLength) {
    const count = Math.min(pieceLength, length - from)
    const data = new Float32Array(count * channels.length)
    channels.forEach((samples, channel) => data.set(samples.subarray(from, from + count), channel * count))
    const sample = new AudioSample({
      data,
      format: 'f32-planar',
      numberOfChannels: channels.length,
      sampleRate: rateHz,
      timestamp: from / rateHz,
    })
    await into.add(sample)
    sample.close()
  }
  into.close()
}
