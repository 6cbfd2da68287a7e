import type { ResolvedSound } from '../parts/sound/resolveSound.ts'
import { nameOf, type Remark, type RemarkContext } from './remark.ts'

/** EBU R 128 asks for a true peak of at most −1 dBTP. */
const ceilingDb = -1

/**
 * Sounds that are heard together and may add up beyond the ceiling. The worst case adds amplitudes: peaks that meet. Each
 * moment at which a sound begins is looked at, since only there the sum grows. Quadratic in the number of sounds.
 */
export function soundSumRemarks(context: RemarkContext): Remark[] {
  const sounds = context.score.parts.filter((part): part is ResolvedSound => part.kind === 'sound')
  const amplitude = (sound: ResolvedSound) => 10 ** ((sound.gainDb + (context.peakDb[sound.mediaId] ?? 0)) / 20)
  let worst: { together: ResolvedSound[]; sum: number } | null = null
  for (const { startMs } of sounds) {
    const together = sounds.filter((sound) => sound.startMs <= startMs && startMs < sound.endMs)
    const sum = together.reduce((total, sound) => total + amplitude(sound), 0)
    if (together.length > 1 && (!worst || sum > worst.sum)) worst = { together, sum }
  }
  const peakDb = worst ? 20 * Math.log10(worst.sum) : -Infinity
  if (!worst || peakDb <= ceilingDb + 0.005) return []
  const loudest = worst.together.reduce((a, b) => (amplitude(b) > amplitude(a) ? b : a))
  const names = worst.together.map((sound) => `“${nameOf(context, sound.id)}”`).join(' and ')
  const gainDb = Math.floor((loudest.gainDb - (peakDb - ceilingDb)) * 2) / 2
  return [
    {
      type: 'soundsTooLoud',
      partId: loudest.id,
      level: 'wrong',
      words: `${names} together may reach ${peakDb.toFixed(1)} dB; over ${ceilingDb} dB they distort.`,
      remedy: { type: 'setGain', partId: loudest.id, gainDb: Math.max(-60, gainDb), label: 'Turn the louder one down' },
    },
  ]
}
