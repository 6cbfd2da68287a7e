/** How a sound is heard, in a few words: what stands on its clip. */
export function heardCaption({
  isMuted,
  isLevelled,
  trimDb,
}: {
  isMuted: boolean
  isLevelled: boolean
  trimDb: number
}): string {
  if (isMuted) return 'muted'
  const trim = trimDb === 0 && isLevelled ? '' : `${trimDb > 0 ? '+' : ''}${trimDb.toFixed(1)} dB`
  return [isLevelled ? 'levelled' : '', trim].filter(Boolean).join(' ')
}
