import { describeEvent } from '../../core/events/describeEvent.ts'
import type { DeskSpeech } from '../../contract/speech.ts'
import type { PlayState, PlayView } from '../../contract/views.ts'
import type { PlayWithEvent } from '../db/queries/plays.ts'
import { canonicalOf } from '../ingest/decideEvents.ts'

/** Of what was written so much is shown beside what is read. */
const writtenShown = 400

/** A play as the desk shows it. */
export function playView(play: PlayWithEvent, locale: string): PlayView {
  const { id, boxId, variationName, reason, isTest, lengthMs, shownCount, approval, speech } = play
  return {
    id,
    boxId,
    eventId: play.eventId,
    kind: play.event.kind,
    ...describeEvent(canonicalOf(play.event), locale),
    variationName,
    state: stateOf(play),
    reason,
    isTest,
    enqueuedAtMs: play.enqueuedAt.getTime(),
    startedAtMs: play.startedAt?.getTime() ?? null,
    endedAtMs: play.outcomeAt?.getTime() ?? null,
    lengthMs,
    shownCount,
    together: play.together?.count ?? 1,
    mergedInto: play.mergedInto,
    approval,
    speech: deskSpeech(speech),
  }
}

/** What became of it, or how far it is. */
function stateOf({ state, outcome }: PlayWithEvent): PlayState {
  if (outcome) return outcome
  // Over and without an outcome: never both, but for the moment in between.
  return state === 'over' ? 'playing' : state
}

/** What the desk shows of what is read; null where nothing was decided yet. */
function deskSpeech(speech: PlayWithEvent['speech']): DeskSpeech | null {
  if (!speech?.sayings) return null
  const sayings = speech.sayings.map(({ of, written, text, outcome, reason, durationMs }) => ({
    of,
    written: written.slice(0, writtenShown),
    text,
    outcome,
    reason,
    durationMs,
  }))
  return { state: speech.state ?? 'making', note: speech.note ?? null, verdict: speech.verdict ?? null, sayings }
}
