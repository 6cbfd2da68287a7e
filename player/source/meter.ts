/** How often whoever shows this page in a frame is told how loud it is. */
const everyMs = 100
const silentDbfs = -90

/** Tells the page around this one how loud it is: broadcast programs that frame it can draw a meter. @param tap hears all that is heard */
export function tellLevel(tap: AnalyserNode): void {
  const samples = new Float32Array(tap.fftSize)
  let wasSilent = true
  setInterval(() => {
    tap.getFloatTimeDomainData(samples)
    const peak = samples.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0)
    const dbfs = peak > 0 ? Math.max(silentDbfs, 20 * Math.log10(peak)) : silentDbfs
    const isSilent = dbfs === silentDbfs
    // Nothing else about this page is told: whoever frames it has its address.
    if (!isSilent || !wasSilent) window.parent.postMessage({ type: 'thundercrest:level', dbfs }, '*')
    wasSilent = isSilent
  }, everyMs)
}
