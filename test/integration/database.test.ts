import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { sampleEvent, type SampleName } from '../../core/events/sampleEvent.ts'
import { starterAlert } from '../../core/composition/starter.ts'
import { OnAirCache } from '../../server/channel/onAir.ts'
import { migrate } from '../../server/db/migrate.ts'
import {
  addBox,
  countBoxes,
  findBox,
  listBoxes,
  listDraftStates,
  listPutAway,
  moveBox,
  publishDraft,
  publishVersion,
  saveDraft,
  setPutAway,
} from '../../server/db/queries/boxes.ts'
import { listEvents } from '../../server/db/queries/events.ts'
import { addFeed, findFeed, keepDelivery, listKeptDeliveries } from '../../server/db/queries/feeds.ts'
import {
  addChannel,
  addMember,
  addPerson,
  addSession,
  findPersonByEmail,
  findSession,
} from '../../server/db/queries/people.ts'
import { listOpenPlays } from '../../server/db/queries/plays.ts'
import { keepBeat, lastBeat } from '../../server/db/queries/heartbeat.ts'
import { addLinking, takeLinking } from '../../server/db/queries/linkings.ts'
import { previousTimes } from '../../server/db/queries/viewerHistory.ts'
import { ViewerHistory } from '../../server/channel/viewerHistory.ts'
import { decideEvents, type IncomingEvent } from '../../server/ingest/decideEvents.ts'
import { keepDecided } from '../../server/ingest/keepDecided.ts'
import { databases, type OpenDatabase } from '../arrange/databases.ts'
import { readMigrations } from '../../server/operate/readMigrations.ts'
import { plainBox } from '../../core/composition/plainBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const draft = plainBox(canvas, [starterAlert('follow', canvas, { pictureId: null, soundId: null })])
const follow = (externalId: string, name: SampleName = 'everyday'): IncomingEvent => ({
  ...sampleEvent('follow', name),
  externalId,
  source: 'feed:x',
  occurredAtMs: 1000,
  isTest: false,
})

describe.each(databases)('$name', ({ isHere, open }) => {
  let opened: OpenDatabase
  const db = () => opened.handle.db

  beforeAll(async () => {
    if (isHere) opened = await open()
  })
  afterAll(async () => {
    if (!isHere) return
    await opened.handle.close()
    await opened.clean()
  })

  it.runIf(isHere)('is brought up to date once, and again without harm', async () => {
    expect(await migrate(opened.handle, readMigrations())).toEqual(readMigrations().map((migration) => migration.name))
    expect(await migrate(opened.handle, readMigrations())).toEqual([])
  })

  it.runIf(isHere)('refuses a migration that was edited after it had been applied', async () => {
    const edited = readMigrations().map((migration) => ({ ...migration, sql: `${migration.sql}\n-- later` }))
    await expect(migrate(opened.handle, edited)).rejects.toThrow(/was edited after it had been applied/)
  })

  it.runIf(isHere)('leaves nothing of a migration that fails half-way', async () => {
    const broken = {
      name: '9999_broken',
      sql: 'create table half (id int);--> statement-breakpoint\ncreate tabel typo (id int)',
    }
    await expect(migrate(opened.handle, [...readMigrations(), broken])).rejects.toThrow()
    await expect(opened.handle.execute('select * from half')).rejects.toThrow()
  })

  it.runIf(isHere)('knows people, their roles and their sessions', async () => {
    await addChannel(db(), {
      id: 'channel-1',
      name: 'Lantern Loaf',
      locale: 'en-IE',
      timeZone: 'Europe/Lisbon',
      currency: 'EUR',
    })
    await addPerson(db(), {
      id: 'person-1',
      email: 'Odalys@lantern-loaf.example',
      name: 'Odalys Fenn',
      passwordHash: 'x',
    })
    await addMember(db(), 'channel-1', 'person-1', 'owner')
    expect(await findPersonByEmail(db(), 'odalys@LANTERN-loaf.example')).toMatchObject({ id: 'person-1' })
    await addSession(db(), { id: 'live', personId: 'person-1', expiresAt: new Date(Date.now() + 60_000) })
    await addSession(db(), { id: 'over', personId: 'person-1', expiresAt: new Date(Date.now() - 1) })
    expect(await findSession(db(), 'live')).toMatchObject({
      role: 'owner',
      person: { name: 'Odalys Fenn' },
      channel: { id: 'channel-1' },
    })
    expect(await findSession(db(), 'over')).toBeNull()
  })

  it.runIf(isHere)('lets only one of two editors save on the same revision', async () => {
    await addBox(db(), { id: 'box-1', channelId: 'channel-1', name: 'Night counter', draft, sourceToken: 'src1' })
    const saves = await Promise.all([saveDraft(db(), 'box-1', 0, draft), saveDraft(db(), 'box-1', 0, draft)])
    expect(saves.sort()).toEqual([false, true])
    expect(await findBox(db(), 'channel-1', 'box-1')).toMatchObject({ draftRevision: 1 })
    expect(await findBox(db(), 'another-channel', 'box-1')).toBeNull()
  })

  it.runIf(isHere)('counts the versions that went on air', async () => {
    const publish = (id: string) =>
      publishVersion(db(), { id, boxId: 'box-1', document: draft, publishedAt: new Date(), publishedBy: 'person-1' })
    expect((await publish('version-1')).number).toBe(1)
    expect((await publish('version-2')).number).toBe(2)
    expect(await findBox(db(), 'channel-1', 'box-1')).toMatchObject({ onAirVersionId: 'version-2' })
    const several = await Promise.all(['version-3', 'version-4', 'version-5'].map(publish))
    expect(several.map(({ number }) => number).sort()).toEqual([3, 4, 5])
  })

  it.runIf(isHere)('puts the draft on air that the person saw, or nothing', async () => {
    const publish = (id: string, revision: number) =>
      publishDraft(db(), { id, boxId: 'box-1', publishedAt: new Date(), publishedBy: 'person-1' }, revision)
    expect(await publish('version-6', 0)).toBeNull()
    expect(await publish('version-7', 1)).toMatchObject({ number: 6, document: draft })
    // Of two editors, one who saves and one who publishes, it never publishes what nobody saw.
    const [, published] = await Promise.all([
      saveDraft(db(), 'box-1', 1, { ...draft, look: { ...draft.look, name: 'Another' } }),
      publish('version-8', 1),
    ])
    if (published) expect(published.document).toEqual(draft)
    expect(await saveDraft(db(), 'box-1', 2, draft)).toBe(true)
  })

  it.runIf(isHere)('says whether a draft differs from air, and whether it ever was there', async () => {
    expect(await listDraftStates(db(), 'channel-1')).toEqual([{ isOnAir: true, isDifferent: false }])
    await saveDraft(db(), 'box-1', 3, { ...draft, alerts: [] })
    expect(await listDraftStates(db(), 'channel-1')).toEqual([{ isOnAir: true, isDifferent: true }])
    await saveDraft(db(), 'box-1', 4, draft)
    expect(await listDraftStates(db(), 'channel-1')).toEqual([{ isOnAir: true, isDifferent: false }])
  })

  it.runIf(isHere)('keeps boxes in the order that moves give them, those put away on a list of their own', async () => {
    await addChannel(db(), { id: 'channel-3', name: 'Row', locale: 'en-IE', timeZone: 'UTC', currency: 'EUR' })
    for (const id of ['row-a', 'row-b', 'row-c'])
      await addBox(db(), { id, channelId: 'channel-3', name: id, draft, sourceToken: id })
    const order = async () => (await listBoxes(db(), 'channel-3')).map(({ id }) => id)
    await moveBox(db(), 'channel-3', 'row-a', null)
    expect(await order()).toEqual(['row-b', 'row-c', 'row-a'])
    await moveBox(db(), 'channel-3', 'row-a', 'row-b')
    expect(await order()).toEqual(['row-a', 'row-b', 'row-c'])
    // Of two moves at once neither takes back the other.
    await Promise.all(['row-c', 'row-b'].map((id) => moveBox(db(), 'channel-3', id, 'row-a')))
    expect((await order()).at(-1)).toBe('row-a')

    expect(await setPutAway(db(), 'row-b', new Date())).toBe(true)
    expect(await setPutAway(db(), 'row-b', new Date())).toBe(false)
    expect(await order()).not.toContain('row-b')
    expect(await findBox(db(), 'channel-3', 'row-b')).toBeNull()
    expect((await listPutAway(db(), 'channel-3')).map(({ id }) => id)).toEqual(['row-b'])
    expect(await countBoxes(db(), 'channel-3')).toEqual({ shown: 2, putAway: 1 })
    expect(await setPutAway(db(), 'row-b', null)).toBe(true)
    expect(await order()).toHaveLength(3)
  })

  const keep = async (
    incoming: IncomingEvent[],
    nowMs = 5000,
    feed: { id: string; rejected: number } | null = null,
  ) => {
    const onAir = await new OnAirCache(db()).read('channel-1')
    return decideEvents({
      channelId: 'channel-1',
      onAir,
      incoming,
      onlyBoxId: null,
      feed,
      previous: [],
      pretended: null,
      nowMs,
    })
  }

  it.runIf(isHere)('keeps an event once, however often it comes, also twice in one delivery', async () => {
    const [first] = await keepDecided(db(), [await keep([follow('f-1'), follow('f-2'), follow('f-1')])])
    expect([first?.acceptedIds.length, first?.repeatedCount, first?.plays.length]).toEqual([2, 1, 2])
    const [again] = await keepDecided(db(), [await keep([follow('f-2'), follow('f-3', 'rightToLeft')], 6000)])
    expect([again?.acceptedIds.length, again?.repeatedCount, again?.plays.length]).toEqual([1, 1, 1])
    expect((await listOpenPlays(db(), 'box-1')).map((play) => play.state)).toEqual(['waiting', 'waiting', 'waiting'])
    expect(await listEvents(db(), 'channel-1', 0, 100)).toMatchObject([
      { externalId: 'f-1' },
      { externalId: 'f-2' },
      {
        externalId: 'f-3',
        data: { viewer: { name: 'نورا_خبز' } },
        decisions: [{ outcome: null, variationName: 'Everyday', boxId: 'box-1' }],
      },
    ])
  })

  it.runIf(isHere)(
    'knows when a viewer did the same last, before that, on that platform, and not in a test',
    async () => {
      const came = (externalId: string, occurredAtMs: number, changes: Partial<IncomingEvent> = {}) => ({
        ...follow(externalId, 'markup'),
        occurredAtMs,
        ...changes,
      })
      await keepDecided(db(), [
        await keep([
          came('h-1', 10_000),
          came('h-2', 30_000),
          came('h-3', 20_000, { source: 'feed:y' }),
          came('h-4', 25_000, { isTest: true }),
        ]),
      ])
      const asked = (externalId: string, occurredAtMs: number, source = 'feed:x') => ({
        source,
        kind: 'follow',
        viewerId: 'sample-markup',
        externalId,
        occurredAtMs,
      })
      const times = await previousTimes(db(), 'channel-1', [
        asked('h-1', 10_000),
        asked('h-2', 30_000),
        asked('new', 29_000),
        asked('new', 40_000),
        asked('new', 40_000, 'feed:y'),
        { ...asked('new', 40_000), viewerId: 'nobody' },
      ])
      expect(times).toEqual([null, 10_000, 10_000, 30_000, 20_000, null])
    },
  )

  it.runIf(isHere)('tells of two in one breath only one that it is the first', async () => {
    const history = new ViewerHistory(db())
    const came = (externalId: string, occurredAtMs: number): IncomingEvent => ({
      ...follow(externalId, 'emoji'),
      occurredAtMs,
    })
    const both = await history.previousOf('channel-1', [came('b-1', 50_000), came('b-2', 51_000)], new Set(['follow']))
    expect(both).toEqual([null, 50_000])
    // Sent again because nothing was answered, it is still the first.
    expect(await history.previousOf('channel-1', [came('b-1', 50_000)], new Set(['follow']))).toEqual([null])
    expect(await history.previousOf('channel-1', [came('b-3', 52_000)], new Set(['raid']))).toEqual([null])
  })

  it.runIf(isHere)('writes several deliveries in one statement, and says of each what was new', async () => {
    await addFeed(db(), { id: 'feed-0', channelId: 'channel-1', platform: 'cedar', name: 'Cedar', secret: 'whsec_x' })
    const feed = { id: 'feed-0', rejected: 1 }
    const kept = await keepDecided(db(), [
      await keep([follow('g-1'), follow('f-1')], 8000, feed),
      await keep([follow('g-1'), follow('g-2')], 8000, feed),
      await keep([], 8000, feed),
    ])
    expect(kept.map((each) => [each.acceptedIds.length, each.repeatedCount, each.plays.length])).toEqual([
      [1, 1, 1],
      [1, 1, 1],
      [0, 0, 0],
    ])
    expect(await findFeed(db(), 'feed-0')).toMatchObject({
      acceptedCount: 2,
      repeatedCount: 2,
      rejectedCount: 3,
      lagMs: 7000,
    })
  })

  it.runIf(isHere)('writes event, effect and play together or not at all', async () => {
    const before = await listEvents(db(), 'channel-1', 0, 100)
    const open = await listOpenPlays(db(), 'box-1')
    const decided = await keep([follow('f-9')], 7000)
    for (const play of decided.rows.plays) play.variationName = null as unknown as string
    await expect(keepDecided(db(), [decided])).rejects.toThrow()
    expect(await listEvents(db(), 'channel-1', 0, 100)).toEqual(before)
    expect(await listOpenPlays(db(), 'box-1')).toEqual(open)
  })

  it.runIf(isHere)('uses a code up only where it is meant, and once', async () => {
    const now = new Date()
    const code = { id: 'code', channelId: 'channel-1', platform: 'alder', verifier: null }
    await addLinking(db(), { ...code, expiresAt: new Date(now.getTime() + 60_000) }, now)
    const said = (platform: string) => takeLinking(db(), 'code', now, (row) => row.platform === platform)
    expect(await said('birch')).toBeNull()
    expect(await said('alder')).toMatchObject({ id: 'code' })
    expect(await said('alder')).toBeNull()
  })

  it.runIf(isHere)('says of what an earlier try wrote that it is new, and plays it', async () => {
    const decided = await keep([follow('lost-answer')], 9000)
    await keepDecided(db(), [decided])
    // As it comes again where nobody heard that it was written.
    const [again] = await keepDecided(db(), [decided], true)
    expect([again?.acceptedIds.length, again?.repeatedCount, again?.plays.length]).toEqual([1, 0, 1])
    const [another] = await keepDecided(db(), [await keep([follow('lost-answer')], 9100)], true)
    expect([another?.acceptedIds.length, another?.repeatedCount]).toEqual([0, 1])
  })

  it.runIf(isHere)('remembers when the server was last known to run', async () => {
    expect(await lastBeat(db(), 'server')).toBeNull()
    for (const at of [1000, 6000]) await keepBeat(db(), 'server', new Date(at))
    expect((await lastBeat(db(), 'server'))?.getTime()).toBe(6000)
  })

  it.runIf(isHere)('keeps what was not understood, and no more than two hundred of it', async () => {
    await addFeed(db(), { id: 'feed-1', channelId: 'channel-1', platform: 'cedar', name: 'Cedar', secret: 'whsec_x' })
    for (let index = 0; index < 205; index++) {
      await keepDelivery(db(), {
        id: `delivery-${index}`,
        feedId: 'feed-1',
        webhookId: `m-${index}`,
        receivedAt: new Date(index * 1000),
        isUnderstood: false,
        raw: 'x',
        note: `n ${index}`,
      })
    }
    const kept = await listKeptDeliveries(db(), 'feed-1', 500)
    expect(kept.length).toBeLessThanOrEqual(201)
    expect(kept[0]?.note).toBe('n 204')
  })
})
