import { overshootOf, sumPeak } from '../audio/sumPeak.ts'
import type { SoundRound } from '../score/soundRound.ts'
import { inSeconds, nameOf, ownerOf, type Remark, type RemarkContext } from './remark.ts'
import { trimTo } from './soundLevel.ts'

/** Sounds that are heard together and may add up beyond the ceiling. Linear in length × sounds. */
export function soundSumRemarks(context: RemarkContext): Remark[] {
  const { ceilingDbtp } = context.soundLevel
  const { duck } = context.score
  const inSum = heardIn(context).flatMap(({ file, isVoice, ...sound }) => {
    const measured = context.sounds[file]
    return measured?.level
      ? [
          {
            ...sound,
            duck: isVoice ? undefined : duck,
            waveform: measured.waveform,
            overshoot: overshootOf(measured.level.truePeakDbtp, measured.waveform),
            peakDb: sound.gainDb + measured.level.truePeakDbtp,
          },
        ]
      : []
  })
  if (inSum.length < 2) return []
  const { amplitude, atMs } = sumPeak(inSum)
  const peakDb = 20 * Math.log10(amplitude)
  // A sound that is too loud alone has a remark of its own.
  const together = inSum.filter(
    (sound) => sound.startMs <= atMs && atMs < sound.endMs && sound.peakDb <= ceilingDbtp + 0.05,
  )
  if (together.length < 2 || peakDb <= ceilingDbtp + 0.05) return []
  const loudest = together.reduce((a, b) => (b.peakDb >= a.peakDb ? b : a))
  const rest = amplitude - 10 ** (loudest.peakDb / 20)
  const room = 10 ** (ceilingDbtp / 20) - rest
  // Where the others leave no room, turning one down is not enough: half as loud is a beginning.
  const wantedDb =
    room > 0 ? Math.min(20 * Math.log10(room), loudest.peakDb - (peakDb - ceilingDbtp)) : loudest.peakDb - 6
  return [
    {
      type: 'soundsTooLoud',
      partId: ownerOf(loudest.id),
      level: 'wrong',
      words: `${together.map((sound) => `“${nameOf(context, sound.id)}”`).join(' and ')} together may reach ${peakDb.toFixed(1)} dBTP at ${inSeconds(atMs)}; over ${ceilingDbtp} dBTP they distort.`,
      remedy: trimTo(context, loudest, wantedDb - loudest.peakDb, 'Turn the louder one down'),
    },
  ]
}

interface Heard {
  id: string
  startMs: number
  endMs: number
  gainDb: number
  repeats: boolean
  round?: SoundRound | undefined
  file: string
  isVoice: boolean
}

/** Everything that is heard, each thing that a voice says by itself. */
function heardIn({ score }: RemarkContext): Heard[] {
  return score.parts.flatMap((part): Heard[] => {
    if (part.kind === 'voice')
      return part.utterances.map(({ startMs, endMs, gainDb, url }) => ({
        id: part.id,
        startMs,
        endMs,
        gainDb,
        repeats: false,
        file: url,
        isVoice: true,
      }))
    return part.kind === 'sound'
      ? [
          {
            id: part.id,
            startMs: part.startMs,
            endMs: part.endMs,
            gainDb: part.gainDb,
            repeats: part.repeats,
            round: part.round,
            file: part.mediaId,
            isVoice: false,
          },
        ]
      : []
  })
}
