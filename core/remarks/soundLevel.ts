import { levellingOf } from '../audio/level.ts'
import { heardAs } from '../score/parts/part.ts'
import type { ResolvedSound } from '../score/parts/sound/resolveSound.ts'
import { nameOf, ownerOf, type Remark, type RemarkContext, type Remedy } from './remark.ts'

/** What is further from its target than this is heard as too quiet or too loud beside the others. */
const audibleLu = 3

/** Turns a sound by so much, in steps of half a decibel and rather lower than higher. */
export function trimTo(context: RemarkContext, sound: { id: string }, byDb: number, label: string): Remedy | null {
  const partId = ownerOf(sound.id)
  const part = context.composition.parts.find((each) => each.id === partId)
  const heard = part && heardAs(part)
  return heard
    ? { type: 'setTrim', partId, trimDb: Math.max(-60, Math.floor((heard.trimDb + byDb) * 2) / 2), label }
    : null
}

/** Each sound by itself against the box's target and ceiling. Linear. */
export function soundLevelRemarks(context: RemarkContext): Remark[] {
  return context.score.parts.flatMap((sound) => (sound.kind === 'sound' ? remarksOfOne(context, sound) : []))
}

function remarksOfOne(context: RemarkContext, sound: ResolvedSound): Remark[] {
  const { targetLufs, ceilingDbtp } = context.soundLevel
  const level = context.sounds[sound.mediaId]?.level
  const partId = ownerOf(sound.id)
  const part = context.composition.parts.find((each) => each.id === partId)
  const heard = part && heardAs(part)
  if (!level || !heard || !('isLevelled' in heard)) return []
  const name = `“${nameOf(context, sound.id)}”`
  const peakDb = level.truePeakDbtp + sound.gainDb
  const lufs = level.lufs + sound.gainDb
  const remarks: Remark[] = []
  if (peakDb > ceilingDbtp + 0.05) {
    remarks.push({
      type: 'soundOverCeiling',
      partId,
      level: 'wrong',
      words: `${name} peaks at ${peakDb.toFixed(1)} dBTP; over ${ceilingDbtp} dBTP it distorts.`,
      remedy: trimTo(context, sound, ceilingDbtp - peakDb, 'Turn it down under the ceiling'),
    })
  }
  if (!heard.isLevelled && Math.abs(lufs - targetLufs) > audibleLu) {
    remarks.push({
      type: 'notLevelled',
      partId,
      level: 'advice',
      words: `${name} is not levelled: at ${lufs.toFixed(1)} LUFS it is ${Math.abs(lufs - targetLufs).toFixed(1)} LU ${lufs > targetLufs ? 'louder' : 'quieter'} than this box wants.`,
      remedy: { type: 'levelSound', partId, label: 'Level it' },
    })
  }
  const levelled = levellingOf(level, context.soundLevel)
  if (heard.isLevelled && levelled.heldBy !== null && targetLufs - level.lufs - levelled.gainDb > audibleLu) {
    const why = levelled.heldBy === 'ceiling' ? 'its peaks are at the ceiling' : 'it was recorded very quietly'
    remarks.push({
      type: 'soundBelowTarget',
      partId,
      level: 'advice',
      words: `${name} comes to ${(level.lufs + levelled.gainDb).toFixed(1)} LUFS instead of ${targetLufs}: ${why}. A recording with less difference between loud and quiet would do.`,
      remedy: null,
    })
  }
  return remarks
}
