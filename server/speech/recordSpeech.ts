import { setImmediate } from 'node:timers/promises'
import { levelledBy, type MeasuredLevel } from '../../core/audio/level.ts'
import { SoundMeter } from '../../core/audio/soundMeter.ts'
import { wav16 } from '../../core/audio/wav16.ts'
import { spreadWords } from '../../core/speech/spreadWords.ts'
import type { SpokenWord } from '../../core/speech/spoken.ts'
import type { Spoken } from './engine.ts'

/** A recording of a voice, measured like any other sound. */
export interface Recording {
  wav: Uint8Array
  durationMs: number
  level: MeasuredLevel | null
  words: SpokenWord[]
  waveform: { stretchMs: number; peaks: number[] }
}

/** So much of the silence that engines put around their words stays. */
const leadMs = 30
const tailMs = 120
/** What is cut fades out for so long: no click, and no end of a word that sounds like one. */
const fadeMs = 60
/** Measured in pieces of a quarter of a second: the server's thread is needed for events. */
const pieceS = 0.25
/** A lane is drawn with so many stretches to a second. */
const drawnStretchMs = 40

/**
 * Measures what an engine said, cuts the silence around it and writes it as a file. Words that an engine does not tell
 * of are spread by their letters.
 * @param mostMs nothing that is longer is heard: it fades out there; null for all of it
 */
export async function recordSpeech(
  text: string,
  { rateHz, samples, words }: Spoken,
  mostMs: number | null = null,
): Promise<Recording> {
  const waves = Float32Array.from(samples, (sample) => sample / 32_768)
  const said = await measure(waves, rateHz)
  const firstMs = Math.max(0, said.leadingSilenceMs - leadMs)
  const spokenMs = Math.max(firstMs, said.durationMs - Math.max(0, said.trailingSilenceMs - tailMs))
  const isCut = mostMs !== null && spokenMs - firstMs > mostMs
  const lastMs = isCut ? firstMs + mostMs : spokenMs
  const kept = waves.subarray(Math.round((firstMs * rateHz) / 1000), Math.floor((lastMs * rateHz) / 1000))
  if (isCut) fadeOut(kept, Math.round((fadeMs * rateHz) / 1000))
  // What is cut is another sound: it is levelled by what is heard of it.
  const whole = isCut ? await measure(waves.subarray(0, Math.floor((lastMs * rateHz) / 1000)), rateHz) : said
  const durationMs = Math.floor((kept.length * 1000) / rateHz)
  const told = words
    .filter(({ atMs }) => !isCut || atMs < lastMs)
    .map(({ from, to, atMs }) => ({
      from,
      to,
      atMs: Math.max(0, Math.min(durationMs, Math.round(atMs - firstMs))),
    }))
  const finest = whole.waveform[0]
  const peaks = finest
    ? [...finest.peaks].slice(Math.round(firstMs / finest.stretchMs), Math.round(lastMs / finest.stretchMs))
    : []
  const perStretch = drawnStretchMs / (finest?.stretchMs ?? drawnStretchMs)
  return {
    wav: wav16([kept], rateHz),
    durationMs,
    level: levelledBy(whole, durationMs),
    words: told.length > 0 ? told : spreadWords(text, durationMs),
    waveform: {
      stretchMs: drawnStretchMs,
      peaks: Array.from({ length: Math.ceil(peaks.length / perStretch) }, (_, index) =>
        Math.max(0, ...peaks.slice(index * perStretch, (index + 1) * perStretch)),
      ),
    },
  }
}

/** Brings the end of a sound to nothing, in a straight line; in place. */
function fadeOut(waves: Float32Array, length: number): void {
  const from = Math.max(0, waves.length - length)
  for (let at = from; at < waves.length; at++)
    waves[at] = ((waves[at] ?? 0) * (waves.length - at)) / (waves.length - from)
}

async function measure(waves: Float32Array, rateHz: number) {
  const meter = new SoundMeter(rateHz, 1)
  const piece = Math.round(pieceS * rateHz)
  for (let at = 0; at < waves.length; at += piece) {
    meter.push([waves.subarray(at, at + piece)])
    await setImmediate()
  }
  return meter.end()
}
