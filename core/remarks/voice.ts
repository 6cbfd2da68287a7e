import { usualDuckDb } from '../score/parts/voice/schema.ts'
import { inSeconds, nameOf, type Remark, type RemarkContext } from './remark.ts'

/** With less than this between them, a voice is hard to follow over another sound. */
const followedDb = -6

/** A voice that other sounds drown, and one for which the alert does not wait. */
export function voiceRemarks(context: RemarkContext): Remark[] {
  const { composition, score } = context
  return composition.parts.flatMap((part): Remark[] => {
    if (part.kind !== 'voice' || part.isMuted) return []
    const remarks: Remark[] = []
    const name = `“${part.name}”`
    const spoken = score.parts.find((each) => each.kind === 'voice' && each.id === part.id)
    const drowning =
      spoken && part.duckDb > followedDb
        ? score.parts.find(
            (each) => each.kind === 'sound' && each.startMs < spoken.endMs && each.endMs > spoken.startMs,
          )
        : undefined
    if (drowning)
      remarks.push({
        type: 'voiceOverSound',
        partId: part.id,
        level: 'advice',
        words: `${name} speaks while “${nameOf(context, drowning.id)}” is as loud as before.`,
        remedy: { type: 'duckSounds', partId: part.id, label: `Turn sounds down by ${-usualDuckDb} dB meanwhile` },
      })
    if (part.readsMessage && composition.length.rule === 'fixed')
      remarks.push({
        type: 'voiceMayBeCut',
        partId: part.id,
        level: 'advice',
        words: `The alert ends after ${inSeconds(composition.length.ms)} whatever ${name} reads; a long message would be cut off.`,
        remedy: { type: 'waitForVoice', label: 'Let the alert wait for the voice' },
      })
    return remarks
  })
}
