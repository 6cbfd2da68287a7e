import { sql } from 'drizzle-orm'
import { expect, vi } from 'vitest'
import type { BoxDocument } from '../../core/composition/box.ts'
import { sampleEvent } from '../../core/events/sampleEvent.ts'
import type { BoxPolicy } from '../../core/queue/policy.ts'
import { demoBoxes } from '../../demo/scenario.ts'
import type { PlayToShow, ToSource } from '../../contract/sourceMessages.ts'
import type { Database } from '../../server/db/handle.ts'
import { publishVersion } from '../../server/db/queries/boxes.ts'
import { listExpired } from '../../server/db/queries/plays.ts'
import { decideEvents, type EarnedPlay, type IncomingEvent } from '../../server/ingest/decideEvents.ts'
import { keepDecided } from '../../server/ingest/keepDecided.ts'
import { addOneBox, serveBox } from '../arrange/boxServer.ts'
import { waitingIn } from '../arrange/queueRun.ts'
import { onEachDatabase } from '../arrange/onEachDatabase.ts'

const channelId = 'counter'
const boxId = 'box'
const personId = 'person'
const document = demoBoxes((file) => file.padEnd(64, '0'))[0]!.document
let number = 0
/** What the studio shows. */
const studio: { scene: string | null } = { scene: null }

/** One server with the counter's box on air, as it is after a start: it knows what the database knows. */
async function started(db: Database) {
  const sent: ToSource[] = []
  const { onAir, queues, runtime } = await serveBox(db, { channelId, boxId }, (message) => void sent.push(message), {
    voice: () => Promise.reject(new Error('nobody speaks here')),
    scene: () => studio.scene,
  })
  /** Keeps events and puts what they earned into the line, all at once. */
  const come = async (
    ...events: { kind: 'follow' | 'giftBatch' | 'giftRecipient' | 'tip'; data?: object; isTest?: boolean }[]
  ) => {
    const incoming = events.map(({ kind, data, isTest = false }): IncomingEvent => {
      const sample = sampleEvent(kind, 'everyday', Date.now())
      const viewer = { id: `v-${number}`, name: `viewer ${number}` }
      const { message: _unwritten, ...plain } = sample.data
      return {
        ...{ kind, isTest, source: 'feed:x', externalId: `event-${number++}`, occurredAtMs: Date.now() },
        data: { ...plain, viewer, ...data } as IncomingEvent['data'],
      }
    })
    const [kept] = await keepDecided(db, [
      decideEvents({
        ...{ channelId, incoming, onlyBoxId: null, feed: null, previous: [], pretended: null, nowMs: Date.now() },
        onAir: await onAir.read(channelId),
      }),
    ])
    queues.enqueue(kept?.plays as EarnedPlay[])
    return kept?.plays.map(({ ticket }) => ticket.playId) ?? []
  }
  const prepared = (playId: string): PlayToShow | undefined =>
    sent.flatMap((each) => (each.type === 'prepare' && each.play.playId === playId ? [each.play] : []))[0]
  /** A source that shows everything to its end at once. */
  const showAll = async () => {
    runtime().input({ type: 'sourceJoined', sourceId: 'a', shownPlayIds: [] })
    await vi.waitFor(async () => {
      const playId = runtime().state.current?.ticket.playId
      if (playId !== undefined && prepared(playId))
        for (const progress of ['ready', 'started', 'done'] as const)
          runtime().input({ type: 'sourceProgress', sourceId: 'a', playId, progress })
      expect([runtime().state.line.size, runtime().state.current]).toEqual([0, null])
    }, 25_000)
    await runtime().settled()
  }
  return { db, onAir, queues, runtime, come, showAll, prepared, stop: () => queues.close() }
}

async function putOnAir(db: Database, policy: BoxPolicy, change: (box: BoxDocument) => void = () => undefined) {
  const box = structuredClone({ ...document, policy })
  change(box)
  await publishVersion(db, {
    ...{ id: `version-${number}`, boxId, number: number++, document: box },
    ...{ publishedAt: new Date(), publishedBy: personId },
  })
}

const endsOf = async (db: Database) =>
  (
    (await db.execute(
      sql`select effect.id, effect.outcome, play.merged_into as into, play.together from effect join play on play.id = effect.id`,
    )) as unknown as { rows: { id: string; outcome: string | null; into: string | null; together: unknown }[] }
  ).rows

const wordsOf = ({ score }: PlayToShow) =>
  score.parts.flatMap((part) => ('pieces' in part ? [part.pieces.map(({ text }) => text).join('')] : []))

onEachDatabase('floods', ({ db, whereHere }) => {
  whereHere('of follows are one alert that names how many there are, also after a restart in between', async () => {
    await addOneBox(db(), { channelId, boxId, personId, draft: document })
    await putOnAir(db(), document.policy)
    const before = await started(db())
    const ids = await before.come(...Array.from({ length: 20 }, () => ({ kind: 'follow' as const })))
    const tests = await before.come({ kind: 'follow', isTest: true })
    expect(before.runtime().state.line.size).toBe(2)
    expect(before.runtime().ticketOf(ids[0]!)?.together).toEqual({ count: 20, total: null })
    await before.runtime().settled()
    await before.stop()

    const after = await started(db())
    expect(after.runtime().ticketOf(ids[0]!)).toMatchObject({ together: { count: 20, total: null }, lengthMs: 7000 })
    await after.come({ kind: 'follow' })
    expect(after.runtime().ticketOf(ids[0]!)?.together?.count).toBe(21)
    await after.showAll()
    expect(wordsOf(after.prepared(ids[0]!)!)).toContain('and 20 more join the night shift')
    const ends = await endsOf(db())
    expect(ends.filter(({ outcome }) => outcome === null)).toEqual([])
    expect(ends.filter(({ outcome }) => outcome === 'merged').map(({ into }) => into)).toEqual(
      Array.from({ length: 20 }, () => ids[0]),
    )
    expect(ends.find(({ id }) => id === ids[0])).toMatchObject({ outcome: 'played', together: { count: 21 } })
    // A test is shown by itself.
    expect(ends.find(({ id }) => id === tests[0])).toMatchObject({ outcome: 'played', into: null })
    await after.stop()
  })

  whereHere('of gifts say how many came, where that is more than was promised', async () => {
    await putOnAir(db(), document.policy, (box) => {
      // A box that would show each of them.
      const follow = structuredClone(box.alerts.find(({ id }) => id === 'follow')!)
      follow.variations = follow.variations.filter(({ isForSeveral }) => !isForSeveral)
      box.alerts.push({ ...follow, id: 'giftrecipient', kinds: ['giftRecipient'] })
    })
    const world = await started(db())
    const gifts = { groupId: `g-${number++}` }
    const [batch] = await world.come({ kind: 'giftBatch', data: { ...gifts, count: 3 } })
    const recipients = await world.come(
      ...Array.from({ length: 4 }, () => ({ kind: 'giftRecipient' as const, data: gifts })),
    )
    await world.showAll()
    expect(wordsOf(world.prepared(batch!)!)[0]).toBe('A tray of 4')
    const ends = await endsOf(db())
    for (const id of recipients)
      expect(ends.find((each) => each.id === id)).toMatchObject({ outcome: 'merged', into: batch })
    await world.stop()
  })

  whereHere(
    'that are too long for the screen are short, and another policy is in force once it is on air',
    async () => {
      await putOnAir(db(), [{ rule: 'elastic', isOn: true, waiting: 2, lastMs: null }])
      const world = await started(db())
      const [first] = await world.come({ kind: 'follow' }, { kind: 'follow' }, { kind: 'follow' })
      world.runtime().input({ type: 'sourceJoined', sourceId: 'a', shownPlayIds: [] })
      await vi.waitFor(() => expect(world.prepared(first!)).toBeDefined())
      const { score } = world.prepared(first!)!
      expect(score.lengthMs).toBeLessThan(7000)
      expect(score.remarks).toEqual([])
      expect(world.runtime().ticketOf(first!)).toMatchObject({ isShort: true, lengthMs: score.lengthMs })

      await putOnAir(db(), [{ rule: 'approve', isOn: true, kinds: ['follow'], isFlagged: false, withinMs: 60_000 }])
      world.onAir.forget(channelId)
      await vi.waitFor(() => expect(world.runtime().policy.approves).toHaveLength(1))
      const [asked] = await world.come({ kind: 'follow' })
      const [refused] = await world.come({ kind: 'follow' })
      expect(world.runtime().state.line.find(asked!)?.aside).toMatchObject({ for: 'showing' })
      const judge = (playId: string, isLet: boolean) =>
        world.queues.act(boxId, { do: 'judge', playId, isLet, by: 'Isaura Pinto' })
      // Two who say something at once are one: who comes second is told.
      expect(await Promise.all([judge(refused!, false), judge(refused!, true)])).toEqual(['done', 'unknown'])
      expect(await judge(asked!, true)).toBe('done')
      expect(await world.queues.act(boxId, { do: 'moveUp', playId: asked! })).toBe('done')
      expect(waitingIn(world.runtime().state)[0]?.playId).toBe(asked)
      expect(await world.queues.act(boxId, { do: 'moveUp', playId: first! })).toBe('unknown')
      await world.runtime().settled()
      expect((await endsOf(db())).find(({ id }) => id === refused)?.outcome).toBe('withheld')
      await world.stop()
    },
  )

  whereHere('wait while the studio shows a scene, and go on when it shows another', async () => {
    await putOnAir(db(), [
      { rule: 'quiet', isOn: true, when: { is: 'scenes', scenes: ['Back in five'] }, does: 'collect' },
    ])
    const world = await started(db())
    studio.scene = 'Back in five'
    world.queues.studioChanged(channelId)
    await vi.waitFor(() => expect(world.runtime().state.quiet).toMatchObject({ why: '“Back in five” is shown' }))
    const [playId] = await world.come({ kind: 'follow' })
    world.runtime().input({ type: 'sourceJoined', sourceId: 'a', shownPlayIds: [] })
    expect(world.runtime().state.current).toBeNull()
    // Nobody says so here: it is looked at.
    studio.scene = 'Oven cam'
    await vi.waitFor(() => expect(world.runtime().state.quiet).toBeNull(), 5_000)
    await vi.waitFor(() => expect(world.runtime().state.current).not.toBeNull())
    expect(world.runtime().ticketOf(playId!)).toBeDefined()
    await world.stop()
  })

  whereHere('are let go where they waited too long, and can be played once more, together', async () => {
    await putOnAir(db(), [
      { rule: 'age', isOn: true, kinds: null, ms: 5_000 },
      { rule: 'merge', isOn: true, kinds: ['follow'], withinMs: 10_000, below: null, isEvenWritten: false },
    ])
    const world = await started(db())
    const since = new Date(Date.now() - 1000)
    const [test] = await world.come({ kind: 'follow', isTest: true })
    const ids = await world.come({ kind: 'tip' }, { kind: 'giftBatch' })
    world.runtime().input({ type: 'sourceJoined', sourceId: 'a', shownPlayIds: [] })
    await vi.waitFor(() => expect(world.runtime().state.line.size).toBe(0), 9_000)
    await world.runtime().settled()
    const expired = await listExpired(db(), boxId, since)
    // Neither what has the screen, nor a test.
    const came = [test, ...ids]
    expect(
      expired
        .map(({ id }) => id)
        .filter((id) => came.includes(id))
        .sort(),
    ).toEqual([...ids].sort())

    // One key empties the screen; whoever was shown stays in the log.
    await world.queues.act(boxId, { do: 'panic', isOn: true, reason: 'the screen was emptied by tallowmoth' })
    expect([world.runtime().state.current, world.runtime().state.isHeld]).toEqual([null, true])
    const [kept] = await world.come({ kind: 'tip' })
    await world.queues.act(boxId, { do: 'clear', reason: 'cleared by tallowmoth' })
    expect(world.runtime().state.line.size).toBe(0)
    await world.queues.act(boxId, { do: 'putBack' })
    expect(waitingIn(world.runtime().state).map(({ playId }) => playId)).toEqual([kept])
    await world.queues.act(boxId, { do: 'panic', isOn: false, reason: '' })
    expect(world.runtime().state.isHeld).toBe(false)
    await world.stop()
  })
})
