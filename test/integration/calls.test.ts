import { sql } from 'drizzle-orm'
import fc from 'fast-check'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openGate } from '../../core/gate/schema.ts'
import { migrate } from '../../server/db/migrate.ts'
import { listRuns, readBalances, readGateStates } from '../../server/db/queries/runs.ts'
import { addTrigger } from '../../server/db/queries/triggers.ts'
import { rowsOf } from '../../server/db/rowsOf.ts'
import { CallsRoom, triggerOf, typedBy } from '../arrange/callsRoom.ts'
import { databases, type OpenDatabase } from '../arrange/databases.ts'
import { readMigrations } from '../../server/operate/readMigrations.ts'

const play = (channelId: string) => ({
  ...{ do: 'play' as const, boxId: `box-${channelId}`, alertId: 'redemption', variationId: null },
  isBeside: false,
})
const say = (words: string) => ({ do: 'say' as const, words })

describe.each(databases)('what viewers set off, $name', ({ isHere, open }) => {
  let opened: OpenDatabase
  const db = () => opened.handle.db
  let count = 0
  const room = (...triggers: Parameters<typeof CallsRoom.make>[2]) => CallsRoom.make(db(), `c${count++}`, triggers)
  const alertIn = async (id: string) =>
    rowsOf<{ id: string }>(
      await db().execute(sql`select draft -> 'alerts' -> 0 ->> 'id' as id from box where id = ${id}`),
    )[0]?.id ?? ''
  const ends = async ({ channelId }: CallsRoom) =>
    (await listRuns(db(), channelId, 500)).toReversed().map(({ end, progress }) => end ?? progress)
  const balanceOf = async ({ channelId }: CallsRoom, viewer: string) =>
    (await readBalances(db(), channelId, [`feed:f/${viewer}`])).get(`feed:f/${viewer}`) ?? 0
  /** Every balance beside the sum of its ledger. */
  const books = async ({ channelId }: CallsRoom) =>
    rowsOf<{ points: string; sum: string }>(
      await db().execute(sql`select balance.points, (
        select coalesce(sum(change), 0) from points_entry
        where points_entry.channel_id = balance.channel_id and points_entry.viewer_id = balance.viewer_id
      ) as sum from balance where channel_id = ${channelId}`),
    ).map(({ points, sum }) => [Number(points), Number(sum)])

  beforeAll(async () => {
    if (!isHere) return
    opened = await open()
    await migrate(opened.handle, readMigrations())
  }, 60_000)
  afterAll(async () => {
    if (!isHere) return
    await opened.handle.close()
    await opened.clean()
  })

  it.runIf(isHere)('is paid for with points that were earned, and says why where there are too few', async () => {
    const bell = triggerOf('bell', {
      gate: { ...openGate, cost: 30 },
      sheet: { do: 'inTurn', of: [say('{name} rang with {points} left')] },
      refusal: '{name}: {reason}',
    })
    const calls = await room(bell)
    await calls.happen(typedBy('pip', '!bell'))
    await calls.follow('pip')
    await calls.happen(typedBy('pip', '!BELL'))
    await calls.happen(typedBy('pip', '!bell'))
    await calls.calls.settled()
    expect(await ends(calls)).toEqual(['refused', 'ran', 'refused'])
    await expect.poll(() => calls.said).toHaveLength(3)
    expect(calls.said.map(({ text }) => text)).toEqual([
      'pip: 30 crumbs are missing.',
      'pip rang with 20 left',
      'pip: 10 crumbs are missing.',
    ])
    expect(calls.said[0]?.source).toBe('feed:f')
    expect([await balanceOf(calls, 'pip'), await books(calls)]).toEqual([20, [[20, 20]]])
  })

  it.runIf(isHere)(
    'asks the speech desk what is typed, and takes nothing for a word that is blocked there',
    async () => {
      const loaf = triggerOf('loaf', {
        gate: { ...openGate, cost: 5, asked: { as: 'text', minLetters: 2, maxLetters: 24, letters: 'any' } },
        sheet: { do: 'inTurn', of: [say('{input} it is')] },
        refusal: '{reason}',
      })
      const calls = await room(loaf)
      await calls.follow('pip')
      await calls.happen(typedBy('pip', '!loaf', 'old flour bag'), typedBy('pip', '!loaf', 'Crumbelina'))
      await calls.calls.settled()
      expect(await ends(calls)).toEqual(['refused', 'ran'])
      await expect
        .poll(() => calls.said.map(({ text }) => text).toSorted())
        .toEqual(['Crumbelina it is', 'That cannot be taken: it holds a word that is blocked here.'])
      expect(await balanceOf(calls, 'pip')).toBe(45)
    },
  )

  it.runIf(isHere)('says the points that an event tells, else those of whoever set it off', async () => {
    const applause = triggerOf('applause', {
      starts: [{ by: 'event', kinds: ['applause'], rule: null }],
      sheet: { do: 'inTurn', of: [say('{points} clapped')] },
    })
    const crumb = triggerOf('crumb', { sheet: { do: 'inTurn', of: [say('{points} had')] } })
    const calls = await room(applause, crumb)
    await calls.follow('pip')
    const viewer = { id: 'pip', name: 'pip' }
    await calls.happen({ kind: 'applause', data: { viewer, points: 700 } }, typedBy('pip', '!crumb'))
    await calls.calls.settled()
    await expect.poll(() => calls.said.map(({ text }) => text).toSorted()).toEqual(['50 had', '700 clapped'])
  })

  it.runIf(isHere)('twice within one commit is one where the gate says so, however it is pressed', async () => {
    const bell = triggerOf('bell', { gate: { ...openGate, againAfter: { allMs: 60_000, viewerMs: 0 } } })
    const calls = await room(bell)
    await calls.happen(typedBy('pip', '!bell'), typedBy('pip', '!bell'), typedBy('Zoë', '!bell'))
    expect(await ends(calls)).toEqual(['ran', 'refused', 'refused'])
    // The same event again is no second one.
    await calls.happen({ ...typedBy('pip', '!bell'), id: 'e-0' })
    expect(await ends(calls)).toHaveLength(3)
  })

  it.runIf(isHere)('begins when its alert is shown; given back where that never comes', async () => {
    const calls = await room()
    const { channelId } = calls
    const alertId = await alertIn(`box-${channelId}`)
    const bell = triggerOf('bell', {
      gate: { ...openGate, cost: 20, stock: 2, againAfter: { allMs: 0, viewerMs: 60_000 } },
      sheet: { do: 'together', of: [{ ...play(channelId), alertId }, say('mind the heat, {name}')] },
      again: 'together',
    })
    await addTrigger(db(), channelId, bell)
    calls.forget()
    for (const viewer of ['pip', 'Zoë', 'sam']) await calls.follow(viewer)
    await calls.happen(typedBy('pip', '!bell'), typedBy('Zoë', '!bell'), typedBy('sam', '!bell'))
    expect(await ends(calls)).toEqual(['waiting', 'waiting', 'refused'])
    expect([await balanceOf(calls, 'pip'), await balanceOf(calls, 'Zoë')]).toEqual([30, 30])
    await expect.poll(() => calls.queued).toHaveLength(2)
    const [first, second] = calls.queued.map(({ playId }) => playId)
    calls.calls.played(first ?? '', 'started', '')
    calls.calls.played(second ?? '', 'over', 'it waited too long')
    await calls.calls.settled()
    expect(await ends(calls)).toEqual(['running', 'released', 'refused'])
    expect([await balanceOf(calls, 'pip'), await balanceOf(calls, 'Zoë')]).toEqual([30, 50])
    await expect.poll(() => calls.said.map(({ text }) => text)).toEqual(['mind the heat, pip'])
    expect((await readGateStates(db(), channelId)).get('bell')).toMatchObject({ left: 1, uses: 1 })
    // The cooldown of who was given everything back is gone, that of the other is not.
    await calls.happen(typedBy('pip', '!bell'), typedBy('Zoë', '!bell'))
    expect((await ends(calls)).slice(3)).toEqual(['refused', 'waiting'])
    expect((await books(calls)).every(([points, sum]) => points === sum)).toBe(true)
  })

  it.runIf(isHere)('takes a use back from as many as a viewer had, whoever came in between', async () => {
    const calls = await room()
    const { channelId } = calls
    await addTrigger(
      db(),
      channelId,
      triggerOf('bell', {
        gate: { ...openGate, perStream: { all: null, viewer: 3 } },
        sheet: { do: 'inTurn', of: [{ ...play(channelId), alertId: await alertIn(`box-${channelId}`) }] },
        again: 'together',
      }),
    )
    calls.forget()
    await calls.happen(typedBy('pip', '!bell'), typedBy('pip', '!bell'), typedBy('pip', '!bell'))
    await expect.poll(() => calls.queued).toHaveLength(3)
    await calls.happen(typedBy('Zoë', '!bell'))
    calls.calls.played(calls.queued[0]?.playId ?? '', 'over', 'it waited too long')
    await calls.calls.settled()
    await calls.take('two')
    calls.calls.played(calls.queued[1]?.playId ?? '', 'over', 'it waited too long')
    await calls.calls.settled()
    await calls.happen(typedBy('pip', '!bell'), typedBy('pip', '!bell'), typedBy('pip', '!bell'))
    expect((await ends(calls)).slice(4)).toEqual(['waiting', 'waiting', 'refused'])
  })

  it.runIf(isHere)('goes on where its owner is gone, and another’s late word changes nothing', async () => {
    const calls = await room()
    const { channelId } = calls
    const alertId = await alertIn(`box-${channelId}`)
    await addTrigger(
      db(),
      channelId,
      triggerOf('bell', {
        gate: { ...openGate, cost: 20 },
        sheet: { do: 'inTurn', of: [{ ...play(channelId), alertId }] },
        again: 'together',
      }),
    )
    await addTrigger(
      db(),
      channelId,
      triggerOf('cam', { sheet: { do: 'inTurn', of: [{ do: 'wait', ms: 1_200 }, say('and back')] } }),
    )
    calls.forget()
    await calls.follow('pip')
    await calls.happen(typedBy('pip', '!bell'), typedBy('pip', '!cam'))
    await expect.poll(() => calls.queued).toHaveLength(1)
    const before = calls.calls
    await calls.take('two')
    // The one before believes that its alert never came.
    before.played(calls.queued[0]?.playId ?? '', 'over', 'late word')
    await before.settled()
    expect(calls.lost).toBe(1)
    expect(await balanceOf(calls, 'pip')).toBe(30)
    calls.calls.played(calls.queued[0]?.playId ?? '', 'started', '')
    await expect.poll(() => calls.said.map(({ text }) => text), { timeout: 8_000 }).toEqual(['and back'])
    await expect.poll(() => ends(calls), { timeout: 8_000 }).toContain('ran')
    expect(await balanceOf(calls, 'pip')).toBe(30)
  })

  it.runIf(isHere)('is given back on its platform where it was paid there and is refused', async () => {
    const bell = triggerOf('bell', {
      starts: [{ by: 'reward', source: 'feed:f', rewardId: 'r-1', title: 'Bell' }],
      gate: { ...openGate, hours: { from: 0, until: 1, weekdays: [(new Date().getUTCDay() + 2) % 7] }, cost: 500 },
    })
    const ring = triggerOf('ring', {
      starts: [{ by: 'reward', source: 'feed:f', rewardId: 'r-2', title: 'Ring' }],
      gate: { ...openGate, cost: 500 },
    })
    const calls = await room(bell, ring)
    const redeemed = (rewardId: string, id: string) => ({
      ...{ kind: 'redemption' as const, id },
      data: { viewer: { id: 'pip', name: 'pip' }, reward: { id: rewardId, title: 'x', costPoints: 300 } },
    })
    await calls.happen(redeemed('r-1', 'one'), redeemed('r-2', 'two'))
    expect(await ends(calls)).toEqual(['refused', 'ran'])
    expect(calls.settled).toEqual([
      { id: 'one', as: 'refunded' },
      { id: 'two', as: 'fulfilled' },
    ])
  })

  it.runIf(isHere)(
    'never charges more than is there, and keeps its books, whoever presses what',
    async () => {
      const viewers = ['pip', 'Zoë', 'نورا', '<b>bold</b>']
      await fc.assert(
        fc.asyncProperty(
          fc.array(
            fc.record({
              who: fc.constantFrom(...viewers),
              what: fc.constantFrom('!a', '!b', 'follow', 'give', 'take'),
            }),
            { minLength: 1, maxLength: 25 },
          ),
          async (presses) => {
            const calls = await room(
              triggerOf('a', { gate: { ...openGate, cost: 30, stock: 3 } }),
              triggerOf('b', { gate: { ...openGate, cost: 45, perStream: { all: 4, viewer: 2 } } }),
            )
            for (const { who, what } of presses) {
              if (what === 'follow') await calls.follow(who)
              else if (what === 'give' || what === 'take')
                await calls.calls.act({
                  do: 'enter',
                  entries: [
                    {
                      ...{ viewerId: `feed:f/${who}`, name: who, why: 'by hand', reference: `hand-${Math.random()}` },
                      change: what === 'give' ? 40 : -25,
                    },
                  ],
                })
              else await calls.happen(typedBy(who, what), typedBy(who, what))
            }
            const kept = await books(calls)
            expect(kept.every(([points = -1, sum]) => points >= 0 && points === sum)).toBe(true)
            const left = (await readGateStates(db(), calls.channelId)).get('a')?.left ?? 3
            const ran = (await listRuns(db(), calls.channelId, 500)).filter(({ end }) => end === 'ran')
            expect(left).toBe(3 - ran.filter(({ triggerId }) => triggerId === 'a').length)
            expect(left).toBeGreaterThanOrEqual(0)
            for (const who of viewers)
              expect(
                ran.filter(({ triggerId, viewerName }) => triggerId === 'b' && viewerName === who).length,
              ).toBeLessThanOrEqual(2)
          },
        ),
        { numRuns: 12 },
      )
    },
    60_000,
  )
})
