import type { Alert, Variation } from '../core/composition/box.ts'
import type { SoundRole } from '../core/look/schema.ts'
import type { GallerySet, PictureRole, Seat } from './set.ts'
import { withVoice } from './parts.ts'
import { plainWords, plans } from './words.ts'

/** Finds the id of a set's file. */
export interface SetMedia {
  picture(role: PictureRole): string | null
  sound(role: SoundRole): string
}

/** The alerts of a set: for every kind of event, special cases before the everyday one. */
export function alertsOf(set: GallerySet, media: SetMedia): Alert[] {
  return plans.map(({ kinds, role, hasMessage, isRead, isOff, cases, several }) => {
    const compose = (given: Seat) => (isRead ? withVoice(set.compose(given), given) : set.compose(given))
    const [kind] = kinds
    const id = kind.toLowerCase()
    const seat = (changes: Partial<Seat>): Seat => ({
      kind,
      words: set.words[kind] ?? plainWords(kind),
      role,
      isGreat: false,
      hasMessage: hasMessage ?? false,
      pictureId: media.picture(role),
      soundId: media.sound(role),
      ...changes,
    })
    const special = (cases ?? []).map(({ id: caseId, name, rule, isGreat, wordsOf, second }) => {
      const own = wordsOf ? (set.words[wordsOf] ?? plainWords(wordsOf)) : (set.words[kind] ?? plainWords(kind))
      const words = second ? { ...own, second } : own
      return {
        id: `${id}-${caseId}`,
        name,
        rule,
        share: null,
        composition: compose(seat({ words, isGreat, ...(isGreat ? { pictureId: media.picture('great') } : {}) })),
      }
    })
    const together: Variation[] = several
      ? [
          {
            id: `${id}-several`,
            name: 'Several at once',
            rule: null,
            share: null,
            isForSeveral: true,
            composition: set.compose(seat({ words: { headline: '{name}', second: several }, hasMessage: false })),
          },
        ]
      : []
    return {
      id,
      kinds: [...kinds],
      isOn: !isOff,
      offer: null,
      variations: [
        ...special,
        ...together,
        { id: `${id}-everyday`, name: 'Everyday', rule: null, share: null, composition: compose(seat({})) },
      ],
    }
  })
}
