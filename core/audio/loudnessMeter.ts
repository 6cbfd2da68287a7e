import { WeightedChannel } from './kWeighting.ts'
import { blendedLufs, gated, loudnessRangeLu, lufsOf } from './loudness.ts'
import { speakersOf, weightOfSpeaker, type Speaker } from './speakers.ts'
import { TruePeakChannel } from './truePeak.ts'

/** What the leveller knows of a sound. Loudness in LUFS (−Infinity for silence), range in LU. */
export interface Loudness {
  integratedLufs: number
  /** The loudest 400 ms, and the loudest 3 s; of a sound that is shorter, all of it. */
  momentaryMaxLufs: number
  shortTermMaxLufs: number
  rangeLu: number
  truePeakDbtp: number
}

/**
 * Power is kept by hundredths of a second: the loudest 400 ms are then found wherever they lie (EBU Tech 3341, case
 * 13). What is gated and the range use stretches a tenth of a second apart, as BS.1770-4 and Tech 3342 have them.
 */
const hopsPerSecond = 100
const hopsPerStep = 10
const hopsPerBlock = 40
const hopsPerShortTerm = 300

/** A mono file is heard from both speakers: it counts as the two equal channels that it is played as. */
const monoWeights = [2]

/**
 * Loudness after ITU-R BS.1770-4 and EBU R 128, measured while samples come: nothing of the sound is kept but a hundred
 * numbers a second. Linear in the number of samples.
 */
export class LoudnessMeter {
  private readonly weights: readonly number[]
  private readonly weighted: WeightedChannel[]
  private readonly peaks: TruePeakChannel[]
  /** Weighted power of each whole hop, summed up from the beginning, so that a stretch is one subtraction. */
  private readonly sums: number[] = [0]
  private energyOfHop = 0
  private energyOfAll = 0
  private samplesDone = 0
  private hopStart = 0

  /**
   * @param channelCount 1…8
   * @param speakers where each channel is heard from; as in a WAV file where nothing is said
   * @throws RangeError for a rate or a number of channels that cannot be
   */
  constructor(
    private readonly rateHz: number,
    channelCount: number,
    speakers: readonly Speaker[] = speakersOf('wav', channelCount),
  ) {
    if (!(rateHz >= 8000 && rateHz <= 384_000))
      throw new RangeError(`LoudnessMeter: ${rateHz} Hz is no sampling rate that sounds have (8,000 to 384,000)`)
    if (!(channelCount >= 1 && channelCount <= 8))
      throw new RangeError(`LoudnessMeter: ${channelCount} channels (1 to 8)`)
    this.weights = channelCount === 1 ? monoWeights : speakers.map(weightOfSpeaker)
    this.weighted = this.weights.map(() => new WeightedChannel(rateHz))
    this.peaks = Array.from({ length: channelCount }, () => new TruePeakChannel())
  }

  /** Takes the next samples, one array for each channel, all of one length. */
  push(channels: readonly Float32Array[]): void {
    channels.forEach((samples, channel) => this.peaks[channel]?.push(samples))
    const length = channels[0]?.length ?? 0
    let from = 0
    while (from < length) {
      const hopEnd = Math.round((this.sums.length * this.rateHz) / hopsPerSecond)
      const to = Math.min(length, from + hopEnd - this.samplesDone)
      this.weighted.forEach((channel, index) => {
        const samples = channels[index]
        const weight = this.weights[index] ?? 0
        if (samples && weight > 0) this.energyOfHop += weight * channel.energy(samples, from, to)
      })
      this.samplesDone += to - from
      from = to
      if (this.samplesDone === hopEnd) this.endHop(hopEnd)
    }
  }

  /** The result for all that was pushed. */
  end(): Loudness {
    const all = this.samplesDone > 0 ? (this.energyOfAll + this.energyOfHop) / this.samplesDone : 0
    const blocks = this.stretches(hopsPerBlock, hopsPerStep)
    const loudest = (length: number) => {
      const powers = this.stretches(length, 1)
      return lufsOf(powers.length > 0 ? powers.reduce((most, power) => Math.max(most, power), 0) : all)
    }
    return {
      // Too short for a single block of 400 ms: all of it, without gate.
      integratedLufs: blocks.length > 0 ? gated(blocks).lufs : lufsOf(all),
      momentaryMaxLufs: loudest(hopsPerBlock),
      shortTermMaxLufs: loudest(hopsPerShortTerm),
      rangeLu: loudnessRangeLu(this.stretches(hopsPerShortTerm, hopsPerStep)),
      truePeakDbtp: 20 * Math.log10(Math.max(0, ...this.peaks.map((peak) => peak.end()))),
    }
  }

  /**
   * How loud a sound counts for levelling, by one rule for short and long ones: of what is heard in it, the loudest
   * 400 ms (all of it where that is shorter), and from there over to the gated mean of BS.1770-4 as more of it is as
   * loud as that: at 1.5 s of blocks above the gate none, at 6 s all of it. In a second there is no average that anybody
   * hears, and the decay after a stroke would make it count as quiet. Silence at the edges changes nothing.
   * @param first the first sample that is heard
   * @param last the last one
   * @returns LUFS; −Infinity for silence
   */
  levelOf(first: number, last: number): number {
    const samples = last - first + 1
    if (samples <= 0) return -Infinity
    const sums =
      this.energyOfHop > 0 ? [...this.sums, (this.sums.at(-1) ?? 0) + this.energyOfHop / this.hopSamples] : this.sums
    const from = Math.max(0, Math.floor(first / this.hopSamples))
    const to = Math.min(sums.length - 1, Math.ceil((last + 1) / this.hopSamples))
    const powerOf = (start: number, end: number) => Math.max(0, (sums[end] as number) - (sums[start] as number))
    if (samples < this.hopSamples * hopsPerBlock || to - from < hopsPerBlock)
      return lufsOf((powerOf(from, to) * this.hopSamples) / samples)
    const blocks: number[] = []
    for (let end = from + hopsPerBlock; end <= to; end++) blocks.push(powerOf(end - hopsPerBlock, end) / hopsPerBlock)
    const loudest = lufsOf(blocks.reduce((most, power) => Math.max(most, power), 0))
    const { lufs, counted } = gated(blocks)
    const countedS = (counted + hopsPerBlock - 1) / hopsPerSecond
    return blendedLufs(loudest, lufs, countedS)
  }

  private get hopSamples(): number {
    return this.rateHz / hopsPerSecond
  }

  private endHop(hopEnd: number): void {
    this.sums.push((this.sums.at(-1) ?? 0) + this.energyOfHop / (hopEnd - this.hopStart))
    this.energyOfAll += this.energyOfHop
    this.energyOfHop = 0
    this.hopStart = hopEnd
  }

  /** Mean power of the runs of `length` hops that begin every `step` hops. */
  private stretches(length: number, step: number): number[] {
    const powers: number[] = []
    for (let end = length; end < this.sums.length; end += step)
      powers.push(Math.max(0, (this.sums[end] as number) - (this.sums[end - length] as number)) / length)
    return powers
  }
}
