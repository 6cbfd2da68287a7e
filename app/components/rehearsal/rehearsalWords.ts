import type { AdviceStep, Judged } from '../../../core/rehearsal/advise.ts'
import { screenShare, type NightFigures } from '../../../core/rehearsal/figures.ts'
import type { Outcome } from '../../../core/response/outcome.ts'
import { counted } from '../../format/counted.ts'
import { lengthWords } from '../../format/time.ts'
import type { LookedCall, LookedSide } from '../../workers/rehearsalTalk.ts'

/** What two policies make of the same, a line each. `isWorse`: the first of them is clearly worse. */
export interface Compared {
  what: string
  a: string
  b: string
  isWorse: boolean
}

const percent = (share: number) => `${Math.round(share * 100)} %`
const muchWorse = 2
const muchWorseMs = 10_000

/** A night under two policies in lines: how long people wait, what becomes of what came, how much of the screen it takes. */
export function comparedLines(a: NightFigures, b: NightFigures, clock: (atMs: number) => string): Compared[] {
  const time = (what: string, of: (figures: NightFigures) => number): Compared => ({
    ...{ what, a: lengthWords(of(a)), b: lengthWords(of(b)) },
    isWorse: of(a) > muchWorse * of(b) && of(a) - of(b) > muchWorseMs,
  })
  const count = (what: string, of: (figures: NightFigures) => number): Compared => ({
    ...{ what, a: String(of(a)), b: String(of(b)), isWorse: false },
  })
  const { fromMs, untilMs } = a.busiest.share >= b.busiest.share ? a.busiest : b.busiest
  return [
    time('longest wait', ({ all }) => all.worstMs),
    time('19 of 20 wait less than', ({ all }) => all.p95Ms),
    time('half wait less than', ({ all }) => all.p50Ms),
    count('alerts shown', ({ counts }) => counts.shown),
    count('shared another’s alert', ({ counts }) => counts.merged),
    count('let go', ({ counts }) => counts.letGo),
    ...(a.counts.refused + b.counts.refused > 0 ? [count('refused by a gate', ({ counts }) => counts.refused)] : []),
    count('shown at their short end', ({ shortened }) => shortened),
    {
      what: `screen taken, ${clock(fromMs)} – ${clock(untilMs)}`,
      ...{ a: percent(screenShare(a, fromMs, untilMs)), b: percent(screenShare(b, fromMs, untilMs)), isWorse: false },
    },
  ]
}

/** What a change costs viewers; empty: nothing. */
export function costWords(before: Judged, after: Judged): string {
  const more = (of: keyof Judged) => after[of] - before[of]
  return [
    more('merged') > 0 ? `${counted(more('merged'), 'more viewer')} share an alert.` : '',
    more('letGo') > 0 ? `${more('letGo')} more are let go.` : '',
    more('letGo') < 0 ? `${-more('letGo')} fewer are let go.` : '',
    more('shortened') > 0 ? `${counted(more('shortened'), 'more alert')} at their short end.` : '',
  ]
    .filter(Boolean)
    .join(' ')
}

/** What an advice does: `4 min 10 s → 38 s. 61 more viewers share an alert.` */
export const effectWords = ({ before, after }: Pick<AdviceStep, 'before' | 'after'>): string =>
  [`${lengthWords(before.p95Ms)} → ${lengthWords(after.p95Ms)}.`, costWords(before, after)].filter(Boolean).join(' ')

const endWords: Readonly<Record<Outcome, string>> = {
  played: 'shown',
  merged: 'shared another’s alert',
  expired: 'let go',
  withheld: 'not let through',
  failed: 'could not be shown',
  skipped: 'skipped',
  off: 'nothing is shown',
}
/** Sooner than that nobody waits. */
export const atOnceMs = 1_000

/** What became of something on one side: `shown 12 s late`. */
export function fateWords({ outcome, lateMs, reason }: LookedSide): string {
  if (outcome === null) return 'nothing is shown'
  const words = endWords[outcome]
  if (lateMs !== null) return `${words} ${lateMs < atOnceMs ? 'at once' : `${lengthWords(lateMs)} late`}`
  return reason === '' || outcome === 'off' ? words : `${words}: ${reason}`
}

/** What somebody who set a trigger off had of it: `ran 4 s later`. */
export function callWords({ end, reason, atMs, beganMs }: LookedCall): string {
  if (end === 'refused') return `refused: ${reason}`
  if (end === 'released') return `given back: ${reason}`
  const lateMs = (beganMs ?? atMs) - atMs
  return beganMs === null
    ? 'waits when the night is over'
    : `ran ${lateMs < atOnceMs ? 'at once' : `${lengthWords(lateMs)} later`}`
}
