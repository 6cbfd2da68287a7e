import { expect } from 'vitest'
import type { Want } from '../../core/board/want.ts'
import { sampleEvent } from '../../core/events/sampleEvent.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import type { EventKind } from '../../core/events/kinds.ts'
import { goal as goalSchema } from '../../core/goal/schema.ts'
import { plainText } from '../../core/text/textPiece.ts'
import { removalRows } from '../../server/boards/removalRows.ts'
import { SliceReader } from '../../server/boards/sliceReader.ts'
import { OnAirCache } from '../../server/channel/onAir.ts'
import { addRemovals } from '../../server/db/queries/boards.ts'
import { listEvents } from '../../server/db/queries/events.ts'
import { addGoal, addUpGoal, listStaleGoals, refundEvent } from '../../server/db/queries/goals.ts'
import { addChannel } from '../../server/db/queries/people.ts'
import { decideEvents } from '../../server/ingest/decideEvents.ts'
import { keepDecided } from '../../server/ingest/keepDecided.ts'
import { onEachDatabase } from '../arrange/onEachDatabase.ts'

const nowMs = Date.UTC(2026, 10, 29, 22)
const hourMs = 3_600_000

onEachDatabase('what boards are told', ({ db, whereHere }) => {
  let count = 0

  async function room() {
    const channelId = `b${count++}`
    await addChannel(db(), {
      ...{ id: channelId, name: channelId, locale: 'en-IE', timeZone: 'UTC', currency: 'EUR', rates: { USD: 0.5 } },
    })
    const onAir = new OnAirCache(db())
    const reader = new SliceReader({
      db: db(),
      now: () => nowMs,
      streamMs: () => Promise.resolve(nowMs - hourMs),
      ownEmote: (url) => `own ${url}`,
      blocked: (texts) => Promise.resolve(texts.map((text) => text.includes('blocked'))),
    })
    let number = 0
    /** Something happens; so many hours before now. */
    async function happen(kind: EventKind, by: string, data: object = {}, { hoursAgo = 0, isTest = false } = {}) {
      const sample = sampleEvent(kind, 'everyday', nowMs - hoursAgo * hourMs)
      const event = {
        ...{ kind, source: 'feed:alder', externalId: `x${number++}`, isTest, occurredAtMs: sample.occurredAtMs },
        data: { ...sample.data, viewer: { id: by, name: by }, ...data } as CanonicalEvent['data'],
      }
      const request = { channelId, onAir: await onAir.read(channelId), incoming: [event], onlyBoxId: null, feed: null }
      const decided = decideEvents({ ...request, previous: [], pretended: null, nowMs })
      const [kept] = await keepDecided(db(), [decided])
      return kept?.acceptedIds[0] ?? decided.rows.events[0]?.id ?? ''
    }
    const read = async (want: Want) => reader.read(channelId, await onAir.read(channelId), want)
    const rows = async (want: Want) => {
      const slice = await read(want)
      return slice.of === 'rows' ? slice.rows.map(({ name, pieces }) => `${name}|${plainText(pieces)}`) : []
    }
    return { channelId, happen, read, rows, forget: () => onAir.forget(channelId) }
  }

  whereHere('the newest of their kinds, without tests, what was given back and what is too little', async () => {
    const { channelId, happen, rows } = await room()
    const want = (fields: object) =>
      ({
        of: 'events',
        kinds: ['tip', 'follow'],
        leastMinor: 0,
        most: 3,
        words: { tip: '{amount}' },
        ...fields,
      }) as Want
    await happen('tip', 'a', { amountMinor: 500, currency: 'EUR' })
    await happen('tip', 'b', { amountMinor: 1400, currency: 'USD' })
    const gone = await happen('tip', 'c', { amountMinor: 900, currency: 'EUR' })
    await happen('tip', 'd', { amountMinor: 9900, currency: 'EUR' }, { isTest: true })
    await happen('raid', 'e')
    await happen('follow', 'f')
    await refundEvent(db(), channelId, gone, new Date(nowMs))
    expect(await rows(want({}))).toEqual(['|f is now following', '|US$14.00', '|€5.00'])
    expect(await rows(want({ kinds: ['tip'], leastMinor: 600 }))).toEqual(['|US$14.00'])
  })

  whereHere(
    'what is said in a chat, without blocked words, lines that were taken away and whoever is silenced',
    async () => {
      const { channelId, happen, read, rows } = await room()
      const want: Want = { of: 'chat', sources: null, most: 10, hidesBlocked: true }
      const text = (said: string) => ({ message: { text: said } })
      await happen('chatMessage', 'loud', text('one of many'))
      const line = await happen('chatMessage', 'pip_rye', text('a slip of the tongue'))
      await happen('chatMessage', 'Zoë', text('a blocked word'))
      await happen('chatMessage', 'Zoë', {
        message: { text: 'hug', emotes: [{ from: 0, to: 3, url: 'https://alder.example/hug.png' }] },
      })
      await happen('chatCommand', 'Zoë', { command: '!bell' })
      const events = await listEvents(db(), channelId, 0, 50)
      const { externalId } = events.find(({ id }) => id === line) ?? { externalId: '' }
      const taken = [
        { source: 'feed:alder', externalId },
        { source: 'feed:alder', viewerId: 'loud' },
      ]
      // A delivery that comes again changes nothing.
      for (let times = 0; times < 2; times++)
        await addRemovals(db(), removalRows(channelId, 'delivery', taken, new Date(nowMs + 1)))
      await happen('chatMessage', 'loud', text('before they were silenced'))
      expect(await rows(want)).toEqual(['Zoë|hug'])
      const slice = await read(want)
      expect(slice.of === 'rows' && slice.rows[0]?.pieces[0]?.emoteUrl).toBe('own https://alder.example/hug.png')
      expect(await rows({ ...want, sources: ['feed:birch'] })).toEqual([])
      expect((await rows({ ...want, hidesBlocked: false })).length).toBe(2)
    },
  )

  whereHere('who gave most since when, and how many there were', async () => {
    const { channelId, happen, rows, read } = await room()
    const top: Want = { of: 'top', kinds: ['tip'], since: 'ever', most: 2 }
    await happen('tip', 'Zoë', { amountMinor: 900, currency: 'EUR' }, { hoursAgo: 40 * 24 })
    await happen('tip', 'pip_rye', { amountMinor: 500, currency: 'EUR' })
    await happen('tip', 'pip_rye', { amountMinor: 1200, currency: 'USD' })
    const gone = await happen('tip', 'MarrowHat', { amountMinor: 99_900, currency: 'EUR' })
    await refundEvent(db(), channelId, gone, new Date(nowMs))
    expect(await rows(top)).toEqual(['pip_rye|€11.00', 'Zoë|€9.00'])
    expect(await rows({ ...top, since: 'month' })).toEqual(['pip_rye|€11.00'])
    for (const command of ['!rise', '!Rise', '!bell']) await happen('chatCommand', 'Zoë', { command })
    await happen('chatCommand', 'Zoë', { command: '!rise' }, { hoursAgo: 2 })
    const risen: Want = { of: 'count', kinds: ['chatCommand'], command: 'rise', since: 'stream' }
    expect(await read(risen)).toEqual({ of: 'count', count: 2 })
    expect(await read({ ...risen, since: 'day' })).toEqual({ of: 'count', count: 3 })
    expect(await read({ ...risen, command: null, since: 'ever' })).toEqual({ of: 'count', count: 4 })
    expect(await read({ of: 'stream' })).toEqual({ of: 'moment', atMs: nowMs - hourMs })
  })

  whereHere('the goal that runs, and who brought it something last', async () => {
    const { channelId, happen, read, forget } = await room()
    expect(await read({ of: 'goal', goalId: null })).toEqual({ of: 'goal', goal: null })
    const fields = { measure: { of: 'money', kinds: ['tip'] }, sources: null, then: { do: 'stop' }, untilMs: null }
    const goals = [
      { id: 'next', title: 'Flour', startAmount: 0, target: 100, stretches: [], fromMs: nowMs + hourMs },
      { id: 'oven', title: 'Oven', startAmount: 100, target: 1000, stretches: [1500], fromMs: nowMs - 9 * hourMs },
    ].map((each) => goalSchema.parse({ ...fields, ...each }))
    for (const each of goals) await addGoal(db(), channelId, each)
    forget()
    await happen('tip', 'Tomé Brandão', { amountMinor: 800, currency: 'USD' })
    await happen('tip', 'nobody', { amountMinor: 800, currency: 'EUR' }, { isTest: true })
    for (const id of await listStaleGoals(db(), channelId)) await addUpGoal(db(), channelId, id)
    expect(await read({ of: 'goal', goalId: null })).toMatchObject({
      goal: {
        ...{ id: 'oven', title: 'Oven', currency: 'EUR', amount: 500, target: 1000, targets: [1000, 1500] },
        last: { name: 'Tomé Brandão', amount: { amountMinor: 800, currency: 'USD' } },
      },
    })
    expect(await read({ of: 'goal', goalId: 'next' })).toMatchObject({ goal: { amount: 0, last: null } })
  })
})
