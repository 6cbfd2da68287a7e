import { besideGainDb } from '../audio/besideGain.ts'
import { chosenBy, type Alert, type BoxDocument, type Variation } from '../composition/box.ts'
import { maxScoreMs } from '../composition/clip.ts'
import type { Composition } from '../composition/schema.ts'
import { starterSound } from '../composition/starterParts.ts'
import { decide } from '../decisions/decide.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import type { PlayFacts } from '../queue/facts.ts'
import { err, ok, type Result } from '../result.ts'
import { plainCircumstances } from '../rules/circumstances.ts'
import type { ResolvedPart, ResolvedScore } from '../score/resolved.ts'
import type { StepOf } from '../sheet/schema.ts'
import { voicesOf } from '../speech/sayings.ts'
import { calledEvent, type Called } from '../triggers/calledEvent.ts'
import type { ChannelOnAir } from './channelOnAir.ts'
import { factsOf } from './playFacts.ts'
import { lengthFor, scoreFor, type ScoreRequest } from './scoreFor.ts'

/** An alert that a run sheet plays, as it is on air now. */
export interface CalledPlay {
  boxId: string
  versionId: string
  alertId: string
  variation: Variation
  lengthMs: number
  speaks: boolean
  isAwaiting: boolean
  facts: PlayFacts
  /** Kept with the play where it is shown for a redemption that never was one; null where it is shown for its event. */
  called: Called | null
}

/**
 * What a step plays: the case that it names, or of its alert whichever applies. Pure.
 * @param event what set the trigger off
 * @returns or why there is nothing to play, in words
 */
export function calledPlay(
  step: StepOf<'play'>,
  event: CanonicalEvent,
  called: Called,
  channel: ChannelOnAir,
  nowMs: number,
): Result<CalledPlay, string> {
  const box = channel.boxes.find(({ boxId }) => boxId === step.boxId)
  if (!box) return err('the box of its alert is gone')
  if (!box.version) return err('the box of its alert was never put on air')
  const { document, id: versionId } = box.version
  const alert = document.alerts.find(({ id }) => id === step.alertId)
  if (!alert) return err('its alert is not on air')
  const isOwn = alert.kinds.includes(event.kind)
  const shown = isOwn ? event : calledEvent(event, called)
  const variation = caseOf(step, alert, shown, document, channel)
  if (!variation) return err('its alert has no case on air for this')
  const length = lengthFor({ event: shown, receivedAtMs: nowMs, document, variation, channel })
  if (!length.ok) return err(`the anchors of its alert do not resolve (${length.error.type})`)
  const voices = voicesOf(variation.composition, shown, channel.locale)
  const { isOn, approvesMessages } = channel.speech
  return ok({
    ...{ boxId: step.boxId, versionId, alertId: alert.id, variation },
    lengthMs: length.value,
    speaks: voices.length > 0,
    isAwaiting: isOn && approvesMessages && voices.some(({ sayings }) => sayings.some(({ of }) => of === 'message')),
    facts: factsOf({
      ...{ event: shown, receivedAtMs: nowMs, document, alertId: alert.id, variation, channel },
      ...{ lengthMs: length.value, isTest: false, isCalled: true },
    }),
    called: isOwn ? null : called,
  })
}

function caseOf(
  step: StepOf<'play'>,
  alert: Alert,
  event: CanonicalEvent,
  document: BoxDocument,
  channel: ChannelOnAir,
): Variation | undefined {
  const { variations } = alert
  if (step.variationId !== null) return variations.find(({ id }) => id === step.variationId)
  const listening = alert.kinds.includes(event.kind) ? alert : { ...alert, kinds: [...alert.kinds, event.kind] }
  const { variation } = decide(event, plainCircumstances, { ...document, alerts: [listening] }, channel)
  // An alert with cases for run sheets alone has nothing to choose among.
  return variation ?? (chosenBy(alert).length === 0 ? variations[0] : undefined)
}

/** A sound by itself as a score of a box, levelled like all that is heard there. Null: there is no such sound (any more). */
export function soundAlone(
  { boxId, mediaId, trimDb }: Pick<StepOf<'sound'>, 'boxId' | 'mediaId' | 'trimDb'>,
  event: CanonicalEvent,
  channel: ChannelOnAir,
  nowMs: number,
): ResolvedScore | null {
  const document = channel.boxes.find((box) => box.boxId === boxId)?.version?.document
  if (!document || !channel.media[mediaId]) return null
  const composition: Composition = {
    version: 4,
    length: { rule: 'fit', minMs: 0, maxMs: maxScoreMs },
    parts: [{ ...starterSound(mediaId), trimDb }],
    silenced: [],
  }
  const variation: ScoreRequest['variation'] = { id: 'sound', name: 'Sound', rule: null, share: null, composition }
  const score = scoreFor({ event, receivedAtMs: nowMs, document, variation, channel })
  return score.ok ? score.value : null
}

/** How long a sound by itself lasts; null where there is none. */
export const soundLengthMs = (mediaId: string, { media }: Pick<ChannelOnAir, 'media'>): number | null =>
  media[mediaId]?.durationMs ?? null

/** A score without what is seen: what is heard beside other plays. @param others how many of them sound already */
export function heardAlone(score: ResolvedScore, others = 0): ResolvedScore {
  const gainDb = besideGainDb(others)
  const quieter = <T extends { gainDb: number }>(each: T): T => ({ ...each, gainDb: each.gainDb + gainDb })
  const parts = score.parts.flatMap((part): ResolvedPart[] => {
    if (part.kind === 'sound') return [quieter(part)]
    return part.kind === 'voice' ? [{ ...part, utterances: part.utterances.map(quieter) }] : []
  })
  return { ...score, parts }
}
