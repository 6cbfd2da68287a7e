import type { BoxDocument } from '../composition/box.ts'
import { isSame } from '../isSame.ts'
import { plainPolicy, readyPolicy, type BoxPolicy } from '../queue/policy.ts'
import type { ShownPlay } from '../queue/simulate.ts'
import { soundAlone } from '../response/calledPlay.ts'
import type { ChannelOnAir } from '../response/channelOnAir.ts'
import { shownScore } from '../response/shownAs.ts'
import { historyKindsOf } from '../rules/historyKinds.ts'
import type { ResolvedScore } from '../score/resolved.ts'
import { boxesPlayed } from '../triggers/calledEvent.ts'
import { decideNight, lengthsOf, placeOfPlay } from './decideNight.ts'
import { figuresOf, type BoxPart, type NightFigures } from './figures.ts'
import { itemsOf } from './itemsOf.ts'
import type { Night, NightEvent } from './night.ts'
import { callsOfNight } from './nightCalls.ts'
import { heardIn, loudestOf, soundsOf, targetOf } from './nightSounds.ts'
import { playChannel, type CalledIn, type NightBox, type PlayedChannel } from './playNight.ts'
import type { StudioAtFirst } from './rehearsedStudio.ts'
import { triggerFiguresOf, type TriggerFigures } from './triggerFigures.ts'
import { viewerWaitsOf, type ViewerWaits } from './viewerWaits.ts'

/** A box as it is rehearsed. */
export interface SideBox {
  boxId: string
  document: BoxDocument
  /** How it behaves; null: one after another. */
  policy: BoxPolicy | null
  /** Whether the night is played through it; else it is only known to run sheets that play something there. */
  isPlayed: boolean
}

/** The boxes of a channel as they would be on air. */
export interface Side {
  boxes: readonly SideBox[]
}

/** What of a channel a night meets, beside its boxes. */
export type RehearsedChannel = Omit<ChannelOnAir, 'historyKinds' | 'boxes' | 'boards'>

export interface RehearsalWish {
  studio: StudioAtFirst
  /** What every viewer has of the channel's points when the night begins. */
  startPoints: number
}

/** A box that was played, with what it decided. */
export interface RehearsedBox extends NightBox {
  document: BoxDocument
}

/** A night played through a side. */
export interface Rehearsed {
  night: Night
  side: Side
  channel: ChannelOnAir
  boxes: RehearsedBox[]
  called: CalledIn
  played: PlayedChannel
  parts: BoxPart[]
  figures: NightFigures
  /** The loudest of each slot of the figures, in LUFS; null: nothing was heard. */
  loudest: (number | null)[]
  targetLufs: number
  triggers: TriggerFigures[]
  viewers: ViewerWaits[]
}

const withoutPolicy = ({ policy: _policy, ...document }: BoxDocument) => document
const isSameBox = (a: BoxDocument, b: BoxDocument) => a === b || isSame(withoutPolicy(a), withoutPolicy(b))

/**
 * Plays a night through the boxes of a channel: what they decide, what viewers set off, and what becomes of all of it, by the same
 * pure steps as on air. Pure.
 * @param known rehearsals of the same night, channel and wish: how a box behaves does not change what it decides, and what was
 *   decided is not decided again
 * @param onTold told now and then how much is decided, from 0 to 1
 */
export function rehearse(
  night: Night,
  side: Side,
  own: RehearsedChannel,
  wish: RehearsalWish,
  known: readonly Rehearsed[] = [],
  onTold: (share: number) => void = () => undefined,
): Rehearsed {
  const channel: ChannelOnAir = {
    ...own,
    historyKinds: historyKindsOf(side.boxes.map(({ document }) => document)),
    boxes: side.boxes.map(({ boxId, document }) => ({ boxId, version: { id: boxId, document } })),
    boards: [],
  }
  const played = side.boxes.filter(({ isPlayed }) => isPlayed)
  const boxes = played.map(({ boxId, document, policy }, index): RehearsedBox => {
    const same = known
      .flatMap((each) => each.boxes)
      .find((each) => each.boxId === boxId && isSameBox(each.document, document))
    const tell = (count: number) => onTold((index + count / Math.max(1, night.events.length)) / played.length)
    return {
      ...{ boxId, document, policy: policy ? readyPolicy(policy) : plainPolicy },
      decided: same?.decided ?? decideNight(night, channel, { boxId, version: { id: boxId, document } }, tell),
      lengthOf: same?.lengthOf ?? lengthsOf(night, channel, document),
    }
  })
  const isAlike = (other: Rehearsed) =>
    other.side.boxes.length === side.boxes.length &&
    other.side.boxes.every((each, at) => {
      const box = side.boxes[at]
      return each.boxId === box?.boxId && isSameBox(each.document, box.document)
    })
  const alike = known.find(isAlike)
  const called: CalledIn = {
    ...wish,
    channel,
    moments: alike?.called.moments ?? callsOfNight(night, channel),
    plans: alike?.called.plans ?? new Map(),
  }
  return toldOf({ night, side, channel, boxes, called }, playChannel(night, boxes, { timeZone: own.timeZone, called }))
}

/** The same with another policy for one of its boxes: only the figures, as whoever tries many needs them. */
export function figuresUnder(rehearsed: Rehearsed, boxId: string, policy: BoxPolicy): NightFigures {
  const { night, boxes, called, channel } = rehearsed
  const other = boxes.map((box) => (box.boxId === boxId ? { ...box, policy: readyPolicy(policy) } : box))
  const played = playChannel(night, other, { timeZone: channel.timeZone, called })
  return figuresOf(night, partsOf(other, played, channel))
}

const partsOf = (boxes: readonly RehearsedBox[], played: PlayedChannel, { triggers }: ChannelOnAir): BoxPart[] =>
  boxes.flatMap(({ boxId, decided }) => {
    const of = played.boxes.get(boxId)
    return of ? [{ items: itemsOf(boxId, decided, played.calls, triggers), played: of }] : []
  })

type Before = Pick<Rehearsed, 'night' | 'side' | 'channel' | 'boxes' | 'called'>

function toldOf(before: Before, played: PlayedChannel): Rehearsed {
  const { night, channel, boxes } = before
  const parts = partsOf(boxes, played, channel)
  const figures = figuresOf(night, parts)
  const sounds = boxes.flatMap(({ boxId }) => {
    const box = played.boxes.get(boxId)
    if (!box) return []
    const score = (play: ShownPlay) => scoreOfPlay({ ...before, played }, boxId, play)
    const caseOf = (playId: string) => caseIdOf({ ...before, played }, boxId, playId)
    return heardIn(box.shown.values(), caseOf, score, channel.media)
  })
  const alone = played.calls.sounds.flatMap(({ boxId, fromMs, untilMs, mediaId, trimDb }) => {
    const [event] = night.events
    const score = event && soundAlone({ boxId, mediaId, trimDb }, event.event, channel, fromMs)
    return score ? soundsOf(score, channel.media).map(({ lufs }) => ({ fromMs, untilMs, lufs })) : []
  })
  return {
    ...before,
    ...{ played, parts, figures },
    loudest: loudestOf([...sounds, ...alone], figures),
    targetLufs: Math.max(...boxes.map(({ document }) => targetOf(document))),
    triggers: triggerFiguresOf(
      played.calls.calls,
      channel.triggers.map(({ id }) => id),
    ),
    viewers: viewerWaitsOf(night, parts),
  }
}

/** What a play of a box is shown for, and as which case. Null: there is no such play. */
function playOf(
  { night, boxes, played }: Pick<Rehearsed, 'night' | 'boxes' | 'played'>,
  boxId: string,
  playId: string,
) {
  const sheet = played.calls.plays.get(playId)
  if (sheet) {
    const { alertId, variation } = sheet.play
    return { of: sheet as Pick<NightEvent, 'event' | 'atMs'>, alertId, variationId: variation.id }
  }
  const found = boxes.find((each) => each.boxId === boxId)?.decided[placeOfPlay(playId)]
  const facts = found?.arrival?.ticket.facts
  const of = found && night.events[found.at]
  return of && facts ? { of, alertId: facts.alertId, variationId: facts.variationId } : null
}

const caseIdOf = (of: Pick<Rehearsed, 'night' | 'boxes' | 'played'>, boxId: string, playId: string): string =>
  playOf(of, boxId, playId)?.variationId ?? ''

/** How a play of a night is shown, its voices aside. Null: it cannot be. */
export function scoreOfPlay(
  rehearsed: Pick<Rehearsed, 'night' | 'boxes' | 'played' | 'channel'>,
  boxId: string,
  play: ShownPlay,
): ResolvedScore | null {
  const found = playOf(rehearsed, boxId, play.playId)
  const document = rehearsed.boxes.find((each) => each.boxId === boxId)?.document
  if (!found || !document) return null
  const { of, ...shown } = found
  return (
    shownScore(shown, play, { event: of.event, receivedAtMs: of.atMs, document, channel: rehearsed.channel })?.score ??
    null
  )
}

/** The boxes whose documents run sheets of a channel have to know. */
export const boxesOfSheets = ({ triggers }: Pick<RehearsedChannel, 'triggers'>): Set<string> =>
  new Set(triggers.flatMap(boxesPlayed))
