import { spreadOf, type Spread } from '../broadcast/spread.ts'
import type { EventKind } from '../events/kinds.ts'
import type { Outcome } from '../response/outcome.ts'
import type { Judged } from './advise.ts'
import type { NightItem } from './itemsOf.ts'
import type { Night } from './night.ts'
import type { PlayedNight } from './playNight.ts'

/** What became of an event of a night, in the order in which a picture piles it up. */
export const fates = ['shown', 'merged', 'letGo', 'refused', 'nothing'] as const
export type Fate = (typeof fates)[number]

const fateOf = (outcome: Outcome | null): Fate => {
  if (outcome === 'played') return 'shown'
  if (outcome === 'merged') return 'merged'
  return outcome === null || outcome === 'off' ? 'nothing' : 'letGo'
}

/** How late one alert began. */
export interface LateDot {
  /** Which of the night's events. */
  at: number
  atMs: number
  lateMs: number
}

/** A night under one policy, in figures. Slots are of equal length, from the night's begin on. */
export interface NightFigures {
  fromMs: number
  slotMs: number
  slots: number
  /** How many came in each slot, by what became of them. */
  arrivals: Record<Fate, number[]>
  /** How much of each slot the screen was taken, from 0 to 1. */
  screen: number[]
  /** The most that waited in each slot. */
  waiting: number[]
  counts: Record<Fate, number>
  /** Alerts that were shown at their short end. */
  shortened: number
  /** From when something came until it began, of all that began. */
  all: Spread
  kinds: ({ kind: EventKind } & Spread)[]
  late: LateDot[]
  /** The ten minutes in which the screen was taken most. */
  busiest: { fromMs: number; untilMs: number; share: number }
  overAtMs: number
}

const slotLengths = [10_000, 30_000, 60_000, 180_000, 300_000, 600_000, 1_800_000, 3_600_000]
const slotsMost = 150
const busiestMs = 600_000

/** How long the slots of a night are. */
const slotOf = (lengthMs: number): number =>
  slotLengths.find((each) => lengthMs / each <= slotsMost) ?? Math.ceil(lengthMs / slotsMost)

/** What became of all that came in a box. */
export interface BoxPart {
  items: readonly NightItem[]
  played: PlayedNight
}

const noFates = <T>(of: () => T): Record<Fate, T> => ({
  ...{ shown: of(), merged: of(), letGo: of(), refused: of(), nothing: of() },
})

/**
 * The figures of a night, of one box or of several together: what came counts in each of them, and the screen is taken while any
 * of them takes it. Linear in its events and slots, but for putting waits and plays in order.
 */
export function figuresOf(night: Night, parts: readonly BoxPart[]): NightFigures {
  const { fromMs } = night
  const overAtMs = Math.max(fromMs, ...parts.map(({ played }) => played.overAtMs))
  const untilMs = Math.max(night.untilMs, overAtMs) + 1
  const slotMs = slotOf(untilMs - fromMs)
  const slots = Math.max(1, Math.ceil((untilMs - fromMs) / slotMs))
  const empty = () => Array.from({ length: slots }, () => 0)
  const slotAt = (atMs: number) => Math.min(slots - 1, Math.max(0, Math.floor((atMs - fromMs) / slotMs)))
  const add = (list: number[], slot: number, by: number) => (list[slot] = (list[slot] ?? 0) + by)

  const arrivals: NightFigures['arrivals'] = noFates(empty)
  const counts: NightFigures['counts'] = noFates(() => 0)
  const waits = new Map<EventKind, number[]>()
  const all: number[] = []
  const late: LateDot[] = []
  let shortened = 0
  for (const { items, played } of parts)
    for (const { at, playId, isRefused } of items) {
      const of = night.events[at]
      if (!of) continue
      const own = fateOf(playId === null ? null : (played.ends.get(playId)?.outcome ?? null))
      const fate: Fate = isRefused ? 'refused' : own
      add(arrivals[fate], slotAt(of.atMs), 1)
      counts[fate] += 1
      const shown = playId === null ? undefined : played.shown.get(playId)
      if (!shown || fate === 'merged') continue
      const lateMs = Math.max(0, shown.fromMs - of.atMs)
      late.push({ at, atMs: of.atMs, lateMs })
      all.push(lateMs)
      const ofKind = waits.get(of.event.kind) ?? []
      waits.set(of.event.kind, ofKind)
      ofKind.push(lateMs)
      if (shown.isShort) shortened += 1
    }
  if (parts.length > 1) late.sort((a, b) => a.at - b.at)

  const taken = empty()
  for (const [began, ended] of takenOf(parts)) {
    // What lasts from one slot into the next counts in both, each its part.
    for (let from = Math.max(began, fromMs); from < ended;) {
      const slot = slotAt(from)
      const next = slot === slots - 1 ? ended : Math.min(ended, fromMs + (slot + 1) * slotMs)
      add(taken, slot, next - from)
      from = next
    }
  }
  const screen = taken.map((ms) => Math.min(1, ms / slotMs))

  return {
    ...{ fromMs, slotMs, slots, arrivals, screen, counts, shortened, late, overAtMs },
    waiting: mostWaiting(waitingIn(parts), empty(), slotAt),
    all: spreadOf(all),
    kinds: [...waits].map(([kind, times]) => ({ kind, ...spreadOf(times) })).sort((a, b) => b.count - a.count),
    busiest: busiestOf(screen, fromMs, slotMs),
  }
}

/** The stretches in which any of the boxes takes the screen, in order and without those that lie over each other. */
function takenOf(parts: readonly BoxPart[]): [fromMs: number, untilMs: number][] {
  const plays = parts.flatMap(({ played }) => [...played.shown.values()].filter(({ isBeside }) => !isBeside))
  const stretches: [number, number][] = []
  for (const { fromMs, untilMs } of plays.sort((a, b) => a.fromMs - b.fromMs)) {
    const last = stretches.at(-1)
    if (last && fromMs < last[1]) last[1] = Math.max(last[1], untilMs)
    else stretches.push([fromMs, untilMs])
  }
  return stretches
}

/** How many wait in all boxes together, whenever that changes. */
function waitingIn(parts: readonly BoxPart[]): PlayedNight['waiting'] {
  const [only, ...others] = parts
  if (only && others.length === 0) return only.played.waiting
  let count = 0
  return parts
    .flatMap(({ played: { waiting } }) =>
      waiting.map((each, at) => ({ atMs: each.atMs, more: each.count - (waiting[at - 1]?.count ?? 0) })),
    )
    .sort((a, b) => a.atMs - b.atMs)
    .map(({ atMs, more }) => ({ atMs, count: (count += more) }))
}

/** In each slot the most that waited at any moment of it. */
function mostWaiting(changes: PlayedNight['waiting'], most: number[], slotAt: (atMs: number) => number): number[] {
  let count = 0
  let slot = 0
  for (const change of changes) {
    const until = slotAt(change.atMs)
    // Until then it was as many as before, in every slot in between.
    for (; slot < until; slot++) most[slot] = Math.max(most[slot] ?? 0, count)
    most[until] = Math.max(most[until] ?? 0, count, change.count)
    count = change.count
  }
  return most
}

/** How much of a stretch the screen was taken, from 0 to 1: of whole slots. */
export function screenShare(
  { screen, slotMs, fromMs: beganMs }: NightFigures,
  fromMs: number,
  untilMs: number,
): number {
  const at = (ms: number) => Math.round((ms - beganMs) / slotMs)
  const of = screen.slice(at(fromMs), Math.max(at(fromMs) + 1, at(untilMs)))
  return of.reduce((sum, share) => sum + share, 0) / Math.max(1, of.length)
}

function busiestOf(screen: readonly number[], fromMs: number, slotMs: number): NightFigures['busiest'] {
  const width = Math.max(1, Math.min(screen.length, Math.round(busiestMs / slotMs)))
  let sum = 0
  let best = { at: 0, sum: -1 }
  screen.forEach((share, at) => {
    sum += share - (screen[at - width] ?? 0)
    if (at >= width - 1 && sum > best.sum + 1e-9) best = { at: at - width + 1, sum }
  })
  const begin = fromMs + best.at * slotMs
  return { fromMs: begin, untilMs: begin + width * slotMs, share: Math.max(0, best.sum) / width }
}

/** What a policy is judged by, of its figures. */
export const judgedBy = ({ all, counts, shortened }: NightFigures): Judged => ({
  ...{ p95Ms: all.p95Ms, merged: counts.merged, letGo: counts.letGo, shortened },
})

/**
 * So many of the dots that a picture of them stays the same: along the night, of every stretch the latest and some of the others.
 * Order is kept.
 */
export function thinned(dots: readonly LateDot[], most: number): LateDot[] {
  if (dots.length <= most) return [...dots]
  const stretches = Math.max(1, Math.floor(most / 3))
  const size = Math.ceil(dots.length / stretches)
  return Array.from({ length: Math.ceil(dots.length / size) }, (_, stretch) => {
    const of = dots.slice(stretch * size, (stretch + 1) * size)
    const latest = of.reduce((a, b) => (b.lateMs > a.lateMs ? b : a))
    const kept = new Set([of[0], latest, of[Math.floor(of.length / 2)]])
    return of.filter((each) => kept.has(each))
  }).flat()
}
