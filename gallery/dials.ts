import type { Dial } from '../core/pack/dial.ts'
import type { GallerySet } from './set.ts'

const everywhere = 'alerts.*.variations.*.parts'
const same = { as: 'same' } as const
const plain = { about: '' }

/** The dials of a set: its own, and those that every set has. They begin where the set stands. */
export function dialsOf(set: GallerySet, sounds: { arrival: string; support: string; crowd: string }): Dial[] {
  const { palette, type, soundTrimDb, speedRatio } = set.look
  const colour = (id: 'accent' | 'headline' | 'plate' | 'glow', label: string): Dial => ({
    ...plain,
    id,
    kind: 'colour',
    label,
    group: 'Colours',
    initial: palette[id],
    bindings: [{ path: `look.palette.${id}`, transform: same }],
  })
  return [
    colour('accent', 'Main colour, names'),
    colour('headline', 'Headlines'),
    colour('plate', 'Ground'),
    colour('glow', 'Sparks and glow'),
    {
      ...plain,
      id: 'typeface',
      kind: 'font',
      label: 'Headlines',
      group: 'Words',
      initial: type.display.family,
      bindings: [{ path: 'look.type.display.family', transform: same }],
    },
    {
      id: 'size',
      kind: 'number',
      label: 'Size of words',
      about: 'Of all words together.',
      group: 'Words',
      initial: 100,
      least: 70,
      most: 130,
      unit: '%',
      bindings: (['display', 'text'] as const).map((role) => ({
        path: `look.type.${role}.sizeRatio`,
        transform: { as: 'range' as const, from: [70, 130] as [number, number], to: [0.7, 1.3] as [number, number] },
      })),
    },
    {
      ...plain,
      id: 'greeting',
      kind: 'words',
      label: 'What new followers read',
      group: 'Words',
      initial: (set.words.follow ?? { second: 'is following now' }).second,
      bindings: [{ path: 'alerts.follow.variations.follow-everyday.parts.second.template', transform: same }],
    },
    {
      ...plain,
      id: 'pace',
      kind: 'number',
      label: 'Pace',
      group: 'Motion',
      initial: speedRatio,
      least: 0.5,
      most: 2,
      unit: '×',
      bindings: [{ path: 'look.speedRatio', transform: same }],
    },
    ...(set.sparks.length > 0
      ? [
          {
            ...plain,
            id: 'sparks',
            kind: 'switch' as const,
            label: 'Sparks',
            group: 'Motion',
            initial: true,
            bindings: set.sparks.map((part) => ({
              path: `${everywhere}.${part}.isHidden`,
              transform: { as: 'turned' as const },
            })),
          },
        ]
      : []),
    ...set.dials,
    {
      id: 'loudness',
      kind: 'number',
      label: 'Loudness',
      about: 'Added to every sound.',
      group: 'Sound',
      initial: soundTrimDb,
      least: -24,
      most: 6,
      unit: 'dB',
      bindings: [{ path: 'look.soundTrimDb', transform: same }],
    },
    {
      id: 'voice',
      kind: 'switch',
      label: 'Read aloud',
      about: 'A voice reads tips, paid messages and months.',
      group: 'Sound',
      initial: false,
      bindings: [{ path: `${everywhere}.voice.isMuted`, transform: { as: 'turned' } }],
    },
    {
      ...plain,
      id: 'arrival',
      kind: 'sound',
      label: 'When someone comes',
      group: 'Sound',
      initial: sounds.arrival,
      bindings: [{ path: 'look.sounds.arrival', transform: same }],
    },
    {
      ...plain,
      id: 'support',
      kind: 'sound',
      label: 'When someone gives',
      group: 'Sound',
      initial: sounds.support,
      bindings: [{ path: 'look.sounds.support', transform: same }],
    },
    {
      ...plain,
      id: 'crowd',
      kind: 'sound',
      label: 'When many come together',
      group: 'Sound',
      initial: sounds.crowd,
      bindings: [{ path: 'look.sounds.crowd', transform: same }],
    },
  ]
}
