import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { BoxPolicy } from '../../core/queue/policy.ts'
import { playIdOf } from '../../core/rehearsal/decideNight.ts'
import { makeNight } from '../../core/rehearsal/makeNight.ts'
import { nightOf, type Night } from '../../core/rehearsal/night.ts'
import { dialledNight, inputsFor, longQueue, usualDials } from '../../core/rehearsal/readyNights.ts'
import { rehearse } from '../../core/rehearsal/rehearse.ts'
import { demoBoxes } from '../../demo/scenario.ts'
import { demoCalls, demoTriggers } from '../../demo/triggers.ts'
import { OnAirCache } from '../../server/channel/onAir.ts'
import { migrate } from '../../server/db/migrate.ts'
import { bakeryStudio, scenesOf } from '../../stand-ins/studio/studioScene.ts'
import { databases } from '../arrange/databases.ts'
import { readMigrations } from '../../server/operate/readMigrations.ts'
import { throughServer, type ServedChannel } from '../arrange/servedNight.ts'

const beginMs = Date.UTC(2026, 10, 24, 22)
const media = (file: string) => file.padEnd(64, '0')
const counter = demoBoxes(media)[0]!
const place = { beginMs, currency: 'EUR', sources: ['feed:alder', 'feed:cedar'] }
const nightFrom = (wish: Parameters<typeof makeNight>[0]): Night =>
  nightOf(makeNight(wish).map((event) => ({ event, atMs: event.occurredAtMs })))
const pressed: BoxPolicy = [
  { rule: 'gap', isOn: true, ms: 1_500 },
  { rule: 'order', isOn: true, of: [{ kind: 'raid', from: null }], steps: 2 },
  { rule: 'merge', isOn: true, kinds: ['follow', 'tip'], withinMs: 30_000, below: 1_000, isEvenWritten: false },
  { rule: 'elastic', isOn: true, waiting: 3, lastMs: null },
  { rule: 'airtime', isOn: true, percent: 40 },
  { rule: 'age', isOn: true, kinds: null, ms: 60_000 },
  { rule: 'room', isOn: true, atMost: 40 },
]

/** The same night through a server and through a rehearsal. */
async function both(night: Night, channel: ServedChannel) {
  const { handle, clean } = await databases[0]!.open()
  await migrate(handle, readMigrations())
  const real = await throughServer(handle.db, night, channel)
  const onAir = await new OnAirCache(handle.db).read('counter')
  const { document, boxId } = channel
  const { programme, scenes, sources } = scenesOf(bakeryStudio())
  const rehearsed = rehearse(night, { boxes: [{ boxId, document, policy: document.policy, isPlayed: true }] }, onAir, {
    studio: { programme, scenes, sources },
    startPoints: 0,
  })
  await clean()
  return { real, rehearsed }
}

function expectSameOutcomes(night: Night, { real, rehearsed }: Awaited<ReturnType<typeof both>>): void {
  const played = [...rehearsed.played.boxes.values()][0]!
  const idOf = (playId: string | undefined) =>
    night.events.find((_each, at) => playIdOf(at) === playId)?.event.externalId ?? null
  const served = new Map(real.outcomes.map((each) => [each.id, each]))
  expect(night.events.map(({ event }) => served.get(event.externalId))).toEqual(
    rehearsed.boxes[0]!.decided.map(({ at, settled }) => {
      const end = played.ends.get(playIdOf(at))
      return {
        id: night.events[at]?.event.externalId,
        outcome: end?.outcome ?? settled?.outcome,
        startedMs: played.shown.get(playIdOf(at))?.fromMs ?? null,
        into: idOf(end?.into),
      }
    }),
  )
}

describe('a rehearsal', () => {
  beforeEach(
    () =>
      void vi.useFakeTimers({
        now: beginMs - 1_000,
        toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'Date', 'performance'],
      }),
  )
  afterEach(() => void vi.useRealTimers())

  it.each<[string, BoxPolicy]>([
    ['as the box is', counter.document.policy],
    ['pressed', pressed],
  ])(
    'is what the server does with the same night, event by event: %s',
    async (_name, policy) => {
      const night = nightFrom(longQueue(place))
      const channel = { boxId: 'box', document: { ...counter.document, policy }, triggers: [], settings: null }
      const result = await both(night, channel)
      expect(result.real.outcomes).toHaveLength(904)
      expectSameOutcomes(night, result)
    },
    240_000,
  )

  it('lets through whom the server lets through, refuses whom it refuses, and begins their alerts when it does', async () => {
    const triggers = demoTriggers(media)
    const starts = triggers.flatMap((each) =>
      each.starts.map((start) => ({ ...start, inputs: inputsFor(each.gate.asked) })),
    )
    const rewards = starts.flatMap((start) =>
      start.by === 'reward'
        ? [{ id: start.rewardId, title: start.title, costPoints: 1, source: start.source, inputs: start.inputs }]
        : [],
    )
    const commands = starts.flatMap((start) => (start.by === 'command' ? [`!${start.word}`] : []))
    const wish = { ...usualDials, hours: 2, follows: 90, redemptions: 70, commands: 70, seed: 11 }
    const night = nightFrom(dialledNight(wish, { ...place, rewards, commands }))
    const document = { ...counter.document, policy: pressed }
    const result = await both(night, { boxId: 'box-night-counter', document, triggers, settings: demoCalls })
    expectSameOutcomes(night, result)
    const { real, rehearsed } = result
    const { calls, plays } = rehearsed.played.calls
    const shown = [...rehearsed.played.boxes.values()][0]!.shown
    expect(real.calls).toEqual(
      calls.map(({ at, triggerId, end, reason, beganMs }, index) => ({
        ...{ id: night.events[at ?? -1]?.event.externalId, triggerId, end, reason, startedMs: beganMs },
        playsMs: [...plays].flatMap(([playId, { call }]) =>
          call === index ? [shown.get(playId)?.fromMs ?? null] : [],
        ),
      })),
    )
    // It is a night in which gates have something to say.
    const ends = new Set(calls.map(({ end, refusal }) => refusal ?? end))
    for (const each of ['ran', 'cooldown', 'who'] as const) expect(ends).toContain(each)
  }, 240_000)
})
