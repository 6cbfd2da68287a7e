import { LoudnessMeter, type Loudness } from './loudnessMeter.ts'
import type { Speaker } from './speakers.ts'

/** Everything that is measured of a sound. */
export interface SoundMeasurement extends Loudness {
  /** How loud it counts for levelling: see `LoudnessMeter.levelOf`. */
  levelLufs: number
  durationMs: number
  rateHz: number
  channelCount: number
  /** How long nothing is heard at the beginning and at the end; both cover the whole of a silent file. */
  leadingSilenceMs: number
  trailingSilenceMs: number
  /** The loudest amplitude of each `stretchMs`, 0…255, finest first: a waveform at several zooms. */
  waveform: WaveformLevel[]
}

export interface WaveformLevel {
  stretchMs: number
  peaks: Uint8Array
}

const finestStretchMs = 10
const zoomFactor = 4
/** A coarser level is of use only while it has so many stretches. */
const fewestStretches = 50

/** What is quieter than −60 dBFS counts as silence. */
const silentAmplitude = 0.001

/** Measures a sound while its samples come. Memory: two numbers for each 10 ms. */
export class SoundMeter {
  private readonly loudness: LoudnessMeter
  private readonly peaks: number[] = []
  private peakOfStretch = 0
  private samples = 0
  private firstHeard = -1
  private lastHeard = -1

  /**
   * @param speakers where each channel is heard from; as in a WAV file where nothing is said
   * @throws RangeError for a rate or a number of channels that cannot be
   */
  constructor(
    private readonly rateHz: number,
    private readonly channelCount: number,
    speakers?: readonly Speaker[],
  ) {
    this.loudness = new LoudnessMeter(rateHz, channelCount, speakers)
  }

  get durationMs(): number {
    return (this.samples * 1000) / this.rateHz
  }

  /** Takes the next samples, one array for each channel, all of one length. */
  push(channels: readonly Float32Array[]): void {
    this.loudness.push(channels)
    const length = channels[0]?.length ?? 0
    let from = 0
    while (from < length) {
      const stretchEnd = Math.round(((this.peaks.length + 1) * finestStretchMs * this.rateHz) / 1000)
      const to = Math.min(length, from + stretchEnd - this.samples)
      this.lookAt(channels, from, to)
      this.samples += to - from
      from = to
      if (this.samples === stretchEnd) this.endStretch()
    }
  }

  end(): SoundMeasurement {
    if (this.peakOfStretch > 0) this.endStretch()
    const inMs = (samples: number) => Math.round((samples * 1000) / this.rateHz)
    const isSilent = this.firstHeard < 0
    return {
      ...this.loudness.end(),
      levelLufs: isSilent ? -Infinity : this.loudness.levelOf(this.firstHeard, this.lastHeard),
      durationMs: Math.round(this.durationMs),
      rateHz: this.rateHz,
      channelCount: this.channelCount,
      leadingSilenceMs: inMs(isSilent ? this.samples : this.firstHeard),
      trailingSilenceMs: inMs(isSilent ? this.samples : this.samples - 1 - this.lastHeard),
      waveform: zoomsOf(Uint8Array.from(this.peaks)),
    }
  }

  private lookAt(channels: readonly Float32Array[], from: number, to: number): void {
    let highest = this.peakOfStretch
    let first = Infinity
    let last = -1
    for (const samples of channels) {
      for (let index = from; index < to; index++) {
        const size = Math.abs(samples[index] as number)
        if (size > highest) highest = size
        if (size <= silentAmplitude) continue
        if (index < first) first = index
        if (index > last) last = index
      }
    }
    this.peakOfStretch = highest
    if (last < 0) return
    if (this.firstHeard < 0) this.firstHeard = this.samples + first - from
    this.lastHeard = this.samples + last - from
  }

  private endStretch(): void {
    this.peaks.push(Math.min(255, Math.ceil(this.peakOfStretch * 255)))
    this.peakOfStretch = 0
  }
}

function zoomsOf(finest: Uint8Array): WaveformLevel[] {
  const levels: WaveformLevel[] = [{ stretchMs: finestStretchMs, peaks: finest }]
  for (;;) {
    const last = levels.at(-1) as WaveformLevel
    const count = Math.ceil(last.peaks.length / zoomFactor)
    if (count < fewestStretches) return levels
    const peaks = Uint8Array.from({ length: count }, (_, stretch) =>
      last.peaks
        .subarray(stretch * zoomFactor, (stretch + 1) * zoomFactor)
        .reduce((most, peak) => Math.max(most, peak), 0),
    )
    levels.push({ stretchMs: last.stretchMs * zoomFactor, peaks })
  }
}
