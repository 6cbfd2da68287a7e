import type { SoundMeasurement } from '../core/audio/soundMeter.ts'
import type { SoundMeasured } from './media.ts'

const rounded = (value: number) => Math.round(value * 100) / 100

/** A measurement as it is stored: to a hundredth, waveforms as Base64. */
export function measuredSound({
  waveform,
  integratedLufs,
  momentaryMaxLufs,
  shortTermMaxLufs,
  rangeLu,
  truePeakDbtp,
  levelLufs,
  ...facts
}: SoundMeasurement): SoundMeasured {
  // A click in silence may have a peak and no loudness above the gate; it is levelled by its loudest moment.
  const isSilent = !Number.isFinite(truePeakDbtp) || !Number.isFinite(momentaryMaxLufs)
  return {
    of: 'sound',
    ...facts,
    loudness: isSilent
      ? null
      : {
          integratedLufs: rounded(Number.isFinite(integratedLufs) ? integratedLufs : momentaryMaxLufs),
          momentaryMaxLufs: rounded(momentaryMaxLufs),
          shortTermMaxLufs: rounded(shortTermMaxLufs),
          rangeLu: rounded(rangeLu),
          truePeakDbtp: rounded(truePeakDbtp),
          levelLufs: rounded(Number.isFinite(levelLufs) ? levelLufs : momentaryMaxLufs),
        },
    waveform: waveform.map(({ stretchMs, peaks }) => ({ stretchMs, peaks: base64Of(peaks) })),
  }
}

function base64Of(bytes: Uint8Array): string {
  let letters = ''
  for (let from = 0; from < bytes.length; from += 8192)
    letters += String.fromCharCode(...bytes.subarray(from, from + 8192))
  return btoa(letters)
}
