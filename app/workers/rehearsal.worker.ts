import { readCloudEvent } from '../../contract/cloudEvent.ts'
import type { NightChannel } from '../../contract/nights.ts'
import type { BoxDocument } from '../../core/composition/box.ts'
import { describeEvent } from '../../core/events/describeEvent.ts'
import type { EventKind } from '../../core/events/kinds.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import { isSame } from '../../core/isSame.ts'
import { readyPolicy, plainPolicy, type BoxPolicy } from '../../core/queue/policy.ts'
import { advise, changesFor, type Advice } from '../../core/rehearsal/advise.ts'
import { decideNight, lengthsOf, playIdOf, type DecidedEvent } from '../../core/rehearsal/decideNight.ts'
import { figuresOf, judgedBy, thinned, type NightFigures } from '../../core/rehearsal/figures.ts'
import { makeNight } from '../../core/rehearsal/makeNight.ts'
import { nearestTo, nightOf, type Night, type NightEvent } from '../../core/rehearsal/night.ts'
import { playNight, type PlayedNight } from '../../core/rehearsal/playNight.ts'
import { dialledNight, longQueue, type NightDials } from '../../core/rehearsal/readyNights.ts'
import type { Ticket } from '../../core/queue/ticket.ts'
import type { Outcome } from '../../core/response/outcome.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import { scoreFor } from '../../core/response/scoreFor.ts'
import { historyKindsOf } from '../../core/rules/historyKinds.ts'
import type { Why } from '../../core/rules/why.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'

/** Which night is rehearsed. `file`: NDJSON of CloudEvents, one a line. */
export type NightChoice =
  | { is: 'longQueue'; beginMs: number }
  | { is: 'dials'; beginMs: number; dials: NightDials }
  | { is: 'file'; text: string }

/** One side of what is compared: a box as it decides, and how it behaves. `policy` null: one after another. */
export interface Side {
  document: BoxDocument
  policy: BoxPolicy | null
}

export type RehearsalQuestion =
  | { ask: 'night'; night: NightChoice; channel: NightChannel }
  | { ask: 'sides'; a: Side; b: Side }
  | { ask: 'advice'; targetMs: number }
  /** What became of one of the night's events. */
  | { ask: 'look'; at: number }
  /** The same of what came nearest to a moment. */
  | { ask: 'lookNear'; atMs: number }

export interface NightFacts {
  count: number
  fromMs: number
  untilMs: number
  repeated: number
  tests: number
}

export interface LookedSide {
  decided: string
  why: Why | null
  outcome: Outcome | null
  reason: string
  /** Null: it never began. */
  lateMs: number | null
  variationName: string
}

export interface Looked {
  at: number
  kind: EventKind
  atMs: number
  name: string
  detail: string
  a: LookedSide
  b: LookedSide
  /** As the draft would show it, and how large; null: it shows nothing. */
  score: ResolvedScore | null
}

export type RehearsalAnswer =
  | { told: 'progress'; words: string; share: number }
  | { told: 'night'; night: NightFacts }
  | { told: 'figures'; a: NightFigures; b: NightFigures; tookMs: number }
  | { told: 'advice'; advice: Advice; tookMs: number }
  | { told: 'looked'; looked: Looked | null }
  | { told: 'refused'; reason: string }

/** More dots than that nobody tells apart. */
const dotsMost = 900
const tell = (answer: RehearsalAnswer) => self.postMessage(answer)

interface Rehearsed {
  side: Side
  decided: DecidedEvent[]
  lengthOf: (ticket: Ticket) => number | null
  played: PlayedNight
  figures: NightFigures
}
let night: Night = nightOf([])
let channel: ChannelOnAir | null = null
let sides: { a: Rehearsed; b: Rehearsed } | null = null

self.addEventListener('message', ({ data }: MessageEvent<RehearsalQuestion>) => {
  try {
    answer(data)
  } catch (error) {
    tell({ told: 'refused', reason: error instanceof Error ? error.message : 'The night cannot be rehearsed.' })
  }
})

function answer(question: RehearsalQuestion): void {
  switch (question.ask) {
    case 'night': {
      sides = null
      channel = { ...question.channel, flags: () => false, historyKinds: new Set(), boxes: [], boards: [] }
      night = nightOf(eventsOf(question.night, question.channel))
      const { events, fromMs, untilMs, repeated, tests } = night
      return tell({ told: 'night', night: { count: events.length, fromMs, untilMs, repeated, tests } })
    }
    case 'sides':
      return compare(question)
    case 'advice':
      return sides ? adviseFor(sides.b, question.targetMs) : undefined
    case 'look':
      return tell({ told: 'looked', looked: lookAt(question.at) })
    case 'lookNear':
      return tell({ told: 'looked', looked: lookAt(nearestTo(night, question.atMs)) })
  }
}

function eventsOf(choice: NightChoice, { currency, platforms }: NightChannel): NightEvent[] {
  if (choice.is === 'file') return linesOf(choice.text)
  const [first = 'feed:made-up', ...others] = Object.keys(platforms)
  const place = { beginMs: choice.beginMs, currency, sources: [first, ...others] }
  const made = choice.is === 'dials' ? dialledNight(choice.dials, place) : longQueue(place)
  return makeNight(made).map((event) => ({ event, atMs: event.occurredAtMs }))
}

/** @throws with the line that does not fit */
function linesOf(text: string): (NightEvent & { isTest: boolean })[] {
  const lines = text.split('\n')
  return lines.flatMap((line, at) => {
    if (at % 1_000 === 0) tell({ told: 'progress', words: 'Reading the file', share: at / lines.length })
    if (line.trim() === '') return []
    const fault = (words: string) => new Error(`Line ${at + 1}: ${words}.`)
    let raw: unknown
    try {
      raw = JSON.parse(line)
    } catch {
      throw fault('it is no CloudEvent in JSON. A night is a file with one on each line, as History saves it')
    }
    const read = readCloudEvent(raw)
    if (!read.ok) throw fault(`${read.error[0]?.path} ${read.error[0]?.message}`)
    const { occurredAtMs, receivedAtMs, isTest, ...of } = read.value
    if (occurredAtMs === null) throw fault('it does not say when it happened')
    // Its kind and its data were checked against each other.
    return [{ event: { ...of, occurredAtMs } as CanonicalEvent, atMs: receivedAtMs ?? occurredAtMs, isTest }]
  })
}

const readied = (policy: BoxPolicy | null) => (policy ? readyPolicy(policy) : plainPolicy)
const withoutPolicy = ({ policy: _policy, ...document }: BoxDocument) => document

function compare({ a, b }: { a: Side; b: Side }): void {
  if (!channel) return
  const own = channel
  const beganMs = performance.now()
  /** How a box behaves does not change what it decides: that is asked once. */
  const known = [sides?.a, sides?.b].flatMap((each) => each ?? [])
  const rehearse = (side: Side, words: string): Rehearsed => {
    const same = known.find((each) => isSame(withoutPolicy(each.side.document), withoutPolicy(side.document)))
    const { document } = side
    const onAir = { ...own, historyKinds: historyKindsOf([document]) }
    const box = { boxId: 'rehearsed', version: { id: 'rehearsed', document } }
    const decided =
      same?.decided ??
      decideNight(night, onAir, box, (at) => tell({ told: 'progress', words, share: at / night.events.length }))
    const lengthOf = same?.lengthOf ?? lengthsOf(night, onAir, document)
    const played = playNight(decided, readied(side.policy), { timeZone: own.timeZone, lengthOf })
    const made = { side, decided, lengthOf, played, figures: figuresOf(night, decided, played) }
    known.push(made)
    return made
  }
  sides = { a: rehearse(a, 'Deciding about each event'), b: rehearse(b, 'Deciding once more, as the draft would') }
  const thin = (figures: NightFigures) => ({ ...figures, late: thinned(figures.late, dotsMost) })
  tell({
    told: 'figures',
    ...{ a: thin(sides.a.figures), b: thin(sides.b.figures), tookMs: performance.now() - beganMs },
  })
}

function adviseFor({ side, decided, lengthOf }: Rehearsed, targetMs: number): void {
  const beganMs = performance.now()
  const policy = side.policy ?? []
  const advice = advise(
    policy,
    changesFor(policy, decided),
    targetMs,
    (tried) =>
      judgedBy(
        figuresOf(
          night,
          decided,
          playNight(decided, readyPolicy(tried), { timeZone: channel?.timeZone ?? 'UTC', lengthOf }),
        ),
      ),
    (tried, most) =>
      tell({ told: 'progress', words: `Trying policies, ${tried} of at most ${most}`, share: tried / most }),
  )
  tell({ told: 'advice', advice, tookMs: performance.now() - beganMs })
}

function lookAt(at: number): Looked | null {
  const found = night.events[at]
  if (!found || !sides || !channel) return null
  const { event, atMs } = found
  const sideOf = ({ decided, played }: Rehearsed): LookedSide => {
    const of = decided[at]
    const end = played.ends.get(playIdOf(at))
    const shown = played.shown.get(end?.into ?? playIdOf(at))
    return {
      ...{ decided: of?.decided ?? '', why: of?.why ?? null, variationName: of?.variationName ?? '' },
      outcome: end?.outcome ?? of?.settled?.outcome ?? null,
      reason: end?.reason ?? of?.settled?.reason ?? '',
      lateMs: shown ? Math.max(0, shown.fromMs - atMs) : null,
    }
  }
  const { document } = sides.b.side
  const variationId = sides.b.decided[at]?.variationId
  const variation = document.alerts.flatMap(({ variations }) => variations).find(({ id }) => id === variationId)
  const isShort = sides.b.played.shown.get(playIdOf(at))?.isShort ?? false
  const score = variation ? scoreFor({ event, receivedAtMs: atMs, document, variation, channel, isShort }) : null
  const { name, detail } = describeEvent(event, channel.locale)
  return {
    ...{ at, kind: event.kind, atMs, name, detail, a: sideOf(sides.a), b: sideOf(sides.b) },
    score: score?.ok ? score.value : null,
  }
}
