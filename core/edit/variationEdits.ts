import type { PlayedBy, Variation } from '../composition/box.ts'
import { copyOf } from '../copyOf.ts'
import { movedBefore } from '../rules/reorder.ts'
import type { Rule, Share } from '../rules/schema.ts'
import type { Edit } from './change.ts'
import { findVariation, type VariationAddress } from './findVariation.ts'
import { freeId } from './freeId.ts'

/** A free id for another variation of an alert. */
export function variationIdFor(variations: readonly Variation[], alertId: string): string {
  return freeId(`${alertId}-case`, new Set(variations.map(({ id }) => id)))
}

/** Adds a copy of a variation as a special case before it: first in the order, so that nothing hides it. */
export function addVariation(address: VariationAddress, id: string, name: string, rule: Rule): Edit {
  return {
    label: 'add a case',
    recipe: (draft) => {
      const found = findVariation(draft, address)
      if (found) found.alert.variations.unshift({ ...copyOf(found.variation), id, name, rule, share: null })
    },
  }
}

/** Takes a variation away; the last one stays. */
export function removeVariation({ alertId, variationId }: VariationAddress): Edit {
  return {
    label: 'remove a case',
    recipe: (draft) => {
      const alert = draft.alerts.find((each) => each.id === alertId)
      if (alert && alert.variations.length > 1)
        alert.variations = alert.variations.filter((each) => each.id !== variationId)
    },
  }
}

/** Puts a variation before another in the order in which they are asked. */
export function moveVariation({ alertId, variationId }: VariationAddress, before: string): Edit {
  return {
    label: 'order of cases',
    recipe: (draft) => {
      const alert = draft.alerts.find((each) => each.id === alertId)
      if (alert) alert.variations = movedBefore(alert.variations, variationId, before)
    },
  }
}

/** Asks a variation after the one that follows it now. */
export function askLater({ alertId, variationId }: VariationAddress): Edit {
  return {
    label: 'order of cases',
    recipe: (draft) => {
      const variations = draft.alerts.find((each) => each.id === alertId)?.variations
      const at = variations?.findIndex((each) => each.id === variationId) ?? -1
      if (variations && at >= 0 && at + 1 < variations.length)
        variations.splice(
          at,
          2,
          ...variations
            .slice(at, at + 2)
            .reverse()
            .map(copyOf),
        )
    },
  }
}

const playedLabels = { events: 'chosen by events', sheets: 'left to run sheets', several: 'for several at once' }

/** Has events choose a variation by its rule, only run sheets play it, or several at once that have become one. */
export function setPlayedBy(address: VariationAddress, by: PlayedBy): Edit {
  return {
    label: playedLabels[by],
    recipe: (draft) => {
      const found = findVariation(draft, address)
      if (!found) return
      delete found.variation.isCalled
      delete found.variation.isForSeveral
      if (by === 'sheets') found.variation.isCalled = true
      if (by === 'several') found.variation.isForSeveral = true
    },
  }
}

/** Other rules for several variations of an alert at once: a boundary between them was moved. */
export function setRules(alertId: string, rules: readonly { id: string; rule: Rule }[]): Edit {
  return {
    label: 'boundary between cases',
    recipe: (draft) => {
      const alert = draft.alerts.find((each) => each.id === alertId)
      for (const { id, rule } of rules) {
        const variation = alert?.variations.find((each) => each.id === id)
        if (variation) variation.rule = copyOf(rule)
      }
    },
  }
}

function labelOf(changes: object): string {
  if ('name' in changes) return 'name of a case'
  return 'rule' in changes ? 'rule' : 'share'
}

/** Changes a variation's name, rule or share; quick repeats of the same become one step. */
export function changeVariation(
  address: VariationAddress,
  changes: { name?: string; rule?: Rule | null; share?: Share | null },
): Edit {
  return {
    label: labelOf(changes),
    mergeKey: `${address.variationId}/${Object.keys(changes).join('+')}`,
    recipe: (draft) => {
      const found = findVariation(draft, address)
      if (found) Object.assign(found.variation, changes)
    },
  }
}
