import { speakersOfMask, type Speaker } from '../../../../core/audio/speakers.ts'
import { Refusal } from '../refusal.ts'
import type { DecodedPiece } from './decode.ts'

const framesAtATime = 32_768
const saveAgain = 'Export it as WAV with 16 or 24 bits, as MP3 or as Ogg.'

type ReadSample = (view: DataView, at: number) => number

/** How a sample of each format and width is read, as −1…1. Formats: 1 integer, 3 floating point. */
const readers: Record<string, ReadSample> = {
  '1/8': (view, at) => (view.getUint8(at) - 128) / 128,
  '1/16': (view, at) => view.getInt16(at, true) / 0x8000,
  '1/24': (view, at) => ((view.getInt8(at + 2) << 16) | view.getUint16(at, true)) / 0x80_0000,
  '1/32': (view, at) => view.getInt32(at, true) / 0x8000_0000,
  '3/32': (view, at) => view.getFloat32(at, true),
  '3/64': (view, at) => view.getFloat64(at, true),
}

interface WavFormat {
  channels: number
  rateHz: number
  sampleBytes: number
  read: ReadSample
  speakers: readonly Speaker[] | undefined
}

function readFormat(view: DataView, at: number, size: number): WavFormat {
  if (size < 16) throw new Refusal('The WAV file’s header is damaged.', saveAgain)
  const channels = view.getUint16(at + 2, true)
  const bits = view.getUint16(at + 14, true)
  const tag = view.getUint16(at, true)
  // An extensible header says the format in the first bytes of its identifier.
  const format = tag === 0xfffe && size >= 26 ? view.getUint16(at + 24, true) : tag
  const read = readers[`${format}/${bits}`]
  if (!read)
    throw new Refusal(
      `The WAV file is packed in a way that is not known here (format ${format}, ${bits} bits).`,
      saveAgain,
    )
  if (channels === 0 || view.getUint16(at + 12, true) !== (channels * bits) / 8)
    throw new Refusal('The WAV file’s header contradicts itself.', saveAgain)
  const mask = tag === 0xfffe && size >= 24 ? view.getUint32(at + 20, true) : 0
  return {
    channels,
    rateHz: view.getUint32(at + 4, true),
    sampleBytes: bits / 8,
    read,
    speakers: speakersOfMask(mask, channels) ?? undefined,
  }
}

/** RIFF WAVE with integer or floating-point samples. */
export async function* decodeWav(bytes: Uint8Array): AsyncGenerator<DecodedPiece> {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  let format: WavFormat | null = null
  for (let at = 12; at + 8 <= bytes.length;) {
    const id = view.getUint32(at)
    const size = view.getUint32(at + 4, true)
    const from = at + 8
    if (id === 0x666d_7420 && from + size <= bytes.length) format = readFormat(view, from, size)
    if (id === 0x6461_7461) {
      if (!format) throw new Refusal('The WAV file has samples before it says of what kind.', saveAgain)
      // A recorder that was cut off leaves a header that promises more than there is; four of its bits set mean “to the
      // end”.
      const isOpenEnded = size === 0xffff_ffff || size === 0
      if (!isOpenEnded && from + size > bytes.length)
        throw new Refusal('The file ends in the middle of the sound.', 'Copy or export it again.')
      yield* samplesOf(view, format, from, isOpenEnded ? bytes.length : from + size)
      return
    }
    at = from + size + (size % 2)
  }
}

function* samplesOf(
  view: DataView,
  { channels, rateHz, sampleBytes, read, speakers }: WavFormat,
  from: number,
  to: number,
): Generator<DecodedPiece> {
  const frameBytes = channels * sampleBytes
  const frames = Math.floor((to - from) / frameBytes)
  for (let done = 0; done < frames; done += framesAtATime) {
    const count = Math.min(framesAtATime, frames - done)
    const piece = Array.from({ length: channels }, () => new Float32Array(count))
    for (let frame = 0; frame < count; frame++) {
      for (let channel = 0; channel < channels; channel++) {
        const value = read(view, from + (done + frame) * frameBytes + channel * sampleBytes)
        ;(piece[channel] as Float32Array)[frame] = Number.isFinite(value) ? value : 0
      }
    }
    yield { channels: piece, rateHz, speakers }
  }
}
