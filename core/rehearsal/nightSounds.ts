import { lufsOf } from '../audio/loudness.ts'
import type { BoxDocument } from '../composition/box.ts'
import { heardAlone } from '../response/calledPlay.ts'
import type { ResolvedScore } from '../score/resolved.ts'
import type { MediaFacts } from '../score/mediaFacts.ts'
import type { ShownPlay } from '../queue/simulate.ts'

/** A sound that was heard in a night, and how loud it is on average. */
export interface HeardSound {
  fromMs: number
  untilMs: number
  lufs: number
}

/** The sounds of a score, on its own clock. */
export function soundsOf(score: ResolvedScore, media: Readonly<Record<string, MediaFacts>>): HeardSound[] {
  return score.parts.flatMap((part) => {
    if (part.kind !== 'sound') return []
    const { level, durationMs } = media[part.mediaId] ?? {}
    if (!level) return []
    const heardMs = part.repeats ? Infinity : (durationMs ?? Infinity)
    const untilMs = Math.min(part.endMs, part.startMs + heardMs, score.lengthMs)
    return [{ fromMs: part.startMs, untilMs, lufs: level.lufs + part.gainDb }]
  })
}

/**
 * What was heard of a box in a night. Scores of one case that last equally long sound alike: each is settled once.
 * @param scoreOf how a play is shown; null: it cannot be
 */
export function heardIn(
  shown: Iterable<ShownPlay>,
  caseOf: (playId: string) => string,
  scoreOf: (play: ShownPlay) => ResolvedScore | null,
  media: Readonly<Record<string, MediaFacts>>,
): HeardSound[] {
  const known = new Map<string, HeardSound[]>()
  const plays = [...shown].sort((a, b) => a.fromMs - b.fromMs)
  let sounding: ShownPlay[] = []
  return plays.flatMap((play) => {
    sounding = sounding.filter(({ untilMs }) => untilMs > play.fromMs)
    const others = play.isBeside ? sounding.length : 0
    sounding.push(play)
    const key = [caseOf(play.playId), play.untilMs - play.fromMs, play.isShort, play.isBeside, others].join(' ')
    let sounds = known.get(key)
    if (!sounds) {
      const score = scoreOf(play)
      sounds = score ? soundsOf(play.isBeside ? heardAlone(score, others) : score, media) : []
      known.set(key, sounds)
    }
    return sounds.map(({ fromMs, untilMs, lufs }) => ({
      ...{ fromMs: play.fromMs + fromMs, untilMs: Math.min(play.untilMs, play.fromMs + untilMs), lufs },
    }))
  })
}

/** A box's own level for its sounds. */
export const targetOf = ({ look }: Pick<BoxDocument, 'look'>): number => look.soundLevel.targetLufs

/**
 * The loudest moment of each slot, all that sounds together: powers are added, as of sounds that have nothing to do with each
 * other. Fades, and how music goes down for a voice, are left out, which errs to the high side. n log n in the sounds.
 * @returns LUFS; null for a slot in which nothing is heard
 */
export function loudestOf(
  sounds: readonly HeardSound[],
  { fromMs, slotMs, slots }: { fromMs: number; slotMs: number; slots: number },
): (number | null)[] {
  const powerOf = (lufs: number) => 10 ** ((lufs + 0.691) / 10)
  const edges = sounds
    .flatMap(({ fromMs: began, untilMs, lufs }) =>
      untilMs > began
        ? [
            { atMs: began, by: powerOf(lufs), one: 1 },
            { atMs: untilMs, by: -powerOf(lufs), one: -1 },
          ]
        : [],
    )
    // What ends as another begins was not heard with it.
    .sort((a, b) => a.atMs - b.atMs || a.one - b.one)
  const most = Array.from({ length: slots }, () => 0)
  const slotAt = (atMs: number) => Math.min(slots - 1, Math.max(0, Math.floor((atMs - fromMs) / slotMs)))
  let power = 0
  let count = 0
  edges.forEach(({ atMs, by, one }, at) => {
    count += one
    // Sums of many sounds drift: silence is silence.
    power = count === 0 ? 0 : power + by
    const next = edges[at + 1]?.atMs ?? atMs
    if (next === atMs || count === 0) return
    for (let slot = slotAt(atMs); slot <= slotAt(next - 1e-6); slot++) most[slot] = Math.max(most[slot] ?? 0, power)
  })
  return most.map((each) => (each === 0 ? null : lufsOf(each)))
}
