import { toneAt, toneRateHz, toneSeconds } from './shape.ts'

export interface WavOptions {
  rateHz?: number
  channels?: number
  /** 16 or 24 as integers, 32 as floating point. */
  bits?: 16 | 24 | 32
  seconds?: number
  /** −1…1 at a time in seconds. */
  sampleAt?: (seconds: number) => number
}

/** A WAV file, written byte by byte. */
export function wav({
  rateHz = toneRateHz,
  channels = 2,
  bits = 16,
  seconds = toneSeconds,
  sampleAt = toneAt,
}: WavOptions = {}): Buffer {
  const frames = Math.round(seconds * rateHz)
  const frameBytes = (channels * bits) / 8
  const file = Buffer.alloc(44 + frames * frameBytes)
  file.write('RIFF')
  file.writeUInt32LE(file.length - 8, 4)
  file.write('WAVEfmt ', 8)
  file.writeUInt32LE(16, 16)
  file.writeUInt16LE(bits === 32 ? 3 : 1, 20)
  file.writeUInt16LE(channels, 22)
  file.writeUInt32LE(rateHz, 24)
  file.writeUInt32LE(rateHz * frameBytes, 28)
  file.writeUInt16LE(frameBytes, 32)
  file.writeUInt16LE(bits, 34)
  file.write('data', 36)
  file.writeUInt32LE(frames * frameBytes, 40)
  for (let frame = 0; frame < frames; frame++) {
    const sample = sampleAt(frame / rateHz)
    for (let channel = 0; channel < channels; channel++) {
      const at = 44 + frame * frameBytes + (channel * bits) / 8
      if (bits === 32) file.writeFloatLE(sample, at)
      else if (bits === 16) file.writeInt16LE(Math.round(Math.max(-1, Math.min(1, sample)) * 32_767), at)
      else file.writeIntLE(Math.round(Math.max(-1, Math.min(1, sample)) * 8_388_607), at, 3)
    }
  }
  return file
}
