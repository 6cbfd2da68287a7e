// Steps of a box's queue a second, with so many waiting, under the usual policy and the share of airtime. Beside it a line
// that is an array, sorted by the same rank and copied with each change, as one would write a pure step by hand.
import { readyPolicy, usualPolicy, type BoxPolicy } from '../core/queue/policy.ts'
import { rankOf, priorityOf } from '../core/queue/rules/order.ts'
import { emptyQueue, type QueueInput } from '../core/queue/state.ts'
import type { Ticket } from '../core/queue/ticket.ts'
import { step } from '../core/queue/step.ts'
import { plainFacts } from '../test/arrange/policyNight.ts'
import { report, type Measured } from './report.ts'
import { whole } from './timing.ts'

const policy: BoxPolicy = usualPolicy.map((each) => (each.rule === 'airtime' ? { ...each, isOn: true } : each))
const ready = readyPolicy([...policy, { rule: 'room', isOn: true, atMost: 100_000 }])
const kinds = ['follow', 'tip', 'raid', 'applause'] as const

const ticketAt = (at: number, enqueuedAtMs: number): Ticket => ({
  playId: `play-${String(at).padStart(10, '0')}`,
  enqueuedAtMs,
  lengthMs: 5000,
  facts: { ...plainFacts, kind: kinds[at % kinds.length] ?? 'follow', amount: (at * 37) % 5000, several: null },
})

/** Plays come and go, one for one, while as many wait: six steps for each. */
function stepsPerSecond(waiting: number): number {
  let nowMs = 1_000_000
  const take = (input: QueueInput) => {
    state = step(state, input, nowMs, ready).state
  }
  let state = emptyQueue
  take({ type: 'enqueued', tickets: Array.from({ length: waiting }, (_, at) => ticketAt(at, nowMs)) })
  take({ type: 'sourceJoined', sourceId: 'a', shownPlayIds: [] })
  let came = waiting
  let steps = 0
  const one = () => {
    const playId = state.current?.ticket.playId ?? ''
    const progressed = (progress: 'ready' | 'started' | 'done') =>
      take({ type: 'sourceProgress', sourceId: 'a', playId, progress })
    take({ type: 'enqueued', tickets: [ticketAt(came++, nowMs)] })
    progressed('ready')
    progressed('started')
    nowMs += 5
    progressed('done')
    take({ type: 'measured', playId: `play-${String(came - 1).padStart(10, '0')}`, lengthMs: 5200 })
    nowMs += 60_000
    take({ type: 'ticked' })
    steps += 6
    // So that nothing grows old while a minute goes by for each.
    nowMs -= 60_005
    state = { ...state, freeAtMs: 0, aired: [] }
    if (!state.current) take({ type: 'ticked' })
  }
  for (let at = 0; at < 300; at++) one()
  steps = 0
  const beganMs = performance.now()
  while (performance.now() - beganMs < 1500) for (let at = 0; at < 50; at++) one()
  return (steps * 1000) / (performance.now() - beganMs)
}

/** The same coming and going in a sorted array: three of the six steps touch the line. */
function arraysPerSecond(waiting: number): number {
  const rank = (ticket: Ticket) => rankOf(ticket.enqueuedAtMs, priorityOf(ticket.facts ?? null, ready.orders))
  let line = Array.from({ length: waiting }, (_, at) => ticketAt(at, 1_000_000)).sort((a, b) => rank(a) - rank(b))
  let came = waiting
  let steps = 0
  const one = () => {
    line = [...line, ticketAt(came++, 1_000_000)].sort((a, b) => rank(a) - rank(b))
    const playId = `play-${String(came - 1).padStart(10, '0')}`
    line = line.map((each) => (each.playId === playId ? { ...each, lengthMs: 5200 } : each))
    const next = line[0]
    line = line.filter((each) => each !== next)
    steps += 6
  }
  for (let at = 0; at < 20; at++) one()
  steps = 0
  const beganMs = performance.now()
  while (performance.now() - beganMs < 1500) one()
  return (steps * 1000) / (performance.now() - beganMs)
}

const measured: Measured[] = [10, 100, 1_000, 10_000].map((waiting) => {
  const ours = stepsPerSecond(waiting)
  return {
    what: `${whole(waiting)} waiting`,
    figures: {
      'steps per second': whole(ours),
      'a step': `${(1e6 / ours).toFixed(1)} µs`,
      'a sorted array, copied': whole(arraysPerSecond(waiting)),
    },
  }
})
report('queue', measured)
