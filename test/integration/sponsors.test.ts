import fc from 'fast-check'
import { expect } from 'vitest'
import { newLive } from '../../core/board/starterLive.ts'
import { plainBoard } from '../../core/board/plainBoard.ts'
import { campaign as campaignSchema, type Campaign } from '../../core/campaign/schema.ts'
import { starterAlert } from '../../core/composition/starter.ts'
import { plainBox } from '../../core/composition/plainBox.ts'
import { lanternLook } from '../../core/look/lanternLook.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import { SliceReader } from '../../server/boards/sliceReader.ts'
import { OnAirCache } from '../../server/channel/onAir.ts'
import { addFeed, setWatching } from '../../server/db/queries/feeds.ts'
import { addChannel } from '../../server/db/queries/people.ts'
import {
  addCampaign,
  changeCampaign,
  findCampaignByCode,
  listCampaigns,
  listFigures,
  saltOf,
} from '../../server/db/queries/sponsors.ts'
import { effect } from '../../server/db/liveSchema.ts'
import { campaignTurn, clickMark } from '../../server/db/sponsorSchema.ts'
import { decideEvents, type IncomingEvent } from '../../server/ingest/decideEvents.ts'
import { keepDecided } from '../../server/ingest/keepDecided.ts'
import { Clicks } from '../../server/sponsors/clicks.ts'
import { SponsorKeeper } from '../../server/sponsors/sponsorKeeper.ts'
import { figuresCsv } from '../../server/sponsors/sponsorViews.ts'
import { onEachDatabase } from '../arrange/onEachDatabase.ts'

const startMs = Date.UTC(2026, 10, 29, 22)
const day = Math.floor(startMs / 86_400_000)
const minuteMs = 60_000
const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 30 as const }
const chromium = 'Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0 Safari/537.36'

onEachDatabase('sponsors', ({ db, whereHere }) => {
  let count = 0

  /** A channel with a board that has a line, a box that has an alert, and so many sources of each. */
  async function room(...campaigns: Partial<Campaign>[]) {
    const channelId = `s${count++}`
    await addChannel(db(), {
      ...{ id: channelId, name: channelId, locale: 'en-IE', timeZone: 'UTC', currency: 'EUR', rates: {} },
    })
    await addFeed(db(), { id: `f-${channelId}`, channelId, platform: 'alder', name: 'Alder', secret: 'whsec_c2VjcmV0' })
    const documents = campaigns.map((fields, at) =>
      campaignSchema.parse({
        ...{
          id: `c${at}-${channelId}`,
          name: `Sponsor ${at}`,
          words: 'flour',
          mediaId: null,
          fromMs: 0,
          untilMs: null,
        },
        ...{ link: 'https://mill.example/', everyMin: 1, hours: null, weight: 1, caps: { day: null, all: null } },
        ...{ isPaused: false, shownBy: 'line' },
        worth: { perThousandMinor: 0, perClickMinor: 0, pointsPerThousand: 0, pointsPerClick: 0 },
        ...fields,
      }),
    )
    for (const [at, each] of documents.entries()) await addCampaign(db(), channelId, each, `code${at}${channelId}`)
    const sponsorAlert = starterAlert(
      'sponsorLine',
      canvas,
      { pictureId: null, soundId: null },
      { headline: '{sponsor}', second: '{line}' },
    )
    const onAirNow = async (): Promise<ChannelOnAir> => ({
      ...(await new OnAirCache(db()).read(channelId)),
      boards: [
        {
          boxId: 'board',
          version: { id: 'v', document: plainBoard(canvas, lanternLook, [newLive('sponsor', canvas)]) },
        },
      ],
      boxes: [{ boxId: `box-${channelId}`, version: { id: 'v', document: plainBox(canvas, [sponsorAlert]) } }],
    })
    const clock = { nowMs: startMs }
    const sources = { board: 1, box: 1 }
    const told: string[] = []
    const accepted: IncomingEvent[] = []
    const keeper = new SponsorKeeper({
      ...{ db: db(), now: () => clock.nowMs, onAir: onAirNow },
      countSources: (boxId) => (boxId === 'board' ? sources.board : sources.box),
      async accept(_channelId, incoming) {
        accepted.push(...incoming)
        const request = { channelId, onAir: await onAirNow(), incoming, onlyBoxId: null, feed: null, previous: [] }
        await keepDecided(db(), [decideEvents({ ...request, pretended: null, nowMs: clock.nowMs })])
      },
      goUrl: (code) => `https://bakery.example/go/${code}`,
      onLine: () => told.push('line'),
      onFigures: () => told.push('figures'),
      onError: (error) => {
        throw error
      },
    })
    const reader = new SliceReader({
      ...{ db: db(), now: () => clock.nowMs, streamMs: () => Promise.resolve(0), ownEmote: (url) => url },
      blocked: (texts) => Promise.resolve(texts.map(() => false)),
    })
    return {
      ...{ channelId, documents, clock, sources, told, accepted, keeper },
      watch: (watching: number) => setWatching(db(), `f-${channelId}`, watching, new Date(clock.nowMs)),
      line: async () => {
        const slice = await reader.read(channelId, await onAirNow(), { of: 'sponsor' })
        return slice.of === 'rows' ? slice.rows : []
      },
      figures: () => listFigures(db(), channelId, 'UTC', day - 3),
      look: async (laterMs = 0) => {
        clock.nowMs += laterMs
        await keeper.look([channelId])
      },
    }
  }

  whereHere('have their turns while a board shows lines, at most one a minute, each its own share', async () => {
    const { look, line, told, sources, documents, channelId } = await room({ weight: 2 }, {})
    sources.board = 0
    await look()
    expect(told).toEqual([])
    sources.board = 2
    await look()
    await look(5_000)
    expect(told).toEqual(['line'])
    for (let turn = 0; turn < 11; turn++) {
      await look(minuteMs)
      expect((await line())[0]?.pieces[0]?.text).toBe('flour')
    }
    const turns = (await db().select().from(campaignTurn)).filter((turn) => turn.channelId === channelId)
    const sharesOf = documents.map(({ id }) => turns.filter(({ campaignId }) => campaignId === id).length)
    expect(sharesOf).toEqual([8, 4])
  })

  whereHere('count a turn once when the whole of it was seen, times those who watched then', async () => {
    const { look, line, keeper, figures, watch, clock, channelId } = await room({})
    await watch(40)
    await look()
    const [row] = await line()
    const seen = () => keeper.seen(channelId, row?.id ?? '')
    await Promise.all([seen(), seen(), seen()])
    expect(await figures()).toMatchObject([{ day, shown: 1, impressions: 40, clicks: 0 }])
    // Of another channel, of nothing, or long after: nothing.
    await keeper.seen('elsewhere', row?.id ?? '')
    await keeper.seen(channelId, 'mill')
    await look(minuteMs)
    const [later] = await line()
    clock.nowMs += 16 * minuteMs
    await keeper.seen(channelId, later?.id ?? '')
    expect(await figures()).toMatchObject([{ shown: 1, impressions: 40 }])
    // What feeds said long ago is not believed.
    await look(minuteMs)
    await keeper.seen(channelId, (await line())[0]?.id ?? '')
    expect(await figures()).toMatchObject([{ shown: 2, impressions: 40 }])
  })

  whereHere('never count more than turns, whatever sources say', async () => {
    const { look, line, keeper, figures, watch, channelId } = await room({}, { weight: 3 })
    let turns = 0
    await fc.assert(
      fc.asyncProperty(fc.array(fc.boolean(), { maxLength: 4 }), fc.nat(100), async (says, watching) => {
        await watch(watching)
        await look(minuteMs)
        turns += 1
        const before = await figures()
        const [row] = await line()
        for (const isReal of says) await keeper.seen(channelId, isReal ? (row?.id ?? '') : 'turn-of-nobody')
        const sum = (of: Awaited<ReturnType<typeof figures>>) => of.reduce((all, { shown }) => all + shown, 0)
        expect(sum(await figures()) - sum(before)).toBe(says.includes(true) ? 1 : 0)
        expect(sum(await figures())).toBeLessThanOrEqual(turns)
      }),
      { numRuns: 15 },
    )
  })

  whereHere('play as an alert that waits its turn, and count once it has played', async () => {
    const { look, accepted, figures, watch, sources, channelId } = await room({ shownBy: 'alert', everyMin: 5 })
    await watch(25)
    sources.box = 0
    await look()
    expect(accepted).toEqual([])
    sources.box = 1
    await look()
    expect(accepted).toMatchObject([
      {
        ...{ source: 'sponsors', kind: 'sponsorLine', isTest: false },
        data: { viewer: null, sponsor: 'Sponsor 0', line: 'flour', address: `bakery.example/go/code0${channelId}` },
      },
    ])
    await look(minuteMs)
    expect(accepted.length).toBe(1)
    expect(await figures()).toEqual([])
    await db().update(effect).set({ outcome: 'played', outcomeAt: new Date() })
    await look(1_000)
    await look(1_000)
    expect(await figures()).toMatchObject([{ shown: 1, impressions: 25 }])
    await look(5 * minuteMs)
    expect(accepted.length).toBe(2)
  })

  whereHere('count who follows a link: once a day, no robots, nobody who only looks', async () => {
    const { channelId, figures } = await room({}, { untilMs: startMs - 1 })
    const clock = { nowMs: startMs }
    let counted = 0
    const clicks = new Clicks(
      db(),
      () => clock.nowMs,
      () => (counted += 1),
    )
    const [row, over] = [
      await findCampaignByCode(db(), `code0${channelId}`),
      await findCampaignByCode(db(), `code1${channelId}`),
    ]
    if (!row || !over) throw new Error('there are no campaigns')
    const follow = (fields: object = {}, of = row) =>
      clicks.follow(of, { address: '10.0.0.1', userAgent: chromium, isOnlyLooking: false, ...fields }, 'UTC')
    expect(await follow()).toBe(true)
    // Ten thousand times is once.
    expect((await Promise.all(Array.from({ length: 10_000 }, () => follow()))).some(Boolean)).toBe(false)
    expect(await follow({ address: '10.0.0.2' })).toBe(true)
    expect(await follow({ userAgent: 'Mozilla/5.0 (compatible; Examplebot/2.1)' })).toBe(false)
    expect(await follow({ userAgent: '', address: '10.0.0.3' })).toBe(false)
    expect(await follow({ isOnlyLooking: true, address: '10.0.0.4' })).toBe(false)
    expect(await follow({ address: '10.0.0.5' }, over)).toBe(false)
    // A server that was started again has not forgotten, and nobody can read who it was.
    const again = new Clicks(
      db(),
      () => clock.nowMs,
      () => undefined,
    )
    expect(await again.follow(row, { address: '10.0.0.1', userAgent: chromium, isOnlyLooking: false }, 'UTC')).toBe(
      false,
    )
    expect(await figures()).toMatchObject([{ day, clicks: 2 }])
    expect(counted).toBe(2)
    const marks = await db().select().from(clickMark)
    expect(JSON.stringify(marks)).not.toContain('10.0.0')
    // On the next day it counts again; marks and salts of days that are over are thrown away.
    const salt = await saltOf(db(), day)
    clock.nowMs += 2 * 86_400_000
    expect(await follow()).toBe(true)
    expect((await db().select().from(clickMark)).every((each) => each.day === day + 2)).toBe(true)
    expect(await saltOf(db(), day + 2)).not.toBe(salt)
  })

  whereHere('are changed by one at a time, and come out as CSV that no table program runs', async () => {
    const { channelId, documents, look, line, keeper, watch } = await room({
      name: '=HYPERLINK("x")',
      worth: { perThousandMinor: 50_000, perClickMinor: 0, pointsPerThousand: 1000, pointsPerClick: 0 },
    })
    const [document] = documents
    if (!document) throw new Error('there is none')
    expect(await changeCampaign(db(), channelId, { ...document, weight: 5 }, 0)).toBe(true)
    expect(await changeCampaign(db(), channelId, { ...document, weight: 9 }, 0)).toBe(false)
    await watch(10)
    await look()
    await keeper.seen(channelId, (await line())[0]?.id ?? '')
    const csv = figuresCsv(
      await listCampaigns(db(), channelId),
      await listFigures(db(), channelId, 'UTC', day - 1),
      'EUR',
    )
    expect(csv.split('\r\n')).toEqual([
      'day,campaign,sponsor,shown,impressions,clicks,points,earnings (EUR)',
      `2026-11-29,${document.id},"'=HYPERLINK(""x"")",1,10,0,10,5.00`,
    ])
  })
})
