/**
 * The loudest amplitude of any channel in each of `count` equal stretches of time: a waveform as it is drawn. Linear in the
 * number of samples.
 * @param channels samples in −1…1, all of one length
 */
export function waveformPeaks(channels: readonly Float32Array[], count: number): Float32Array {
  const peaks = new Float32Array(count)
  const length = channels[0]?.length ?? 0
  for (const channel of channels) {
    for (let stretch = 0; stretch < count; stretch++) {
      const to = Math.ceil(((stretch + 1) * length) / count)
      let peak = peaks[stretch] ?? 0
      for (let index = Math.floor((stretch * length) / count); index < to; index++) peak = Math.max(peak, Math.abs(channel[index] ?? 0))
      peaks[stretch] = peak
    }
  }
  return peaks
}

/** The highest sample of any channel in dBFS; −Infinity for silence. The true peak between samples may lie up to about 3 dB higher. */
export function samplePeakDb(channels: readonly Float32Array[]): number {
  let peak = 0
  for (const channel of channels) for (const sample of channel) peak = Math.max(peak, Math.abs(sample))
  return 20 * Math.log10(peak)
}
