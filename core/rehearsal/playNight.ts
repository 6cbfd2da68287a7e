import type { QueuePolicy } from '../queue/policy.ts'
import { quietAt } from '../queue/rules/quiet.ts'
import { SimulatedLane, type End, type ShownPlay } from '../queue/simulate.ts'
import type { Quiet } from '../queue/state.ts'
import type { Ticket } from '../queue/ticket.ts'
import type { ChannelOnAir } from '../response/channelOnAir.ts'
import { localMoment } from '../time/localMoment.ts'
import type { DecidedEvent, PlayedFor } from './decideNight.ts'
import type { CalledMoment } from './nightCalls.ts'
import { nothingCalled, type CarriedOut } from './rehearsedCall.ts'
import { RehearsedCalls, type PlanMemory } from './rehearsedCalls.ts'
import { RehearsedStudio, type StudioAtFirst, type StudioMoment } from './rehearsedStudio.ts'

/** What a policy makes of a night in one box. */
export interface PlayedNight {
  /** By the id of each play. */
  ends: ReadonlyMap<string, End>
  shown: ReadonlyMap<string, ShownPlay>
  /** How many waited, whenever that changed. */
  waiting: readonly { atMs: number; count: number }[]
  /** When the last of it was over. */
  overAtMs: number
}

/** A box that a night is played through. */
export interface NightBox {
  boxId: string
  decided: readonly DecidedEvent[]
  policy: QueuePolicy
  /** How long a play lasts as it is shown; see `lengthsOf`. */
  lengthOf?: ((ticket: Ticket, sheetPlay?: PlayedFor) => number | null) | undefined
}

/** What viewers of the night set off, and what that needs to be carried out. */
export interface CalledIn {
  moments: readonly CalledMoment[]
  /** With the boxes whose alerts sheets play. */
  channel: ChannelOnAir
  studio: StudioAtFirst
  /** What every viewer has of the channel's points when it begins. */
  startPoints: number
  /** Kept over several policies, so that each sheet is laid out once. */
  plans?: PlanMemory
}

/** A night in a channel: what became of it in each box, and of what viewers set off. */
export interface PlayedChannel {
  boxes: ReadonlyMap<string, PlayedNight>
  calls: CarriedOut
  studio: readonly StudioMoment[]
}

const minuteMs = 60_000
const dayMs = 24 * 60 * minuteMs

interface Lane extends NightBox {
  line: SimulatedLane
  quiet: Quiet | null
  /** When its quiet is looked at next. */
  lookMs: number
}

/**
 * Plays what boxes decided through their queues, and what viewers set off through its gates and sheets, in a time of its own: the
 * same steps as on air, one source for each box that shows everything. Nobody is at the desk: what somebody has to let through
 * is let through at once, and nothing is held. Hours of quiet are kept, and scenes of quiet while a sheet shows them.
 * Linear in what happens, and in the minutes of a night that has quiet in it.
 */
export function playChannel(
  { fromMs, untilMs }: { fromMs: number; untilMs: number },
  boxes: readonly NightBox[],
  { timeZone, called }: { timeZone: string; called?: CalledIn | null },
): PlayedChannel {
  const studio = new RehearsedStudio(called?.studio ?? { scenes: [], programme: null, sources: [] }, fromMs)
  const beside: (ShownPlay & { boxId: string })[] = []
  // Lines speak to it from the beginning on.
  let calls = null as RehearsedCalls | null
  const lanes: Lane[] = boxes.map((box) => {
    const policy = { ...box.policy, approves: [] }
    return {
      ...box,
      policy,
      line: new SimulatedLane(fromMs, policy, {
        lengthOf: (ticket) => box.lengthOf?.(ticket, calls?.plays.get(ticket.playId)) ?? null,
        onStep: (_state, commands, nowMs) => calls?.hear(commands, nowMs),
      }),
      quiet: null,
      lookMs: policy.quiets.length === 0 ? Infinity : fromMs,
    }
  })
  const laneOf = (boxId: string) => lanes.find((each) => each.boxId === boxId)
  if (called)
    calls = new RehearsedCalls({
      ...{ channel: called.channel, studio, streamMs: fromMs, startPoints: called.startPoints },
      ...(called.plans ? { plans: called.plans } : {}),
      enqueue(boxId, ticket, nowMs) {
        const lane = laneOf(boxId)
        lane?.line.follow({ type: 'enqueued', tickets: [ticket] }, nowMs)
        return lane !== undefined
      },
      beside: (boxId, playId, lengthMs, nowMs) =>
        beside.push({ boxId, playId, fromMs: nowMs, untilMs: nowMs + lengthMs, isShort: false, isBeside: true }),
    })

  const arrivals = lanes
    .flatMap((lane) => lane.decided.flatMap(({ arrival }) => (arrival ? [{ ...arrival, lane }] : [])))
    .sort((a, b) => a.atMs - b.atMs)
  const moments = called?.moments ?? []
  const lastMs = untilMs + dayMs
  const look = (lane: Lane, nowMs: number) => {
    const { minute } = localMoment(nowMs, timeZone)
    const quiet = quietAt(lane.policy.quiets, { minuteOfDay: minute, scene: studio.scene })
    const isOther = quiet?.why !== lane.quiet?.why
    lane.quiet = quiet
    const next = (Math.floor(nowMs / minuteMs) + 1) * minuteMs
    lane.lookMs = next <= lastMs ? next : Infinity
    if (isOther) lane.line.follow({ type: 'quieted', quiet }, nowMs)
  }

  let arrival = 0
  let moment = 0
  let scene = studio.scene
  for (let nowMs = fromMs; ;) {
    const coming = arrivals[arrival]
    const calling = moments[moment]
    let dueMs = Math.min(coming?.atMs ?? Infinity, calling?.atMs ?? Infinity, calls?.dueMs ?? Infinity)
    const isOver = dueMs === Infinity
    for (const { line, lookMs } of lanes) {
      // Nothing waits any more: the rest of the day may be as quiet as it likes.
      const isAtRest = isOver && line.result.state.line.size === 0 && line.dueMs === Infinity
      dueMs = Math.min(dueMs, line.dueMs, isAtRest ? Infinity : lookMs)
    }
    if (dueMs === Infinity) break
    nowMs = Math.max(nowMs, dueMs)
    const told = lanes.find(({ line }) => line.isTold(nowMs))
    const looking = lanes.find(({ lookMs }) => lookMs <= nowMs)
    // What sources say is heard first; where something comes as quiet begins, quiet has begun.
    if (told) told.line.pass()
    else if (looking) look(looking, nowMs)
    else if (coming && coming.atMs <= nowMs) {
      arrival += 1
      coming.lane.line.follow({ type: 'enqueued', tickets: [coming.ticket] }, nowMs)
    } else if (calling && calling.atMs <= nowMs) {
      moment += 1
      calls?.take(calling)
    } else if (calls && calls.dueMs <= nowMs) {
      calls.pass(nowMs)
    } else lanes.find(({ line }) => line.dueMs <= nowMs)?.line.pass()
    if (studio.scene !== scene) {
      scene = studio.scene
      for (const lane of lanes) if (lane.policy.quiets.some(({ when }) => when.is === 'scenes')) lane.lookMs = nowMs
    }
  }
  return {
    boxes: new Map(
      lanes.map(({ boxId, line }) => {
        const { ends, shown, waiting, overAtMs } = line.close()
        const own = beside.filter((each) => each.boxId === boxId)
        return [
          boxId,
          { ends, shown: new Map([...shown, ...own].map((each) => [each.playId, each])), waiting, overAtMs },
        ]
      }),
    ),
    calls: calls ?? nothingCalled,
    studio: studio.track,
  }
}

/** The same of one box, in which nobody sets anything off. */
export function playNight(
  decided: readonly DecidedEvent[],
  policy: QueuePolicy,
  { timeZone, lengthOf }: { timeZone: string; lengthOf?: NightBox['lengthOf'] },
): PlayedNight {
  const times = decided.flatMap(({ arrival }) => arrival?.atMs ?? [])
  const night = { fromMs: times[0] ?? 0, untilMs: times.at(-1) ?? 0 }
  const [played] = playChannel(night, [{ boxId: '', decided, policy, lengthOf }], { timeZone }).boxes.values()
  if (!played) throw new RangeError('a box that is played is there')
  return played
}
