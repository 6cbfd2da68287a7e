import { overshootOf, sumPeak } from '../audio/sumPeak.ts'
import type { ResolvedSound } from '../parts/sound/resolveSound.ts'
import { inSeconds, nameOf, type Remark, type RemarkContext } from './remark.ts'
import { trimTo } from './soundLevel.ts'

/** Sounds that are heard together and may add up beyond the ceiling. Linear in length × sounds. */
export function soundSumRemarks(context: RemarkContext): Remark[] {
  const { ceilingDbtp } = context.soundLevel
  const sounds = context.score.parts.filter((part): part is ResolvedSound => part.kind === 'sound')
  const inSum = sounds.flatMap((sound) => {
    const measured = context.sounds[sound.mediaId]
    return measured?.level ? [{ ...sound, waveform: measured.waveform, overshoot: overshootOf(measured.level.truePeakDbtp, measured.waveform), peakDb: sound.gainDb + measured.level.truePeakDbtp }] : []
  })
  if (inSum.length < 2) return []
  const { amplitude, atMs } = sumPeak(inSum)
  const peakDb = 20 * Math.log10(amplitude)
  // A sound that is too loud alone has a remark of its own.
  const together = inSum.filter((sound) => sound.startMs <= atMs && atMs < sound.endMs && sound.peakDb <= ceilingDbtp + 0.05)
  if (together.length < 2 || peakDb <= ceilingDbtp + 0.05) return []
  const loudest = together.reduce((a, b) => (b.peakDb >= a.peakDb ? b : a))
  const rest = amplitude - 10 ** (loudest.peakDb / 20)
  const room = 10 ** (ceilingDbtp / 20) - rest
  // Where the others leave no room, turning one down is not enough: half as loud is a beginning.
  const wantedDb = room > 0 ? Math.min(20 * Math.log10(room), loudest.peakDb - (peakDb - ceilingDbtp)) : loudest.peakDb - 6
  return [
    {
      type: 'soundsTooLoud',
      partId: loudest.id,
      level: 'wrong',
      words: `${together.map((sound) => `“${nameOf(context, sound.id)}”`).join(' and ')} together may reach ${peakDb.toFixed(1)} dBTP at ${inSeconds(atMs)}; over ${ceilingDbtp} dBTP they distort.`,
      remedy: trimTo(context, loudest, wantedDb - loudest.peakDb, 'Turn the louder one down'),
    },
  ]
}
