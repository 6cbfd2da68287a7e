import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { plainBox } from '../composition/plainBox.ts'
import { starterAlert } from '../composition/starter.ts'
import type { CanonicalEvent } from '../events/schema.ts'
import { openGate, type Gate } from '../gate/schema.ts'
import type { BoxPolicy } from '../queue/policy.ts'
import type { SheetNode } from '../sheet/schema.ts'
import { usualSettings } from '../speech/settings.ts'
import { newTrigger, type Trigger } from '../triggers/schema.ts'
import { usualCalls } from '../triggers/settings.ts'
import { nightOf } from './night.ts'
import { figuresUnder, rehearse, type RehearsedChannel, type SideBox } from './rehearse.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const none = { pictureId: null, soundId: null }
const document = plainBox(canvas, [starterAlert('redemption', canvas, none), starterAlert('follow', canvas, none)])
const alertId = document.alerts[0]?.id ?? ''
const play: SheetNode = { do: 'play', boxId: 'box', alertId, variationId: null, isBeside: false }
const startMs = Date.UTC(2026, 10, 24, 22)

const triggerOf = (
  id: string,
  gate: Partial<Gate>,
  of: SheetNode[] = [play],
  fields: Partial<Trigger> = {},
): Trigger => ({
  ...newTrigger(id, id),
  isArmed: true,
  starts: [{ by: 'command', word: id, aliases: [] }],
  gate: { ...openGate, ...gate },
  sheet: { do: 'inTurn', of },
  ...fields,
})
const channelOf = (triggers: readonly Trigger[]): RehearsedChannel => ({
  ...{
    locale: 'en',
    currency: 'EUR',
    rates: {},
    timeZone: 'UTC',
    weekStart: 1,
    pageColours: null,
    platforms: {},
    media: {},
    triggers,
  },
  ...{ speech: usualSettings, flags: () => false, goals: { basis: 0, counted: [] } },
  calls: {
    ...usualCalls,
    points: { ...usualCalls.points, earned: [{ kind: 'follow', points: 50, perMinor: null }] },
  },
})
type Did = readonly [secondsIn: number, viewer: string, word: string]
const event = ([s, viewer, word]: Did, at: number): CanonicalEvent =>
  ({
    ...{ source: 'feed:x', externalId: `e${at}`, occurredAtMs: startMs + s * 1_000 },
    ...(word === 'follow'
      ? { kind: 'follow', data: { viewer: { id: viewer, name: viewer } } }
      : { kind: 'chatCommand', data: { viewer: { id: viewer, name: viewer }, command: `!${word}` } }),
  }) as CanonicalEvent
const nightBy = (did: readonly Did[]) =>
  nightOf(did.map((each, at) => ({ event: event(each, at), atMs: startMs + each[0] * 1_000 })))
const box = (policy: BoxPolicy | null = null): SideBox => ({ boxId: 'box', document, policy, isPlayed: true })
const studio = {
  scenes: ['Bench cam', 'Oven cam'],
  programme: 'Bench cam',
  sources: [{ name: 'Flour cloud', isShown: false, scenes: ['Bench cam'] }],
}
const rehearsed = (
  did: readonly Did[],
  triggers: readonly Trigger[],
  policy: BoxPolicy | null = null,
  startPoints = 0,
) => rehearse(nightBy(did), { boxes: [box(policy)] }, channelOf(triggers), { studio, startPoints })
const endsOf = ({ played }: ReturnType<typeof rehearsed>) =>
  played.calls.calls.map(({ end, refusal }) => refusal ?? end)

describe('what viewers set off in a night', () => {
  it('is let through or not by its gate: too soon, none left, too few points; whoever is let through is shown', () => {
    const bell = triggerOf('bell', { againAfter: { allMs: 20_000, viewerMs: 0 }, stock: 2 })
    const did: Did[] = [0, 5, 25, 50].map((s) => [s, 'pip_rye', 'bell'])
    const made = rehearsed(did, [bell])
    expect(endsOf(made)).toEqual(['ran', 'cooldown', 'ran', 'stock'])
    expect(made.triggers).toMatchObject([{ asked: 4, ran: 2, refused: 2, stockEndedAtMs: startMs + 25_000, spent: 0 }])
    expect(made.figures.counts).toMatchObject({ shown: 2, refused: 2 })
    expect(made.figures.kinds).toMatchObject([{ kind: 'chatCommand', count: 2 }])

    const dear = triggerOf('dear', { cost: 80 })
    const poor: Did[] = [
      [0, 'a', 'dear'],
      [1, 'a', 'follow'],
      [2, 'a', 'dear'],
      [3, 'a', 'follow'],
      [4, 'a', 'dear'],
      [5, 'b', 'dear'],
    ]
    // Of what `a` earns, 80 are taken; `b` has nothing.
    expect(endsOf(rehearsed(poor, [dear]))).toEqual(['cost', 'cost', 'ran', 'cost'])
    expect(endsOf(rehearsed(poor, [dear], null, 80))).toEqual(['ran', 'cost', 'ran', 'ran'])
  })

  it('is given back where it never began: the cooldown, the stock and the points', () => {
    const bell = triggerOf('bell', { stock: 1, cost: 10, againAfter: { allMs: 300_000, viewerMs: 0 } })
    // Follows take the line for longer than the bell may wait.
    const did: Did[] = [
      ...Array.from({ length: 10 }, (_, at): Did => [0, `f${at}`, 'follow']),
      [1, 'a', 'bell'],
      [120, 'a', 'bell'],
    ]
    const impatient: BoxPolicy = [{ rule: 'age', isOn: true, kinds: ['chatCommand', 'redemption'], ms: 10_000 }]
    const made = rehearsed(did, [bell], impatient, 10)
    expect(endsOf(made)).toEqual(['released', 'ran'])
    expect(made.triggers).toMatchObject([{ released: 1, ran: 1, spent: 10, stockEndedAtMs: startMs + 120_000 }])
    expect(made.figures.counts).toMatchObject({ letGo: 1, shown: 11 })
    // With patience the first rings late, and takes what there is.
    expect(endsOf(rehearsed(did, [bell], [], 10))).toEqual(['ran', 'cooldown'])
    expect(figuresUnder(made, 'box', []).counts.letGo).toBe(0)
  })

  it('holds the studio and gives back what was there, says its words and asks for the scene', () => {
    const oven = triggerOf(
      'oven',
      { scenes: ['Bench cam'] },
      [
        { do: 'scene', scene: 'Oven cam', forMs: 15_000 },
        { do: 'say', words: 'mind the heat, {name}' },
      ],
      { again: 'together', refusal: '{name}: {reason}' },
    )
    const did: Did[] = [
      [0, 'a', 'oven'],
      [5, 'b', 'oven'],
      [20, 'c', 'oven'],
    ]
    const { played } = rehearsed(did, [oven])
    expect(played.calls.calls.map(({ end, refusal }) => refusal ?? end)).toEqual(['ran', 'scene', 'ran'])
    expect(played.studio.map(({ atMs, programme }) => [(atMs - startMs) / 1_000, programme])).toEqual([
      [0, 'Oven cam'],
      [15, 'Bench cam'],
      [20, 'Oven cam'],
      [35, 'Bench cam'],
    ])
    expect(played.calls.said.map(({ words }) => words)).toEqual([
      'b: Only while Bench cam is shown.',
      'mind the heat, a',
      'mind the heat, c',
    ])
  })

  it('of a box that is not rehearsed begins at once; a scene of quiet holds the line while a sheet shows it', () => {
    const bell = triggerOf('bell', {})
    const did: Did[] = [[0, 'a', 'bell']]
    const elsewhere = rehearse(
      nightBy(did),
      {
        boxes: [
          { ...box(), boxId: 'other' },
          { ...box(), isPlayed: false },
        ],
      },
      channelOf([bell]),
      { studio, startPoints: 0 },
    )
    expect(elsewhere.played.calls.calls).toMatchObject([{ end: 'ran', beganMs: startMs }])
    expect([...(elsewhere.played.boxes.get('other')?.shown.keys() ?? [])]).toEqual([])

    const oven = triggerOf('oven', {}, [{ do: 'scene', scene: 'Oven cam', forMs: 30_000 }])
    const quiet: BoxPolicy = [
      { rule: 'quiet', isOn: true, when: { is: 'scenes', scenes: ['Oven cam'] }, does: 'collect' },
    ]
    const { played } = rehearsed(
      [
        [0, 'a', 'oven'],
        [10, 'b', 'follow'],
      ],
      [oven],
      quiet,
    )
    expect([...(played.boxes.get('box')?.shown.values() ?? [])].map(({ fromMs }) => fromMs - startMs)).toEqual([30_120])
  })

  it('ends once each, whatever is asked and however the box behaves', () => {
    const triggers = [
      triggerOf('bell', { againAfter: { allMs: 3_000, viewerMs: 10_000 }, stock: 6 }),
      triggerOf('dear', { cost: 30, perStream: { all: 4, viewer: 2 } }, [play, { do: 'wait', ms: 2_000 }, play]),
      triggerOf('rise', { votes: { needed: 2, withinMs: 20_000 } }, [{ do: 'together', of: [play, play] }]),
    ]
    const did = fc.array(
      fc.tuple(fc.nat(200), fc.constantFrom('a', 'b', 'c'), fc.constantFrom('bell', 'dear', 'rise', 'follow')),
      { maxLength: 40 },
    )
    const policy = fc.constantFrom<BoxPolicy | null>(null, [
      { rule: 'age', isOn: true, kinds: null, ms: 8_000 },
      { rule: 'room', isOn: true, atMost: 2 },
    ])
    fc.assert(
      fc.property(did, policy, (all, of) => {
        const { played, figures, night, triggers: told } = rehearsed(all, triggers, of, 60)
        const asked = all.filter(([, , word]) => word !== 'follow')
        expect(played.calls.calls).toHaveLength(asked.length)
        expect(played.calls.calls.filter(({ end }) => end === 'open')).toEqual([])
        for (const each of told) expect(each.asked).toBe(each.ran + each.released + each.refused)
        // Nobody spends more than was there and was earned.
        const earned = all.length - asked.length
        expect(told.reduce((sum, { spent }) => sum + spent, 0)).toBeLessThanOrEqual(3 * 60 + 50 * earned)
        // Everything in the line ended, and every event of the night is somewhere in the figures.
        const line = played.boxes.get('box')
        for (const id of played.calls.plays.keys()) expect(line?.ends.has(id)).toBe(true)
        expect(Object.values(figures.counts).reduce((x, y) => x + y)).toBeGreaterThanOrEqual(night.events.length)
        expect(rehearsed(all, triggers, of, 60).figures).toEqual(figures)
      }),
      { numRuns: 60 },
    )
  })
})
