import { copyOf } from '../copyOf.ts'
import type { BoxDocument } from '../composition/box.ts'
import type { Edit } from '../edit/change.ts'
import { slugOf } from '../slugOf.ts'
import type { Design } from './design.ts'
import type { Dial, DialValue } from './dial.ts'
import { placesOf, readAt, writeAt } from './places.ts'
import { changedPlaces } from './changedPlaces.ts'
import { turned } from './turnDials.ts'

/** What a pack is called after a box. */
export function packIdFor(boxName: string): string {
  const slug = slugOf(boxName, 50)
  return slug.length >= 3 ? slug : `pack-${slug || 'box'}`
}

/** What a box is as a pack before anybody said so. */
export const plainDesign = (boxName: string, author: string): Design => ({
  id: packIdFor(boxName),
  release: '1.0.0',
  author,
  licence: '',
  about: '',
  dials: [],
})

/** Changes what a box is as a pack; makes it one where it was none. */
export function changeDesign(what: string, start: Design, recipe: (design: Design) => void): Edit {
  return {
    label: `pack: ${what}`,
    mergeKey: `design/${what}`,
    recipe: (draft) => {
      draft.design ??= copyOf(start)
      recipe(draft.design)
    },
  }
}

/** Declares a dial, as a step of its own; makes the box a pack where it was none. */
export function addDial(start: Design, dial: Dial): Edit {
  return {
    label: `make a dial: ${dial.label}`,
    recipe: (draft) => {
      draft.design ??= copyOf(start)
      draft.design.dials.push(dial)
    },
  }
}

/** Changes a dial; what is declared otherwise is checked where the whole is. */
export function changeDial(dialId: string, what: string, recipe: (dial: Dial) => void): Edit {
  return {
    label: `dial: ${what}`,
    mergeKey: `design/${dialId}/${what}`,
    recipe: (draft) => {
      const dial = draft.design?.dials.find(({ id }) => id === dialId)
      if (dial) recipe(dial)
    },
  }
}

/** Removes a dial; what it turned stays as it stands. */
export function removeDial(dialId: string): Edit {
  return {
    label: 'remove a dial',
    recipe: (draft) =>
      void (draft.design && (draft.design.dials = draft.design.dials.filter(({ id }) => id !== dialId))),
  }
}

/** Moves a dial before or after its neighbour. */
export function moveDial(dialId: string, by: -1 | 1): Edit {
  return {
    label: 'order of dials',
    recipe: (draft) => {
      const dials = draft.design?.dials ?? []
      const from = dials.findIndex(({ id }) => id === dialId)
      const [dial, other] = [dials[from], dials[from + by]]
      if (dial && other) [dials[from], dials[from + by]] = [other, dial]
    },
  }
}

/** Turns a dial of the box's own design: where it stands then is where it begins for others. */
export function turnDesigned(dialId: string, value: DialValue): Edit {
  return {
    label: 'turn a dial',
    mergeKey: `design/${dialId}/turn`,
    recipe: (draft) => {
      const dial = draft.design?.dials.find(({ id }) => id === dialId)
      if (!dial) return
      dial.initial = value
      const box = copyOf(draft) as BoxDocument
      const after = turned({ box, dials: [copyOf(dial)] }, {})
      for (const { path, after: is } of changedPlaces(box, after)) {
        const [place] = placesOf(draft, path)
        if (place) writeAt(draft, place, copyOf(is))
      }
    },
  }
}

/** Where a dial's places are, of a box: how many there are by now. */
export const boundCount = (document: BoxDocument, dial: Dial): number =>
  dial.bindings.reduce(
    (sum, { path }) => sum + placesOf(document, path).filter((place) => readAt(document, place) !== undefined).length,
    0,
  )
