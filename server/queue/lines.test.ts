import { describe, expect, it, vi } from 'vitest'
import type { EarnedPlay } from '../ingest/decideEvents.ts'
import { Asks } from '../lanes/asks.ts'
import type { Bus } from '../lanes/bus.ts'
import type { Lanes } from '../lanes/lanes.ts'
import type { BusMessage } from '../lanes/messages.ts'
import type { BoxQueues } from './boxQueues.ts'
import { Lines } from './lines.ts'

/** A process that carries out `here`; another carries out `there`; nobody `nowhere`. */
function arrange(answer: (number: number) => unknown = () => ({ value: 'done there' })) {
  const said: { to: string | null; message: BusMessage }[] = []
  const queues = {
    find: (boxId: string) => (boxId === 'here' ? {} : undefined),
    input: vi.fn(),
    act: vi.fn(async () => 'done here'),
    enqueue: vi.fn(),
    add: vi.fn(),
    speakAhead: vi.fn(),
  }
  const lanes = {
    nodeId: 'me',
    hasOthers: true,
    ownerOf: (lane: string) => ({ 'box:here': 'me', 'channel:here': 'me', 'box:there': 'other' })[lane] ?? null,
    otherOwnerOf: (lane: string) => (lane === 'box:there' ? 'other' : null),
    askOwners: vi.fn(async () => undefined),
  }
  const bus = {
    publish: (message: BusMessage) => void said.push({ to: null, message }),
    send(to: string, message: BusMessage) {
      said.push({ to, message })
      if (message.type === 'ask') queueMicrotask(() => asks.heardAnswer(message.number, answer(message.number)))
    },
    inStatement: (message: BusMessage) => JSON.stringify(message),
  }
  let nowMs = 0
  const asks: Asks = new Asks({
    bus: bus as unknown as Bus,
    lanes: lanes as unknown as Lanes,
    here: (lane) => (lane === 'box:here' ? queues.act() : null),
    steadyMs: () => (nowMs += 4_000),
  })
  const lines = new Lines({
    bus: bus as unknown as Bus,
    lanes: lanes as unknown as Lanes,
    queues: queues as unknown as BoxQueues,
    asks,
  })
  return { lines, said, queues, lanes }
}
const play = (boxId: string, playId: string) =>
  ({ boxId, ticket: { playId, enqueuedAtMs: 0, lengthMs: 1 } }) as EarnedPlay

describe('the lines of boxes, wherever they are carried out', () => {
  it('are given what sources say here or there; where nobody is, it is lost', () => {
    const { lines, said, queues } = arrange()
    for (const boxId of ['here', 'there', 'nowhere']) lines.input(boxId, { type: 'sourceLeft', sourceId: 'a' })
    expect(queues.input).toHaveBeenCalledOnce()
    expect(said).toEqual([
      { to: 'other', message: { type: 'input', boxId: 'there', input: { type: 'sourceLeft', sourceId: 'a' } } },
    ])
  })
  it('have things done by their owner, and hear what came of it', async () => {
    const { lines } = arrange()
    expect(await lines.act('here', { do: 'countSources' })).toBe('done here')
    expect(await lines.act('there', { do: 'countSources' })).toBe('done there')
  })
  it('are tried for a while where they change hands, and then it is said', async () => {
    const { lines, lanes } = arrange(() => null)
    await expect(lines.act('there', { do: 'countSources' })).rejects.toMatchObject({ statusCode: 503 })
    expect(lanes.askOwners).toHaveBeenCalled()
    await expect(lines.act('nowhere', { do: 'countSources' })).rejects.toMatchObject({ statusCode: 503 })
  })
  it('wake those elsewhere with the commit, and nobody where nobody has to be woken', () => {
    const { lines } = arrange()
    expect(lines.wakeWith([play('here', 'p1')])).toBeNull()
    expect(JSON.parse(lines.wakeWith([play('here', 'p1'), play('there', 'p2')]) ?? '')).toEqual({
      type: 'wake',
      plays: [{ boxId: 'there', playId: 'p2' }],
      channels: [],
    })
  })
  it('wake whoever carries a channel out whose viewers set something off', () => {
    const { lines } = arrange()
    expect(lines.wakeWith([], ['here'])).toBeNull()
    expect(JSON.parse(lines.wakeWith([], ['here', 'there']) ?? '')).toEqual({
      type: 'wake',
      plays: [],
      channels: ['there'],
    })
  })
  it('wake once more where a lane went to another while its plays were written', () => {
    const { lines, said } = arrange()
    lines.wakeWith([play('there', 'p1')])
    lines.enqueue([play('there', 'p1'), play('there', 'p2'), play('here', 'p3')])
    expect(said).toEqual([
      { to: null, message: { type: 'wake', plays: [{ boxId: 'there', playId: 'p2' }], channels: [] } },
    ])
  })
  it('take a play that somebody wants again into the line, or wake its owner', () => {
    const { lines, said, queues } = arrange()
    lines.add('here', { playId: 'p1', enqueuedAtMs: 0, lengthMs: 1 }, true)
    lines.add('there', { playId: 'p2', enqueuedAtMs: 0, lengthMs: 1 }, false)
    expect([queues.add.mock.calls.length, queues.speakAhead.mock.calls.length]).toEqual([1, 1])
    expect(said).toEqual([
      { to: null, message: { type: 'wake', plays: [{ boxId: 'there', playId: 'p2' }], channels: [] } },
    ])
  })
})
