import { letGo, nextEndMs, noHolds, push, shownBy, type HoldStack } from '../sheet/holdStack.ts'

/** Something of the studio that shows one thing at a time: the programme (a scene), or a source (`shown` or `hidden`). */
export type Thing = 'programme' | `source:${string}`

/** The studio as it is known here, and what is held of it. Moments are those of the steady clock. */
export interface StudioState {
  isLinked: boolean
  /** What each thing shows, as the studio said last. Things that are not in it are not there. */
  shows: Readonly<Record<string, string>>
  holds: Readonly<Record<string, HoldStack<string>>>
  /** What the studio was asked to show and has not confirmed yet, in order. */
  asked: Readonly<Record<string, readonly string[]>>
  /** What had been asked for when a hand switched: it may still be done, and is then taken back in favour of the hand. */
  overruled: Readonly<Record<string, { asked: readonly string[]; by: string }>>
  /** What things have to show by now: what is held, or what was there before until that is confirmed. Absent: whatever they do. */
  wanted: Readonly<Record<string, string>>
}

export const noStudio: StudioState = { isLinked: false, shows: {}, holds: {}, asked: {}, overruled: {}, wanted: {} }

export type StudioInput =
  /** It is there (again), and says what all of it shows. */
  | { type: 'linked'; shows: Readonly<Record<string, string>> }
  | { type: 'gone' }
  /** It says that something shows this now: because it was asked to, or because of a hand. Null: the thing was removed. */
  | { type: 'changed'; thing: Thing; value: string | null }
  /** For a time, and then back. */
  | { type: 'held'; id: string; thing: Thing; value: string; untilMs: number }
  /** For good: as if by hand. */
  | { type: 'set'; thing: Thing; value: string }
  /** Runs were stopped: what they hold is given back at once. */
  | { type: 'stopped'; ids: readonly string[] }
  | { type: 'ticked' }

export type StudioCommand =
  | { type: 'show'; thing: Thing; value: string }
  /** It could not be asked. */
  | { type: 'unsent'; thing: Thing; value: string; reason: string }

export interface StudioResult {
  state: StudioState
  commands: StudioCommand[]
}

/**
 * One step of what is held of a studio. Pure. What shows is the topmost hold, else what was there before the first. A
 * person who switches by hand wins: what was held of that thing is given up. Holds end at their time while the studio is
 * away; what it is owed it is asked for when it is back, unless somebody has switched meanwhile. Linear in what is held.
 */
export function stepStudio(state: StudioState, input: StudioInput, nowMs: number): StudioResult {
  switch (input.type) {
    case 'linked':
      return linked(state, input.shows, nowMs)
    case 'gone':
      // What it was asked for last may have been done, or not: that is seen when it is back.
      return { state: { ...state, isLinked: false, overruled: {} }, commands: [] }
    case 'changed':
      return changed(state, input.thing, input.value)
    case 'held': {
      const { type: _type, thing, ...hold } = input
      const now = wantedOf(state, thing)
      if (now === undefined) return missing(state, thing, hold.value)
      const stack = push(holdsOf(state, thing), hold, now)
      return show({ ...state, holds: { ...state.holds, [thing]: stack } }, thing, hold.value)
    }
    case 'set': {
      const { thing, value } = input
      if (state.shows[thing] === undefined) return missing(state, thing, value)
      return show({ ...state, holds: without(state.holds, thing) }, thing, value)
    }
    case 'stopped':
      return endHolds(state, nowMs, input.ids)
    case 'ticked':
      return endHolds(state, nowMs, [])
  }
}

/** When the next hold ends; null while nothing is held. */
export function nextStudioMs({ holds }: StudioState): number | null {
  const ends = Object.values(holds).flatMap((stack) => nextEndMs(stack) ?? [])
  return ends.length === 0 ? null : Math.min(...ends)
}

const holdsOf = ({ holds }: StudioState, thing: string): HoldStack<string> => holds[thing] ?? noHolds

/** What a thing shows once the studio has done all that it was asked. */
const wantedOf = ({ wanted, shows }: StudioState, thing: string): string | undefined => wanted[thing] ?? shows[thing]

function missing(state: StudioState, thing: Thing, value: string): StudioResult {
  const reason = thing === 'programme' ? 'no studio is linked' : 'the studio has no such source'
  return { state, commands: [{ type: 'unsent', thing, value, reason }] }
}

/** Has a thing show something, where it does not already. */
function show(state: StudioState, thing: Thing, value: string): StudioResult {
  if (wantedOf(state, thing) !== value) return ask(state, thing, value)
  return { state: settled({ ...state, wanted: { ...state.wanted, [thing]: value } }, thing), commands: [] }
}

/** Asks for it; what cannot be asked for now is kept in mind. */
function ask(state: StudioState, thing: Thing, value: string): StudioResult {
  const kept = { ...state, wanted: { ...state.wanted, [thing]: value } }
  if (!state.isLinked)
    return { state: kept, commands: [{ type: 'unsent', thing, value, reason: 'the studio is away' }] }
  const asked = { ...state.asked, [thing]: [...(state.asked[thing] ?? []), value] }
  return { state: { ...kept, asked }, commands: [{ type: 'show', thing, value }] }
}

function changed(state: StudioState, thing: Thing, value: string | null): StudioResult {
  if (value === null) {
    const { shows, holds, asked, wanted } = state
    return {
      state: {
        ...state,
        shows: without(shows, thing),
        holds: without(holds, thing),
        asked: without(asked, thing),
        overruled: without(state.overruled, thing),
        wanted: without(wanted, thing),
      },
      commands: [],
    }
  }
  const shows = { ...state.shows, [thing]: value }
  const late = state.overruled[thing]
  if (late?.asked.includes(value)) {
    const asked = late.asked.slice(late.asked.indexOf(value) + 1)
    const overruled =
      asked.length > 0 ? { ...state.overruled, [thing]: { ...late, asked } } : without(state.overruled, thing)
    const taken = { ...state, shows, overruled }
    const again = state.wanted[thing] ?? late.by
    // What was asked for since then comes behind it.
    return state.asked[thing]?.at(-1) === again ? { state: taken, commands: [] } : ask(taken, thing, again)
  }
  const waiting = state.asked[thing] ?? []
  const at = waiting.indexOf(value)
  // What it was asked for, and what stood before that in the line was passed over.
  if (at !== -1) {
    const asked = { ...state.asked, [thing]: waiting.slice(at + 1) }
    return { state: settled({ ...state, shows, asked }, thing), commands: [] }
  }
  if (value === state.shows[thing]) return { state, commands: [] }
  const overruled =
    waiting.length > 0 ? { ...state.overruled, [thing]: { asked: waiting, by: value } } : state.overruled
  return {
    state: {
      ...state,
      shows,
      overruled,
      holds: without(state.holds, thing),
      asked: without(state.asked, thing),
      wanted: without(state.wanted, thing),
    },
    commands: [],
  }
}

/** Where nothing is held and it shows what it has to, it may show what it will. */
function settled(state: StudioState, thing: Thing): StudioState {
  const isDone = holdsOf(state, thing).holds.length === 0 && state.wanted[thing] === state.shows[thing]
  return isDone && (state.asked[thing] ?? []).length === 0 ? { ...state, wanted: without(state.wanted, thing) } : state
}

function endHolds(before: StudioState, nowMs: number, ids: readonly string[]): StudioResult {
  let state = before
  const commands: StudioCommand[] = []
  for (const [key, stack] of Object.entries(before.holds)) {
    const thing = key as Thing
    const left = letGo(stack, nowMs, ids)
    if (left === stack) continue
    const value = shownBy(left) ?? stack.rest
    const given = { ...state, holds: { ...state.holds, [thing]: left } }
    const result = value === null ? { state: given, commands: [] } : show(given, thing, value)
    state = result.state
    commands.push(...result.commands)
  }
  return { state, commands }
}

/** It is back: things that show what they did when it went, or what they were asked for, are given what they have to show; others a hand has switched. */
function linked(before: StudioState, shows: Readonly<Record<string, string>>, nowMs: number): StudioResult {
  const ended = endHolds({ ...before, isLinked: false }, nowMs, []).state
  let state: StudioState = { ...ended, isLinked: true, shows, asked: {}, overruled: {}, wanted: {} }
  const commands: StudioCommand[] = []
  for (const [key, value] of Object.entries(shows)) {
    const thing = key as Thing
    const wanted = ended.wanted[thing]
    // Any of what it was asked for may have been done when the link broke.
    const isAsItWas = value === before.shows[thing] || (before.asked[thing]?.includes(value) ?? false)
    if (wanted === undefined) continue
    if (!isAsItWas && value !== wanted) state = { ...state, holds: without(state.holds, thing) }
    else {
      const result = show(state, thing, wanted)
      state = settled(result.state, thing)
      commands.push(...result.commands)
    }
  }
  for (const thing of Object.keys(state.holds))
    if (shows[thing] === undefined) state = { ...state, holds: without(state.holds, thing) }
  return { state, commands }
}

function without<T>(record: Readonly<Record<string, T>>, key: string): Readonly<Record<string, T>> {
  if (!(key in record)) return record
  const rest = { ...record }
  delete rest[key]
  return rest
}
