import type { BoxDocument } from '../composition/box.ts'
import { copyOf } from '../copyOf.ts'
import type { Look } from '../look/schema.ts'
import type { Season } from '../look/seasons.ts'
import type { Edit } from './change.ts'
import { freeId } from './freeId.ts'

/** Changes the box's everyday look, or that of a season; every part that refers to its roles follows, in all alerts. */
export function changeLook(seasonId: string | null, what: string, recipe: (look: Look) => void): Edit {
  return {
    label: `look: ${what}`,
    mergeKey: `look/${seasonId ?? ''}/${what}`,
    recipe: (draft) => {
      const look = seasonId === null ? draft.look : draft.seasons.find(({ id }) => id === seasonId)?.look
      if (look) recipe(look)
    },
  }
}

/** Another look in the place of one, as one step. */
export function replaceLook(seasonId: string | null, by: Look): Edit {
  return changeLook(seasonId, by.name, (look) => void Object.assign(look, copyOf(by)))
}

/** A free id for another season. */
export const seasonIdFor = ({ seasons }: BoxDocument): string => freeId('season', new Set(seasons.map(({ id }) => id)))

/** Adds a season that looks like every day, first in the order, so that nothing hides it. */
export function addSeason(id: string, name: string, from: string, to: string): Edit {
  return {
    label: 'add a season',
    recipe: (draft) => void draft.seasons.unshift({ id, from, to, look: { ...copyOf(draft.look), name }, swaps: [] }),
  }
}

/** Changes a season's days. */
export function changeSeason(id: string, days: Pick<Season, 'from' | 'to'>): Edit {
  return {
    label: 'days of a season',
    mergeKey: `season/${id}`,
    recipe: (draft) => {
      const season = draft.seasons.find((each) => each.id === id)
      if (season) Object.assign(season, days)
    },
  }
}

/** Has a file shown in the place of another while it is this season; null: the other one again. */
export function swapInSeason(id: string, from: string, to: string | null): Edit {
  return {
    label: 'file of a season',
    recipe: (draft) => {
      const season = draft.seasons.find((each) => each.id === id)
      if (!season) return
      season.swaps = season.swaps.filter((each) => each.from !== from)
      if (to !== null && to !== from) season.swaps.push({ from, to })
    },
  }
}

export function removeSeason(id: string): Edit {
  return {
    label: 'remove a season',
    recipe: (draft) => void (draft.seasons = draft.seasons.filter((each) => each.id !== id)),
  }
}
