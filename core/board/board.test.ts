import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { boxDocument } from '../composition/box.ts'
import { plainBox } from '../composition/plainBox.ts'
import { starterAlert } from '../composition/starter.ts'
import { starterSound } from '../composition/starterParts.ts'
import { contrast } from '../colour/contrast.ts'
import { eventKinds } from '../events/kinds.ts'
import { sampleEvent, sampleNames, type SampleName } from '../events/sampleEvent.ts'
import { lanternLook } from '../look/lanternLook.ts'
import { isLivePart, type ResolvedKinds, type ResolvedScore } from '../score/resolved.ts'
import type { BarState } from '../score/parts/bar/evaluateBar.ts'
import { spanWords } from '../score/parts/clock/evaluateClock.ts'
import type { Part } from '../score/parts/part.ts'
import { plainText } from '../text/textPiece.ts'
import { boardStates, madeUp } from './boardStates.ts'
import { chatLettersMost, chatRow } from './chatRow.ts'
import { eventRow } from './eventRow.ts'
import { boardAt } from './liveKinds.ts'
import { ownHue, readableInk } from './nameInk.ts'
import { plainBoard } from './plainBoard.ts'
import { boardMs, resolveBoard, sceneOf } from './resolveBoard.ts'
import { sinceOf } from './sinceOf.ts'
import type { BoardMoment, GoalSlice, Slice, Told } from './slice.ts'
import { starterBoard } from './starterBoard.ts'
import { newLive } from './starterLive.ts'
import { topRows } from './topRows.ts'
import { wantKey } from './want.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const allParts = (): Part[] =>
  (['bar', 'list', 'chat', 'top', 'tally', 'clock', 'sponsor'] as const).map((kind) => newLive(kind, canvas))

function resolved(parts: Part[]): ResolvedScore {
  const scene = sceneOf(plainBoard(canvas, lanternLook, parts))
  if (!scene) throw new Error('a board has a scene')
  const score = resolveBoard(scene, { canvas, look: lanternLook, zones: [], locale: 'en-IE', media: {} })
  if (!score.ok) throw new Error(score.error.type)
  return score.value
}
const context = { nowMs: Date.UTC(2026, 10, 29, 22), currency: 'EUR', locale: 'en-IE', goals: [] }
const moment = (told: ReadonlyMap<string, readonly Told[]>): BoardMoment => ({
  ...{ told, wallZeroMs: context.nowMs, heightOf: () => 40, locale: 'en-IE', timeZone: 'Europe/Lisbon' },
})
/** What every part is told in turn, a second apart. */
function tellingOf(score: ResolvedScore, slices: (want: NonNullable<ResolvedKinds['bar']['want']>) => Slice[]) {
  const told = new Map<string, Told[]>()
  for (const part of score.parts)
    if (isLivePart(part) && part.want)
      told.set(
        part.wantKey,
        slices(part.want).map((slice, index) => ({ atMs: index * 1000, slice })),
      )
  return told
}

describe('a board', () => {
  it('is what it looks like: one scene without an end, of what needs no event', () => {
    const board = plainBoard(canvas, lanternLook, [...starterBoard(canvas), newLive('clock', canvas)])
    expect(boxDocument.parse(board)).toEqual(board)
    const score = resolved(allParts())
    expect(score.lengthMs).toBe(boardMs)
    expect(score.parts.every(({ endMs }) => endMs === boardMs)).toBe(true)
  })

  it('takes nothing that sounds, and alerts take nothing that is kept up to date', () => {
    const words = (document: unknown) => boxDocument.safeParse(document).error?.issues[0]?.message
    expect(words(plainBoard(canvas, lanternLook, [starterSound(null)]))).toBe('a sound has no place on a board')
    const alert = starterAlert('follow', canvas, { pictureId: null, soundId: null })
    alert.variations[0]?.composition.parts.push(newLive('chat', canvas))
    expect(words(plainBox(canvas, [alert]))).toBe('a chat stands on boards only')
    expect(words({ ...plainBox(canvas, [{ ...alert, kinds: [] }]) })).toBe('an alert listens to one kind at least')
    expect(words({ ...plainBox(canvas, []), stays: true })).toBe('a board has one scene, which no event sets off')
  })

  it('begins on every canvas with parts that lie within it', () => {
    for (const each of [
      { ...canvas, widthPx: 320, heightPx: 80 },
      { ...canvas, widthPx: 3840, heightPx: 2160 },
      canvas,
      { ...canvas, widthPx: 1080, heightPx: 1920 },
      { ...canvas, widthPx: 1080, heightPx: 240 },
    ])
      for (const part of boxDocument.parse(plainBoard(each, lanternLook, starterBoard(each))).alerts[0]?.variations[0]
        ?.composition.parts ?? []) {
        const { place, widthPx, heightPx } = part as ReturnType<typeof newLive<'bar'>>
        expect(Math.min(place.xPx, place.yPx)).toBeGreaterThanOrEqual(0)
        expect(place.xPx + widthPx).toBeLessThanOrEqual(each.widthPx)
        expect(place.yPx + heightPx).toBeLessThanOrEqual(each.heightPx)
      }
  })

  it('shows the same at a moment whatever was asked before, of every part in every state', () => {
    const score = resolved(allParts())
    for (const state of boardStates) {
      const told = tellingOf(score, (want) => madeUp(want, state, context))
      fc.assert(
        fc.property(fc.array(fc.nat(9000), { minLength: 2, maxLength: 6 }), (moments) => {
          const shown = new Map(
            [...moments].sort((a, b) => a - b).map((tMs) => [tMs, boardAt(score, new Map(), moment(told), tMs)]),
          )
          for (const tMs of moments) expect(boardAt(score, new Map(), moment(told), tMs)).toEqual(shown.get(tMs))
        }),
        { numRuns: 25 },
      )
    }
  })

  it('shows every part before anything was told', () => {
    const { visuals } = boardAt(resolved(allParts()), new Map(), moment(new Map()), 100)
    expect(visuals.map(({ kind }) => kind)).toEqual(['bar', 'list', 'chat', 'top', 'tally', 'clock', 'sponsor'])
  })

  it('wants the same under the same name, in whatever order it is said', () => {
    const want = { of: 'top', kinds: ['tip', 'paidMessage'], since: 'day', most: 3 } as const
    const turned = { most: 3, since: 'day', kinds: ['paidMessage', 'tip'], of: 'top' } as const
    expect(wantKey({ ...want, kinds: [...want.kinds] })).toBe(wantKey({ ...turned, kinds: [...turned.kinds] }))
    expect(wantKey({ ...want, kinds: ['tip'] })).not.toBe(wantKey({ ...want, kinds: [...want.kinds] }))
  })
})

describe('a bar', () => {
  const goal = (amount: number, target: number): GoalSlice => ({
    of: 'goal',
    goal: {
      ...{ id: 'oven', title: 'New oven fund', currency: 'EUR', amount, target, targets: [100_000, 150_000] },
      ...{ round: 0, daysLeft: 19, last: { name: '<b>bold</b>', amount: { amountMinor: 2500, currency: 'EUR' } } },
    },
  })
  const shown = (slices: GoalSlice[], tMs: number): BarState => {
    const score = resolved([
      { ...newLive('bar', canvas), says: '{title}\n{amount} of {target}, {last}', atEnd: '{days} days' },
    ])
    return boardAt(score, new Map(), moment(tellingOf(score, () => slices)), tMs).visuals[0] as BarState
  }
  const words = ({ lines }: BarState) => lines.map(plainText)

  it('counts up in whole amounts, and its length with it', () => {
    const tip = [goal(58_000, 100_000), goal(60_500, 100_000)]
    expect(words(shown(tip, 900))).toEqual(['New oven fund', '€580 of €1,000, <b>bold</b>'])
    const between = shown(tip, 1300)
    expect(between.ratio).toBeGreaterThan(0.58)
    expect(between.ratio).toBeLessThan(0.605)
    expect(words(between)[1]).toMatch(/^€(58\d|59\d|60\d) of/)
    expect(shown(tip, 2300).ratio).toBeCloseTo(0.605)
    expect(plainText(shown(tip, 2300).end)).toBe('19 days')
  })

  it('is seen full and glows when a target is reached, and only then goes on to the next', () => {
    const reached = [goal(90_000, 100_000), goal(100_000, 150_000)]
    expect(shown(reached, 900).glow).toBe(0)
    const full = shown(reached, 2600)
    expect([full.ratio, words(full)[1]]).toEqual([1, '€1,000 of €1,000, <b>bold</b>'])
    expect(full.glow).toBeGreaterThan(0)
    const after = shown(reached, 6000)
    expect(after.ratio).toBeCloseTo(2 / 3)
    expect(after.marks).toEqual([{ ratio: 2 / 3, isReached: true }])
    expect([after.glow, words(after)[1]]).toEqual([0, '€1,000 of €1,500, <b>bold</b>'])
  })

  it('does not count on from another goal', () => {
    const other: GoalSlice = { of: 'goal', goal: { ...goal(500, 2000).goal!, id: 'flour' } }
    expect(words(shown([goal(90_000, 100_000), other], 1001))[1]).toContain('€5 of €20')
    expect(shown([{ of: 'goal', goal: null }], 10)).toMatchObject({ ratio: 0, lines: [] })
  })
})

describe('what parts are told', () => {
  it('is made up for every kind of event without a word of markup or of templates in it', () => {
    for (const kind of eventKinds)
      for (const viewer of Object.keys(sampleNames) as SampleName[]) {
        const { pieces } = eventRow(sampleEvent(kind, viewer), 'x', {}, 'en-IE')
        // The one with markup writes what looks like a variable, and that is what is shown.
        if (viewer !== 'markup') expect(plainText(pieces)).not.toMatch(/[{}]/)
        expect(plainText(pieces).trim()).not.toBe('')
      }
    const [name] = eventRow(sampleEvent('follow', 'markup'), 'x', {}, 'en').pieces
    expect(name).toEqual({ text: '<b>bold</b>', isValue: true })
    const said = eventRow(sampleEvent('tip', 'markup'), 'x', { tip: '{message}' }, 'en').pieces
    expect(plainText(said)).toContain('{name}')
  })

  it('holds in what somebody writes without an end, and leaves emotes in their places', () => {
    const event = sampleEvent('chatMessage', 'emoji')
    expect(chatRow(event, 'x').pieces.filter(({ emoteUrl }) => emoteUrl)).toHaveLength(2)
    const endless = { ...event, data: { viewer: null, message: { text: '🥐'.repeat(1000) } } } as typeof event
    expect([...plainText(chatRow(endless, 'x').pieces)]).toHaveLength(chatLettersMost + 1)
    const viewer = { id: 'v', name: 'v', roles: ['Moderator', 'subscriber'], colour: '#ff0000' }
    const marked = { ...event, data: { ...event.data, viewer } } as typeof event
    expect(chatRow(marked, 'x')).toMatchObject({ roles: ['helper', 'supporter'], nameInk: '#ff0000' })
  })

  it('names who gave most by the rates, and leaves out what has none', () => {
    const given = [
      { viewerId: 'a', name: 'Zoë', amountMinor: 500, currency: 'EUR' },
      { viewerId: 'b', name: 'pip_rye', amountMinor: 400, currency: 'EUR' },
      { viewerId: 'b', name: 'pip_rye', amountMinor: 400, currency: 'USD' },
      { viewerId: 'c', name: 'MarrowHat', amountMinor: 9_999_999, currency: 'XAU' },
    ]
    const rows = topRows(given, 5, { currency: 'EUR', rates: { USD: 0.5 }, locale: 'en-IE' })
    expect(rows.map(({ name, pieces }) => [name, plainText(pieces)])).toEqual([
      ['pip_rye', '€6.00'],
      ['Zoë', '€5.00'],
    ])
  })

  it('can be read: whatever colour a viewer chose', () => {
    const colour = fc.integer({ min: 0, max: 0xffffff }).map((rgb) => `#${rgb.toString(16).padStart(6, '0')}`)
    fc.assert(
      fc.property(colour, colour, (ink, background) => {
        const most = Math.max(contrast('#ffffff', background), contrast('#000000', background))
        expect(contrast(readableInk(ink, background), background)).toBeGreaterThanOrEqual(Math.min(4.45, most - 0.01))
      }),
    )
    expect(readableInk('#ffc247', '#271708')).toBe('#ffc247')
    expect(ownHue('pip_rye')).toBe(ownHue('pip_rye'))
  })

  it('is counted from when it should be, on the channel’s clock', () => {
    const at = Date.UTC(2026, 10, 26, 23, 30)
    const zone = 'Europe/Berlin'
    const since = (period: Parameters<typeof sinceOf>[0], weekStart = 1) => sinceOf(period, at, zone, 7, weekStart)
    // Past midnight there: a Friday.
    expect(since('day')).toBe(Date.UTC(2026, 10, 26, 23))
    expect(since('week')).toBe(Date.UTC(2026, 10, 22, 23))
    // Where it begins on Sundays, and on the very day.
    expect([since('week', 7), since('week', 5)]).toEqual([Date.UTC(2026, 10, 21, 23), Date.UTC(2026, 10, 26, 23)])
    expect(since('month')).toBe(Date.UTC(2026, 9, 31, 23))
    expect([since('stream'), since('ever')]).toEqual([7, null])
  })

  it('tells time as clocks do', () => {
    expect([0, 59_999, 60_000, 3_661_000, -5].map(spanWords)).toEqual(['0:00', '0:59', '1:00', '1:01:01', '0:00'])
  })
})
