import type { MediaNames } from './difference.ts'

/** Units stand in the names of fields; here they are written after the number. */
const units: readonly [ending: RegExp, write: (of: number) => string][] = [
  [/ms$/i, (of) => `${(of / 1000).toFixed(2)} s`],
  [/Px$/, (of) => `${Math.round(of)} px`],
  [/Db$/, (of) => `${of.toFixed(1)} dB`],
  [/Deg$/, (of) => `${Math.round(of)}°`],
  [/^opacity$/, (of) => `${Math.round(of * 100)} %`],
]

/** A value as a person reads it: plain ones as they are, structures as their plain fields. */
export function valueWords(field: string, of: unknown, names: MediaNames): string {
  if (of === null || of === undefined) return 'none'
  if (typeof of === 'boolean') return of ? 'yes' : 'no'
  if (typeof of === 'number')
    return units.find(([ending]) => ending.test(field))?.[1](of) ?? String(Math.round(of * 100) / 100)
  if (typeof of === 'string') return textWords(field, of, names)
  if (field === 'keyframes' && Array.isArray(of)) return keyframeWords(of as { frames: unknown[] }[])
  if (Array.isArray(of)) return of.map((each) => valueWords(field, each, names)).join(', ') || 'none'
  return Object.entries(of)
    .map(([name, each]) => valueWords(name, each, names))
    .join(' · ')
}

function textWords(field: string, of: string, names: MediaNames): string {
  if (field === 'template') return `“${of}”`
  return field === 'mediaId' ? (names[of] ?? `file ${of.slice(0, 6)}`) : of
}

function keyframeWords(tracks: readonly { frames: unknown[] }[]): string {
  if (tracks.length === 0) return 'none'
  return `${tracks.reduce((sum, { frames }) => sum + frames.length, 0)} keyframes`
}
