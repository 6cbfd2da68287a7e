import { byText } from '../byText.ts'
import type { EventKind } from '../events/kinds.ts'
import { spreadOf, type Spread } from './spread.ts'
import { outcomes, type Outcome } from '../response/outcome.ts'

/** How something that happened was shown in one box. */
export interface ReportPlay {
  boxId: string
  outcome: Outcome | null
  enqueuedMs: number
  /** Null: it never began. */
  startedMs: number | null
  endedMs: number | null
}

/** Something that happened in a broadcast; no test. */
export interface ReportEvent {
  eventId: string
  kind: EventKind
  atMs: number
  viewer: { key: string; name: string } | null
  /** In minor units of the channel's currency; null: no money, or none whose worth is known. */
  minor: number | null
  /** Subscriptions that were given away with it. */
  gifts: number
  /** What the viewer wrote; empty: nothing. */
  words: string
  detail: string
  plays: readonly ReportPlay[]
}

export type Waits = { kind: EventKind } & Spread

export interface Giver {
  key: string
  name: string
  minor: number
  gifts: number
}

export interface Thanks {
  eventId: string
  name: string
  detail: string
  words: string
  atMs: number
}

/** What became of a broadcast. Times are in milliseconds, slots of equal length from its begin on. */
export interface BroadcastReport {
  count: number
  slotMs: number
  kinds: { kind: EventKind; count: number; perSlot: number[] }[]
  outcomes: { outcome: Outcome; count: number }[]
  /** From when something came until it began to play, of all boxes. */
  waits: Waits[]
  boxes: { boxId: string; shownMs: number; shareOfSlot: number[] }[]
  minor: number
  gifts: number
  /** Of money, and of subscriptions for others: each a list of its own, for nobody can say what the one is worth in the other. */
  givers: Giver[]
  gifters: Giver[]
  thanks: Thanks[]
}

const quarterMs = 15 * 60_000
/** Slots are an hour; of what was short, less. */
export const slotOf = (lengthMs: number): number => {
  if (lengthMs <= 8 * quarterMs) return quarterMs / 3
  return lengthMs <= 24 * quarterMs ? quarterMs : 4 * quarterMs
}
const giversMost = 10
const thanksMost = 300

/** Gathers a report event by event: needs room for the waits, whatever else there is. */
export class ReportMaker {
  private count = 0
  private minor = 0
  private gifts = 0
  private readonly slots: number
  private readonly slotMs: number
  private readonly kinds = new Map<EventKind, number[]>()
  private readonly ends = new Map<Outcome, number>()
  private readonly waits = new Map<EventKind, number[]>()
  private readonly shown = new Map<string, number[]>()
  private readonly givers = new Map<string, Giver>()
  private readonly thanks: Thanks[] = []

  constructor(
    private readonly beganMs: number,
    private readonly untilMs: number,
  ) {
    this.slotMs = slotOf(untilMs - beganMs)
    this.slots = Math.max(1, Math.ceil((untilMs - beganMs) / this.slotMs))
  }

  add(event: ReportEvent): void {
    const { kind, atMs, viewer, minor, gifts, words, plays } = event
    this.count += 1
    const slot = Math.min(this.slots - 1, Math.max(0, Math.floor((atMs - this.beganMs) / this.slotMs)))
    const perSlot = this.kinds.get(kind) ?? this.empty()
    this.kinds.set(kind, perSlot)
    perSlot[slot] = (perSlot[slot] ?? 0) + 1
    this.minor += minor ?? 0
    this.gifts += gifts
    if (viewer && ((minor ?? 0) > 0 || gifts > 0)) {
      const giver = this.givers.get(viewer.key) ?? { ...viewer, minor: 0, gifts: 0 }
      this.givers.set(viewer.key, { ...giver, minor: giver.minor + (minor ?? 0), gifts: giver.gifts + gifts })
    }
    if (words !== '' && viewer)
      this.thanks.push({ eventId: event.eventId, name: viewer.name, detail: event.detail, words, atMs })
    for (const play of plays) this.addPlay(kind, play)
  }

  private addPlay(kind: EventKind, { boxId, outcome, enqueuedMs, startedMs, endedMs }: ReportPlay): void {
    if (outcome) this.ends.set(outcome, (this.ends.get(outcome) ?? 0) + 1)
    if (startedMs === null || outcome === 'merged') return
    const waits = this.waits.get(kind) ?? []
    this.waits.set(kind, waits)
    waits.push(Math.max(0, startedMs - enqueuedMs))
    const shown = this.shown.get(boxId) ?? this.empty()
    this.shown.set(boxId, shown)
    // What lasts from one slot into the next counts in both, each its part.
    const until = Math.min(endedMs ?? startedMs, this.untilMs)
    for (let from = Math.max(startedMs, this.beganMs); from < until;) {
      const slot = Math.floor((from - this.beganMs) / this.slotMs)
      const next = Math.min(until, this.beganMs + (slot + 1) * this.slotMs)
      shown[slot] = (shown[slot] ?? 0) + next - from
      from = next
    }
  }

  done(): BroadcastReport {
    const { count, slotMs, minor, gifts } = this
    return {
      ...{ count, slotMs, minor, gifts },
      kinds: [...this.kinds]
        .map(([kind, perSlot]) => ({ kind, count: sum(perSlot), perSlot }))
        .sort((a, b) => b.count - a.count),
      outcomes: outcomes.flatMap((outcome) => {
        const many = this.ends.get(outcome)
        return many === undefined ? [] : [{ outcome, count: many }]
      }),
      waits: [...this.waits].map(([kind, all]) => ({ kind, ...spreadOf(all) })).sort((a, b) => b.count - a.count),
      boxes: [...this.shown].map(([boxId, perSlot]) => ({
        boxId,
        shownMs: sum(perSlot),
        shareOfSlot: perSlot.map((ms, slot) => ms / this.lengthOf(slot)),
      })),
      givers: this.mostOf('minor'),
      gifters: this.mostOf('gifts'),
      thanks: [...this.thanks].sort((a, b) => a.atMs - b.atMs).slice(0, thanksMost),
    }
  }

  private mostOf(what: 'minor' | 'gifts'): Giver[] {
    return [...this.givers.values()]
      .filter((each) => each[what] > 0)
      .sort((a, b) => b[what] - a[what] || byText(a.name, b.name))
      .slice(0, giversMost)
  }
  /** The last slot ends with the broadcast. */
  private lengthOf(slot: number): number {
    return Math.max(1, Math.min(this.slotMs, this.untilMs - this.beganMs - slot * this.slotMs))
  }
  private empty(): number[] {
    return Array.from({ length: this.slots }, () => 0)
  }
}

const sum = (numbers: readonly number[]) => numbers.reduce((total, each) => total + each, 0)
