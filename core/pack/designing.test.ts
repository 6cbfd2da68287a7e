import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { BoxDocument } from '../composition/box.ts'
import { edited } from '../../test/arrange/edited.ts'
import { plainBox } from '../composition/plainBox.ts'
import { starterAlert } from '../composition/starter.ts'
import { starterVoice } from '../composition/starterParts.ts'
import { usualVoice } from '../speech/voiceChoice.ts'
import { changeBox } from '../edit/change.ts'
import { design as designSchema } from './design.ts'
import {
  addDial,
  boundCount,
  changeDesign,
  changeDial,
  moveDial,
  packIdFor,
  plainDesign,
  removeDial,
  turnDesigned,
} from './designEdits.ts'
import { dial as dialSchema, type Dial } from './dial.ts'
import { dialFor, everywhere, turningAt } from './dialFor.ts'
import { ownFamilies } from './familiesOf.ts'
import { packNotes } from './packNotes.ts'
import { placeWords } from './placeWords.ts'
import { dialProblems } from './turnDials.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const file = 'a'.repeat(64)
const box = plainBox(
  canvas,
  (['follow', 'raid'] as const).map((kind) => starterAlert(kind, canvas, { pictureId: file, soundId: file })),
)
const here = 'alerts.follow.variations.follow-everyday.parts'
for (const part of box.alerts[0]?.variations[0]?.composition.parts ?? []) {
  if (part.kind === 'picture') part.colour = { mode: 'recolour', from: '#C4503A', to: { own: '#7fc8e8' } }
  if (part.kind === 'line' && part.id === 'second') part.type = { own: { family: 'Syne', weight: 500 } }
}
const add = (dial: Dial) => addDial(plainDesign('Night counter', 'Odalys'), dial)
const dialOf = (document: BoxDocument, path: string, label = 'A dial') => {
  const dial = dialFor(document, path, label)
  if (!dial) throw new Error(`nothing to turn at ${path}`)
  return dial
}

describe('what can be a dial', () => {
  it.each<[string, string, object]>([
    [
      'a number, from half to twice what it is',
      `${here}.headline.sizePx`,
      { kind: 'number', initial: 112, least: 56, most: 224, unit: 'px' },
    ],
    ['a number with a range of its own', `${here}.headline.opacity`, { kind: 'number', initial: 1, least: 0, most: 1 }],
    [
      'a switch',
      `${here}.headline.isUpperCase`,
      { kind: 'switch', initial: false, bindings: [{ transform: { as: 'same' } }] },
    ],
    [
      'a switch that hides, the other way round',
      `${here}.sound.isMuted`,
      { kind: 'switch', initial: true, bindings: [{ transform: { as: 'turned' } }] },
    ],
    ['words', `${here}.second.template`, { kind: 'words', initial: 'is now following' }],
    ['a picture', `${here}.picture.mediaId`, { kind: 'picture', initial: file }],
    ['a sound', `${here}.sound.mediaId`, { kind: 'sound', initial: file }],
    [
      'a colour that follows the look: there',
      `${here}.headline.highlightInk`,
      { kind: 'colour', initial: '#FFC247', bindings: [{ path: 'look.palette.accent' }] },
    ],
    [
      'a typeface that follows the look: there',
      `${here}.headline.type`,
      { kind: 'font', initial: 'Fraunces', bindings: [{ path: 'look.type.display.family' }] },
    ],
    [
      'a typeface of its own',
      `${here}.second.type`,
      { kind: 'font', initial: 'Syne', bindings: [{ transform: { as: 'own' } }] },
    ],
    [
      'a picture’s wanted colour',
      `${here}.picture.colour`,
      {
        kind: 'colour',
        initial: '#7fc8e8',
        bindings: [{ path: `${here}.picture.colour.to`, transform: { as: 'own' } }],
      },
    ],
    ['a colour of the look', 'look.palette.plate', { kind: 'colour', initial: '#24140B' }],
    ['the speed of the look', 'look.speedRatio', { kind: 'number', initial: 1, least: 0.5, most: 2 }],
  ])('%s', (_what, path, expected) => {
    const dial = dialOf(box, path)
    expect(dial).toMatchObject(expected)
    expect(dialSchema.safeParse(dial).success).toBe(true)
    // It begins where everything stands, and can be turned to its ends.
    expect(dialProblems(box, [dial])).toEqual([])
  })
  it.each([
    `${here}.headline.keyframes`,
    `${here}.headline.id`,
    `${here}.nothing.sizePx`,
    'alerts.follow.kinds',
    'look.name.length',
    `${here}.headline.motion.entrance`,
    `${here}.picture.fit`,
  ])('is not what stands at %s', (path) => expect(turningAt(box, path)).toBeNull())
  it('is called what its maker calls it, with an id that is free', () => {
    const first = dialOf(box, `${here}.headline.sizePx`, 'Größe der Namen!')
    expect([first.id, first.label]).toEqual(['gro-e-der-namen', 'Größe der Namen!'])
    expect(dialOf(edited(box, add(first)), `${here}.headline.opacity`, 'Größe der Namen!').id).toBe('gro-e-der-namen-2')
    expect(dialOf(box, 'look.speedRatio', '…').id).toBe('dial')
  })
})

describe('declaring dials', () => {
  const size = dialOf(box, `${here}.headline.sizePx`, 'Size')
  const accent = dialOf(box, 'look.palette.accent', 'Accent')
  const designed = edited(box, add(size), add(accent))
  const idsIn = (document: BoxDocument) => document.design?.dials.map(({ id }) => id)
  it('makes the box one that can be handed out, under a name made from its own', () => {
    expect(designed.design).toMatchObject({ id: 'night-counter', release: '1.0.0', author: 'Odalys' })
    expect(designSchema.safeParse(designed.design).success).toBe(true)
    expect([packIdFor('Ünï cödé'), packIdFor('🥐'), packIdFor('a')]).toEqual([
      expect.stringMatching(/^[a-z0-9][a-z0-9-]{2,59}$/),
      'pack-box',
      'pack-a',
    ])
  })
  it('says what else a pack says of itself', () => {
    const named = edited(
      box,
      changeDesign('licence', plainDesign('Night counter', 'Odalys'), (design) => void (design.licence = 'CC0-1.0')),
    )
    expect(named.design).toMatchObject({ licence: 'CC0-1.0', dials: [] })
    expect(
      changeBox(
        named,
        changeDesign('id', plainDesign('', ''), (design) => void (design.id = 'No!')),
      ).ok,
    ).toBe(false)
  })
  it('orders, renames and removes them; what they turned stays', () => {
    expect(idsIn(edited(designed, moveDial('size', 1)))).toEqual(['accent', 'size'])
    expect(idsIn(edited(designed, moveDial('size', -1)))).toEqual(['size', 'accent'])
    expect(
      edited(
        designed,
        changeDial('size', 'name', (dial) => void (dial.label = 'How large')),
      ).design?.dials[0]?.label,
    ).toBe('How large')
    const removed = edited(designed, turnDesigned('size', 90), removeDial('size'))
    expect([
      idsIn(removed),
      removed.alerts[0]?.variations[0]?.composition.parts.find(({ id }) => id === 'headline'),
    ]).toMatchObject([['accent'], { sizePx: 90 }])
  })
  it('refuses what no dial can be', () => {
    const broken = changeBox(
      designed,
      changeDial('size', 'range', (dial) => void (dial.kind === 'number' && (dial.least = 500))),
    )
    expect(broken.ok ? '' : broken.error).toContain('begins outside its range')
  })
  it('turns what it is bound to, where it is tried: there and back is nothing', () => {
    fc.assert(
      fc.property(fc.integer({ min: 56, max: 224 }), (value) => {
        const turned = edited(designed, turnDesigned('size', value))
        expect(dialProblems(turned, turned.design?.dials ?? [])).toEqual([])
        expect(edited(turned, turnDesigned('size', 112))).toEqual(designed)
      }),
    )
  })
  it('reaches every alert once it is bound everywhere', () => {
    const wide = everywhere(size.bindings[0]?.path ?? '')
    expect([wide, everywhere(wide), everywhere('look.speedRatio')]).toEqual([
      'alerts.*.variations.*.parts.headline.sizePx',
      wide,
      'look.speedRatio',
    ])
    const all = edited(
      designed,
      changeDial('size', 'everywhere', (dial) => dial.bindings.forEach((binding) => void (binding.path = wide))),
      turnDesigned('size', 70),
    )
    expect(all.design?.dials[0] && boundCount(all, all.design.dials[0])).toBe(2)
    expect(
      all.alerts.flatMap(({ variations }) =>
        variations.flatMap(({ composition }) =>
          composition.parts.flatMap((part) => (part.kind === 'line' && part.id === 'headline' ? [part.sizePx] : [])),
        ),
      ),
    ).toEqual([70, 70])
    expect(placeWords(all.alerts, 'alerts.*.variations.*.composition.parts.headline.sizePx'.split('.'))).toBe(
      'all alerts › Headline › size',
    )
    expect(placeWords(all.alerts, ['look', 'palette', 'accent'])).toBe('look › palette › accent')
  })
  it('says where something was changed past it', () => {
    const past = edited(designed, { label: '', recipe: (draft) => void (draft.look.palette.accent = '#112233') })
    expect(dialProblems(past, past.design?.dials ?? []).map(({ dialId, words }) => [dialId, words])).toEqual([
      ['accent', expect.stringContaining('stands otherwise')],
    ])
  })
})

describe('what is worth knowing of a pack', () => {
  const text = {
    ...box,
    look: { ...box.look, type: { ...box.look.type, display: { ...box.look.type.display, family: 'Loaf Sans' } } },
  }
  const changed = edited(text, {
    label: '',
    recipe: (draft) => {
      for (const part of draft.alerts[1]?.variations[0]?.composition.parts ?? [])
        if (part.kind === 'line') part.template = part.id === 'second' ? '{name} left {amount}' : '{name'
    },
  })
  const lost: Dial = {
    ...dialOf(box, 'look.speedRatio', 'Pace'),
    bindings: [{ path: 'look.pace', transform: { as: 'same' } }],
  }
  const media = [
    {
      id: file,
      file: `media/${file}`,
      name: 'Lantern',
      kind: 'picture' as const,
      mime: 'image/png',
      sizeBytes: 1,
      licence: '',
    },
  ]
  it('is nothing where all is as meant', () =>
    expect(packNotes({ box, dials: [dialOf(box, 'look.speedRatio')], media: [] }, [])).toEqual([]))
  it('is said: variables that never come, words that cannot be read, dials that turn nothing, typefaces and licences that are missing', () => {
    expect(packNotes({ box: changed, dials: [lost], media }, [])).toEqual([
      'The dial “Pace”: nothing stands at look.pace.',
      '“Headline” of Raid has words that cannot be read as meant.',
      '“Second line” of Raid leaves {amount} empty: such events never carry it.',
      'The typeface Loaf Sans does not come with it: another stands in.',
      '1 of its files says nothing of a licence.',
    ])
    expect(packNotes({ box: changed, dials: [], media: [] }, ['Loaf Sans'])).toHaveLength(2)
  })
  it('voices of engines that only some servers have, once for each', () => {
    const voiced = (engine: string) =>
      edited(box, {
        label: '',
        recipe: (draft) => {
          for (const { variations } of draft.alerts)
            variations[0]?.composition.parts.push({
              ...starterVoice('{name}'),
              messageVoice: { ...usualVoice, engine },
            })
        },
      })
    expect(packNotes({ box: voiced('studio'), dials: [], media: [] }, [])).toEqual([
      'Some of it is read by the voice engine “studio”: where a server does not have it, these alerts play without a voice.',
    ])
    expect(packNotes({ box: voiced('flite'), dials: [], media: [] }, [])).toEqual([])
  })
  it('typefaces are those of looks, seasons, parts and dials that do not ship', () => {
    const font: Dial = {
      ...lost,
      id: 'font',
      kind: 'font',
      initial: 'Crumb',
      bindings: [{ path: 'look.type.text.family', transform: { as: 'same' } }],
    } as Dial
    expect(
      ownFamilies(
        {
          ...text,
          seasons: [
            {
              id: 'frost',
              from: '12-01',
              to: '01-06',
              swaps: [],
              look: { ...text.look, type: { ...text.look.type, text: { ...text.look.type.text, family: 'Rime' } } },
            },
          ],
        },
        [font],
      ),
    ).toEqual(['Crumb', 'Loaf Sans', 'Rime'])
  })
})
