import type { BoxDocument, Variation } from '../composition/box.ts'
import { choiceOf, decide, type Choice } from '../decisions/decide.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import type { Together } from '../queue/ticket.ts'
import type { PlayFacts } from '../queue/facts.ts'
import type { Circumstances } from '../rules/circumstances.ts'
import type { Why } from '../rules/why.ts'
import type { ResolvedScore } from '../score/resolved.ts'
import { prizeFor } from '../score/valuesIn.ts'
import { voicesOf } from '../speech/sayings.ts'
import { boxesPlayed } from '../triggers/calledEvent.ts'
import { callsOf, isOnlyCall, type TriggerCall } from '../triggers/callsOf.ts'
import type { BoxOnAir, ChannelOnAir } from './channelOnAir.ts'
import { laneOfBox, type Lane } from './lane.ts'
import type { Outcome } from './outcome.ts'
import { sampleNumbers } from './brings.ts'
import { factsOf } from './playFacts.ts'
import { lengthFor, scoreFor } from './scoreFor.ts'

/** An event that came, with what is known of its coming. */
export interface Arrived {
  event: CanonicalEvent
  receivedAtMs: number
  isTest: boolean
  circumstances: Circumstances
}

/** What somebody asked for who tests. */
export interface ResponseWish {
  /** A test concerns one box; null: all boxes of the channel. */
  onlyBoxId: string | null
  /** The case that is to be seen; null: whichever applies. */
  variationId: string | null
}

/** An alert to be shown, as it was decided. */
export interface AlertPlan {
  versionId: string
  alertId: string
  variation: Variation
  /** How long it lasts before its voices have spoken. */
  lengthMs: number
  /** Settles it, as it is before its voices have spoken: only what is shown needs that. */
  score: () => ResolvedScore
  /** It has voices with something to say. */
  speaks: boolean
  /** Somebody has to let it be read first. */
  isAwaiting: boolean
  /** What the box's policy asks of it. */
  facts: PlayFacts
  /** A test of a case for several at once: with how many it is shown. Absent: it is alone. */
  together?: Together
}

/** What an event causes in a lane, in the order in which lanes are to carry it out. */
export interface Effect {
  kind: 'alert'
  lane: Lane
  boxId: string
  /** Why this and nothing else: as one sentence, and as a tree where rules were asked. */
  decided: string
  why: Why | null
  /** Null: nothing is shown. */
  alert: AlertPlan | null
  /** What became of it already; null where it is still to be carried out. */
  settled: { outcome: Outcome; reason: string } | null
}

const noWish: ResponseWish = { onlyBoxId: null, variationId: null }

/**
 * What an event causes: the one place that says so, for live events, tests and rehearsals alike. Pure.
 * @param calls the triggers that it sets off; see `callsBy`
 * @returns one effect for each box, in the order of the boxes
 */
export function respond(
  arrived: Arrived,
  channel: ChannelOnAir,
  wish: ResponseWish = noWish,
  calls: readonly TriggerCall[] = callsBy(arrived, channel),
): Effect[] {
  const taken = takenBy(arrived.event, calls, channel)
  return channel.boxes
    .filter(({ boxId }) => wish.onlyBoxId === null || boxId === wish.onlyBoxId)
    .map((box) => {
      const by = taken(box.boxId)
      return by === null ? alertOf(arrived, channel, box, wish.variationId) : nothingOf(box.boxId, by, 'off', null)
    })
}

/** The triggers that an event sets off, before their gates are asked. A test sets nothing off. */
export function callsBy({ event, circumstances, isTest }: Arrived, channel: ChannelOnAir): TriggerCall[] {
  const { triggers, calls } = channel
  if (isTest || triggers.length === 0) return []
  return callsOf(event, circumstances, triggers, { ...channel, prefix: calls.prefix })
}

/**
 * Of which boxes a trigger says what plays: what a viewer redeems or calls is shown there by its run sheet, and not once more by
 * the box itself.
 * @returns why, of a box; null where the box decides
 */
function takenBy(
  event: CanonicalEvent,
  calls: readonly TriggerCall[],
  channel: ChannelOnAir,
): (boxId: string) => string | null {
  if (isOnlyCall(event)) return () => 'This only sets a trigger off, and its run sheet says what plays.'
  const names = new Map<string, string>()
  for (const { triggerId, by } of calls) {
    const called = channel.triggers.find(({ id }) => id === triggerId)
    if (called?.isArmed && by !== 'event') for (const boxId of boxesPlayed(called)) names.set(boxId, called.name)
  }
  return (boxId) => {
    const name = names.get(boxId)
    return name === undefined ? null : `The trigger “${name}” says what plays here.`
  }
}

/** Nothing is shown in a box. */
const nothingOf = (boxId: string, reason: string, outcome: Outcome, why: Why | null): Effect => ({
  ...{ kind: 'alert', lane: laneOfBox(boxId), boxId, why },
  decided: reason,
  alert: null,
  settled: { outcome, reason },
})

function alertOf(arrived: Arrived, channel: ChannelOnAir, box: BoxOnAir, wanted: string | null): Effect {
  const { event, circumstances } = arrived
  const { boxId, version } = box
  const document = version?.document ?? null
  const { decision, variation } = wantedChoice(decide(event, circumstances, document, channel), document, wanted)
  const effect = { kind: 'alert' as const, lane: laneOfBox(boxId), boxId, why: decision.why }
  const nothing = (reason: string, outcome: Outcome) => nothingOf(boxId, reason, outcome, decision.why)
  if (decision.outcome === 'nothing' || !version || !variation) return nothing(decision.reason, 'off')
  const request = { event, receivedAtMs: arrived.receivedAtMs, document: version.document, variation, channel }
  const length = lengthFor(request)
  if (!length.ok)
    return nothing(
      `The score of “${variation.name}” cannot be played: its anchors do not resolve (${length.error.type}).`,
      'failed',
    )
  const voices = voicesOf(variation.composition, event, channel.locale)
  const prize = prizeFor(variation.composition, event)
  const { isOn, approvesMessages } = channel.speech
  const saysMessage = voices.some(({ sayings }) => sayings.some(({ of }) => of === 'message'))
  return {
    ...effect,
    // Kept with the event: what was drawn can be looked up whatever becomes of the box.
    decided: prize === null ? decision.reason : `${decision.reason} It draws “${prize}”.`,
    alert: {
      versionId: version.id,
      alertId: decision.alertId,
      variation,
      lengthMs: length.value,
      score: () => settled(scoreFor(request)),
      speaks: voices.length > 0,
      // Whoever tests has written the words themselves.
      isAwaiting: isOn && approvesMessages && !arrived.isTest && saysMessage,
      facts: factsOf({
        ...request,
        alertId: decision.alertId,
        lengthMs: length.value,
        isTest: arrived.isTest,
        // A test for one case is to be seen as that case.
        isCalled: wanted !== null,
      }),
      ...(variation.isForSeveral ? { together: sampleNumbers(event, channel) } : {}),
    },
    settled: null,
  }
}

/** @throws where it does not resolve: its length did, and asks the same */
function settled(score: ReturnType<typeof scoreFor>): ResolvedScore {
  if (!score.ok) throw new Error(`A score whose length is known does not resolve: ${score.error.type}`)
  return score.value
}

/** The case that a test is for; where it is not the one that would be chosen, the reason says so. */
function wantedChoice(choice: Choice, document: BoxDocument | null, wanted: string | null): Choice {
  if (wanted === null || choice.variation?.id === wanted) return choice
  const alert = document?.alerts.find(({ variations }) => variations.some(({ id }) => id === wanted))
  const variation = alert?.variations.find(({ id }) => id === wanted)
  if (!alert || !variation) return choice
  const reason = `“${variation.name}” plays because the test asked for it. Without that: ${choice.decision.reason}`
  return choiceOf(alert.id, variation, reason, choice.decision.why ?? { alertId: alert.id, variations: [], draw: null })
}
