import { kindOf, type EventKind } from '../events/kinds.ts'
import type { Alert } from './box.ts'
import type { Canvas } from './canvas.ts'
import type { Composition } from './schema.ts'
import { starterLine, starterPicture, starterSound } from './starterParts.ts'

export interface StarterMedia {
  pictureId: string | null
  soundId: string | null
}

/** Words, picture and sound arranged so that nothing overlaps: the text enters when the picture has entered. */
export function starterComposition(
  canvas: Canvas,
  words: { headline: string; second: string },
  media: StarterMedia,
): Composition {
  return {
    version: 4,
    length: { rule: 'fixed', ms: 7000 },
    silenced: [],
    parts: [
      starterPicture(canvas, media.pictureId),
      starterLine(canvas, 'headline', words.headline, { at: 'picture.entered', offsetMs: 0 }),
      starterLine(canvas, 'second', words.second, { at: 'headline.entered', offsetMs: -200 }),
      starterSound(media.soundId),
    ],
  }
}

/** An alert for a kind of event, with one everyday variation. */
export function starterAlert(
  kind: EventKind,
  canvas: Canvas,
  media: StarterMedia,
  words = kindOf(kind).starter,
): Alert {
  const id = kind.toLowerCase()
  return {
    id,
    kinds: [kind],
    isOn: true,
    offer: null,
    variations: [
      {
        id: `${id}-everyday`,
        name: 'Everyday',
        rule: null,
        share: null,
        composition: starterComposition(canvas, words, media),
      },
    ],
  }
}
