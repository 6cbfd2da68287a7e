const units = ['B', 'kB', 'MB', 'GB', 'TB']

/** Bytes in the unit that a person would choose: `20.4 MB`. @param bytes zero or more */
export function bytesInWords(bytes: number): string {
  const step = Math.min(units.length - 1, Math.max(0, Math.floor(Math.log10(Math.max(1, bytes)) / 3)))
  const value = bytes / 1000 ** step
  return `${step === 0 || value >= 100 ? Math.round(value) : value.toFixed(1)} ${units[step]}`
}
