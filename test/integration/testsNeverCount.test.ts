import fc from 'fast-check'
import { expect } from 'vitest'
import { starterAlert } from '../../core/composition/starter.ts'
import { plainBox } from '../../core/composition/plainBox.ts'
import { goal as goalSchema } from '../../core/goal/schema.ts'
import type { EventKind } from '../../core/events/kinds.ts'
import { sampleEvent } from '../../core/events/sampleEvent.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import { demoCalls, demoTriggers } from '../../demo/triggers.ts'
import { bringUpToDate, reportOf } from '../../server/broadcasts/broadcasts.ts'
import { OnAirCache } from '../../server/channel/onAir.ts'
import { ViewerHistory } from '../../server/channel/viewerHistory.ts'
import { listBroadcasts } from '../../server/db/queries/broadcasts.ts'
import { addBox, publishVersion } from '../../server/db/queries/boxes.ts'
import { addGoal, addUpGoal, findGoal } from '../../server/db/queries/goals.ts'
import { listHistory, readViewer } from '../../server/db/queries/history.ts'
import { addChannel, addPerson } from '../../server/db/queries/people.ts'
import { listLedger } from '../../server/db/queries/points.ts'
import { listFlood } from '../../server/db/queries/plays.ts'
import { decideEvents, type IncomingEvent } from '../../server/ingest/decideEvents.ts'
import { keepDecided } from '../../server/ingest/keepDecided.ts'
import { onEachDatabase } from '../arrange/onEachDatabase.ts'

const startMs = Date.UTC(2026, 10, 24, 22)
const canvas = { widthPx: 1280, heightPx: 720, framesPerSecond: 60 }
const kinds = ['follow', 'tip', 'subscription', 'redemption', 'giftBatch'] as const satisfies readonly EventKind[]
const document = plainBox(
  canvas,
  kinds.map((kind) => starterAlert(kind, canvas, { pictureId: null, soundId: null })),
)
const oven = goalSchema.parse({
  ...{ id: 'oven', title: 'New oven fund', measure: { of: 'money', kinds: ['tip'] }, sources: null, startAmount: 0 },
  ...{ target: 1_000_000, stretches: [], fromMs: startMs, untilMs: null, then: { do: 'stop' } },
})

interface Step {
  kind: (typeof kinds)[number]
  viewer: number
  amountMinor: number
  isTest: boolean
  afterMs: number
}
const steps: fc.Arbitrary<Step[]> = fc.array(
  fc.record({
    kind: fc.constantFrom(...kinds),
    viewer: fc.nat(3),
    amountMinor: fc.integer({ min: 1, max: 9_999 }),
    isTest: fc.boolean(),
    afterMs: fc.oneof(fc.nat(20_000), fc.nat(6 * 3_600_000)),
  }),
  { minLength: 1, maxLength: 20 },
)

onEachDatabase('tests', ({ db, whereHere }) => {
  let count = 0

  /** All that is ever counted of a channel in which this happens. */
  async function counted(given: readonly (Step & { atMs: number })[]) {
    const channelId = `c${count++}`
    const boxId = `box-${channelId}`
    await addChannel(db(), {
      ...{ id: channelId, name: 'Lantern Loaf', locale: 'en-IE', timeZone: 'UTC', currency: 'EUR', calls: demoCalls },
    })
    await addPerson(db(), {
      id: `p-${channelId}`,
      email: `${channelId}@x.example`,
      name: 'Odalys Fenn',
      passwordHash: 'x',
    })
    await addBox(db(), {
      id: boxId,
      channelId,
      name: 'Night counter',
      draft: document,
      sourceToken: `src-${channelId}`,
    })
    const publishedAt = new Date(startMs)
    await publishVersion(db(), { id: `v-${channelId}`, boxId, document, publishedAt, publishedBy: `p-${channelId}` })
    await addGoal(db(), channelId, oven)
    const read = await new OnAirCache(db()).read(channelId)
    const onAir = { ...read, triggers: demoTriggers(() => '') }
    const history = new ViewerHistory(db())
    const runs: unknown[] = []
    const previous: unknown[] = []
    for (const { kind, viewer, amountMinor, isTest, atMs } of given) {
      const sample = sampleEvent(kind).data
      const data = { ...sample, viewer: { id: `v${viewer}`, name: `pip_rye ${viewer}` } } as CanonicalEvent['data']
      const incoming: IncomingEvent = {
        ...{ kind, isTest, source: 'feed:f', externalId: `e-${atMs}`, occurredAtMs: atMs },
        data: 'amountMinor' in data ? { ...data, amountMinor } : data,
      }
      const before = await history.previousOf(channelId, [incoming], new Set(kinds))
      const decided = decideEvents({
        ...{ channelId, onAir, incoming: [incoming], onlyBoxId: null, feed: null, previous: before, pretended: null },
        nowMs: atMs,
      })
      if (isTest) expect(decided.rows).toMatchObject({ runs: [], earned: [], counted: [] })
      else {
        runs.push(...decided.rows.runs.map(({ triggerId, viewerId }) => [triggerId, viewerId]))
        previous.push(before)
      }
      await keepDecided(db(), [decided])
    }
    const endMs = startMs + 1_000 * 3_600_000
    await bringUpToDate(db(), channelId, endMs)
    const broadcasts = await listBroadcasts(db(), channelId)
    const kept = (await findGoal(db(), channelId, oven.id))?.sum
    await addUpGoal(db(), channelId, oven.id)
    return {
      ...{ runs, previous, kept },
      addedUp: (await findGoal(db(), channelId, oven.id))?.sum,
      points: (await listLedger(db(), channelId, 0, 1_000)).map(({ viewerId, change }) => [viewerId, change]),
      history: (await listHistory(db(), channelId, {}, { first: 'oldest', behind: null }, 500)).rows.map(
        ({ kind, data, occurredAt }) => [kind, data, occurredAt],
      ),
      viewers: await Promise.all([0, 1, 2, 3].map((n) => readViewer(db(), channelId, 'feed:f', `v${n}`))),
      broadcasts: broadcasts.map(({ beganAt, endedAt }) => [beganAt, endedAt]),
      reports: (await Promise.all(broadcasts.map((each) => reportOf(db(), channelId, each, read, endMs)))).map(
        ({ thanks, ...report }) => ({
          ...report,
          boxes: report.boxes.length,
          thanks: thanks.map(({ name, words }) => [name, words]),
        }),
      ),
      flood: (await listFlood(db(), boxId)).map(({ enqueuedAt }) => enqueuedAt),
    }
  }

  whereHere(
    'never count: whatever is tested, all that adds up is as if it had not been',
    async () => {
      await fc.assert(
        fc.asyncProperty(steps, async (given) => {
          let atMs = startMs
          const timed = given.map((step) => ({ ...step, atMs: (atMs += step.afterMs + 1) }))
          const withTests = await counted(timed)
          const without = await counted(timed.filter(({ isTest }) => !isTest))
          expect(withTests).toEqual(without)
          expect(withTests.kept).toBe(withTests.addedUp)
        }),
        { numRuns: 20 },
      )
    },
    120_000,
  )
})
