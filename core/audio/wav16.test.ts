import { expect, it } from 'vitest'
import { wav } from '../../test/media/wav.ts'
import { wav16 } from './wav16.ts'

it('writes what other writers of WAV write', () => {
  const samples = Float32Array.from({ length: 480 }, (_, at) => Math.sin(at / 7) * 1.2)
  expect(Buffer.from(wav16([samples, samples], 48_000))).toEqual(
    wav({ seconds: 0.01, sampleAt: (seconds) => samples[Math.round(seconds * 48_000)] ?? 0 }),
  )
})
