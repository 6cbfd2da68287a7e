import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { BoxDocument } from '../composition/box.ts'
import { starterAlert } from '../composition/starter.ts'
import { dial as dialSchema, type Dial } from './dial.ts'
import { placesOf, readAt } from './places.ts'
import { dialProblems, turnDials, turned as turnedBox } from './turnDials.ts'
import { plainBox } from '../composition/plainBox.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const file = 'a'.repeat(64)
const alerts = (['follow', 'raid'] as const).map((kind) =>
  starterAlert(kind, canvas, { pictureId: file, soundId: file }),
)
for (const alert of alerts)
  for (const part of alert.variations[0]?.composition.parts ?? [])
    if (part.kind === 'picture') part.colour = { mode: 'recolour', from: '#C4503A', to: { role: 'accent' } }
const common = { about: '', group: 'Colours' }
const dials: Dial[] = [
  {
    ...common,
    id: 'glow',
    kind: 'colour',
    label: 'Warmth',
    initial: '#FFC247',
    bindings: [
      { path: 'look.palette.accent', transform: { as: 'same' } },
      { path: 'alerts.*.variations.*.parts.picture.colour', transform: { as: 'recolour' } },
    ],
  },
  {
    ...common,
    id: 'size',
    kind: 'number',
    label: 'How large',
    initial: 50,
    least: 0,
    most: 100,
    unit: '%',
    bindings: [
      {
        path: 'alerts.*.variations.*.parts.headline.sizePx',
        transform: { as: 'range', from: [0, 100], to: [60, 160] },
      },
      { path: 'look.speedRatio', transform: { as: 'range', from: [0, 100], to: [2, 1] } },
    ],
  },
  {
    ...common,
    id: 'quiet',
    kind: 'switch',
    label: 'Sounds',
    initial: true,
    bindings: [{ path: 'alerts.*.variations.*.parts.sound.isMuted', transform: { as: 'turned' } }],
  },
  {
    ...common,
    id: 'mood',
    kind: 'choice',
    label: 'Mood',
    initial: 'calm',
    choices: [
      { id: 'calm', label: 'calm' },
      { id: 'wild', label: 'wild' },
    ],
    bindings: [{ path: 'look.motion.enter.motion', transform: { as: 'choose', of: { calm: 'fade', wild: 'spring' } } }],
  },
  {
    ...common,
    id: 'greeting',
    kind: 'words',
    label: 'Greeting',
    initial: 'is now following',
    bindings: [{ path: 'alerts.follow.variations.follow-everyday.parts.second.template', transform: { as: 'same' } }],
  },
]
const drawn: BoxDocument = plainBox(canvas, alerts)
/** As it stands with every dial where it begins. */
const designed = turnedBox({ box: drawn, dials }, {})
const turned = (values: Parameters<typeof turnDials>[2]) => {
  const result = turnDials(designed, dials, values)
  if (!result.ok) throw new Error(result.error)
  return result.value
}
const partOf = (document: BoxDocument, id: string, alert = 0) =>
  document.alerts[alert]?.variations[0]?.composition.parts.find((part) => part.id === id) as unknown as Record<
    string,
    unknown
  >

describe('places', () => {
  it('are found by ids and names, and all of them by a star', () => {
    expect(placesOf(designed, 'look.palette.accent')).toEqual([['look', 'palette', 'accent']])
    expect(placesOf(designed, 'alerts.*.variations.*.parts.headline.sizePx')).toHaveLength(2)
    expect(placesOf(designed, 'alerts.raid.variations.*.parts.*.id')).toHaveLength(4)
    expect(readAt(designed, placesOf(designed, 'alerts.raid.kinds')[0] ?? [])).toEqual(['raid'])
  })
  it.each([
    'look.palette.gold',
    'alerts.tip.isOn',
    'look.constructor.name',
    'look.__proto__.polluted',
    'alerts.0.isOn',
    'alerts.length',
    'look.name.length',
  ])('are none where nothing of its own stands: %s', (path) => expect(placesOf(designed, path)).toEqual([]))
})

describe('turning dials', () => {
  it('reaches every bound place, as the transforms say', () => {
    const wild = turned({ glow: '#7FC8E8', size: 100, quiet: false, mood: 'wild', greeting: 'takes a seat' })
    expect(wild.look).toMatchObject({
      palette: { accent: '#7FC8E8' },
      speedRatio: 1,
      motion: { enter: { motion: 'spring' } },
    })
    for (const alert of [0, 1]) {
      expect(partOf(wild, 'headline', alert).sizePx).toBe(160)
      expect(partOf(wild, 'sound', alert).isMuted).toBe(true)
      expect(partOf(wild, 'picture', alert).colour).toEqual({
        mode: 'recolour',
        from: '#C4503A',
        to: { own: '#7FC8E8' },
      })
    }
    expect([partOf(wild, 'second').template, partOf(wild, 'second', 1).template]).toEqual([
      'takes a seat',
      'arrives with {party}',
    ])
  })
  it('leaves the design alone, gives the same for the same, and forgets what is turned back', () => {
    const before = JSON.stringify(designed)
    fc.assert(
      fc.property(
        fc.record(
          { size: fc.integer({ min: 0, max: 100 }), quiet: fc.boolean(), mood: fc.constantFrom('calm', 'wild') },
          { requiredKeys: [] },
        ),
        (values) => {
          expect(turned(values)).toEqual(turned(values))
          expect(JSON.stringify(designed)).toBe(before)
          // The override is made from the design each time, never from what came out before.
          expect(turned({ size: 50, quiet: true, mood: 'calm' })).toEqual(turned({}))
        },
      ),
    )
  })
  it.each([
    ['size', 101, 'How large: from 0 to 100'],
    ['glow', 'warm', 'Warmth: a colour'],
    ['quiet', 'yes', 'Sounds: on or off'],
    ['mood', 'sad', 'Mood: none of the choices'],
  ] as const)('refuses what does not fit: %s at %s', (id, value, words) => {
    const result = turnDials(designed, dials, { [id]: value })
    expect(result.ok ? '' : result.error).toContain(words)
  })
})

describe('what a designer has to mend', () => {
  it('is nothing where all is well', () => expect(dialProblems(designed, dials)).toEqual([]))
  it('is named: places that are not, ids that are there twice, ends that break the box', () => {
    const broken: Dial[] = [
      {
        ...common,
        id: 'lost',
        kind: 'switch',
        label: 'Lost',
        initial: true,
        bindings: [{ path: 'alerts.tip.isOn', transform: { as: 'same' } }],
      },
      {
        ...common,
        id: 'lost',
        kind: 'number',
        label: 'Too far',
        initial: 100,
        least: 0,
        most: 100,
        unit: '',
        bindings: [
          {
            path: 'alerts.follow.variations.*.parts.headline.sizePx',
            transform: { as: 'range', from: [0, 100], to: [-50, 90] },
          },
        ],
      },
    ]
    expect(dialProblems(designed, broken).map(({ words }) => words)).toEqual([
      'nothing stands at alerts.tip.isOn',
      'two dials are called “lost”',
      expect.stringContaining('stands otherwise'),
      expect.stringContaining('turned to 0'),
    ])
  })
  it.each([
    ['bindings', { ...dials[2], bindings: [] }],
    [
      'a range without width',
      { ...dials[1], bindings: [{ path: 'look.speedRatio', transform: { as: 'range', from: [5, 5], to: [0, 1] } }] },
    ],
    ['a number that begins outside', { ...dials[1], initial: 500 }],
    ['code', { ...dials[0], bindings: [{ path: 'look.palette.accent', transform: { as: 'script', code: 'x' } }] }],
    ['a path with holes', { ...dials[0], bindings: [{ path: 'look..accent', transform: { as: 'same' } }] }],
  ])('is refused by its schema: %s', (_what, value) => expect(dialSchema.safeParse(value).success).toBe(false))
})
