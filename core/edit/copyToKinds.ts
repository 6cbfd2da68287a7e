import { playedBy, type Alert, type BoxDocument, type Variation } from '../composition/box.ts'
import { copyOf } from '../copyOf.ts'
import { kindNames } from '../events/kindNames.ts'
import type { EventKind } from '../events/kinds.ts'
import { togetherVariables } from '../events/together.ts'
import { changeTemplate } from '../score/parts/part.ts'
import { faultOfRule } from '../rules/checkRule.ts'
import type { Edit } from './change.ts'
import { variablesIn } from '../score/valuesIn.ts'
import { rewordFor } from './rewordFor.ts'

/** An alert for another kind, made from one that is there, with what had to change. */
export interface CopiedAlert {
  alert: Alert
  /** In words, one each. */
  notes: string[]
}

/** An alert as another kind of event needs it: words reworded, cases that this kind cannot be asked for left out. */
export function alertFor(from: Alert, kind: EventKind): CopiedAlert {
  const notes: string[] = []
  const id = kind.toLowerCase()
  const listener = { kinds: [kind], offer: from.offer }
  const kept = from.variations.filter((variation) => {
    const fault = faultOfRule(listener, variation.rule)
    if (fault) notes.push(`“${variation.name}” is left out: ${fault}`)
    return !fault
  })
  const some: Variation[] =
    kept.length > 0 ? kept : from.variations.slice(-1).map((variation) => ({ ...variation, rule: null }))
  const variations = some.map((variation) => {
    const copy = copyOf(variation)
    const own = [...variablesIn(copy.composition), ...(playedBy(copy) === 'several' ? togetherVariables : [])].map(
      ({ name }) => name,
    )
    for (const part of copy.composition.parts) {
      changeTemplate(part, (before) => {
        const { template, changes } = rewordFor(before, kind, own)
        notes.push(
          ...changes.map(({ from: gone, to }) => (to === null ? `{${gone}} goes` : `{${gone}} becomes {${to}}`)),
        )
        return template
      })
    }
    return {
      ...copy,
      id: copy.id.startsWith(`${from.id}-`) ? `${id}${copy.id.slice(from.id.length)}` : `${id}-${copy.id}`.slice(0, 60),
    }
  })
  return {
    alert: { id, kinds: [kind], isOn: from.isOn, offer: copyOf(from.offer), variations },
    notes: [...new Set(notes)],
  }
}

/** Adds alerts for kinds that have none, made from one that is there, as one step. */
export function copyToKinds(alertId: string, kinds: readonly EventKind[]): Edit {
  return {
    label: `copy to ${kinds.map((kind) => kindNames[kind]).join(', ')}`,
    recipe: (draft) => {
      const from = draft.alerts.find(({ id }) => id === alertId)
      if (!from) return
      const original = copyOf(from)
      for (const kind of kinds)
        if (!draft.alerts.some((each) => each.kinds.includes(kind)))
          draft.alerts.push(withFreeId(alertFor(original, kind).alert, draft))
    },
  }
}

/** An alert of this kind may have been taken into another one under its own name. */
function withFreeId(alert: Alert, { alerts }: BoxDocument): Alert {
  if (!alerts.some(({ id }) => id === alert.id)) return alert
  return { ...alert, id: `${alert.id}-copy-${alerts.length}` }
}

/** Several edits as one step. */
export function together(label: string, edits: readonly Edit[]): Edit {
  return { label, recipe: (draft) => edits.forEach(({ recipe }) => recipe(draft)) }
}
