import { computed, type Ref } from 'vue'
import type { Alert } from '../../core/composition/box.ts'
import { coverageOf } from '../../core/rules/coverage.ts'
import { orderAdvice } from '../../core/rules/reorder.ts'

/** Whether two states of an alert ask the same. What an edit does not touch keeps its identity. */
function asksTheSame(before: Alert, now: Alert): boolean {
  if (before.kinds !== now.kinds || before.offer !== now.offer || before.variations.length !== now.variations.length)
    return false
  return before.variations.every(
    ({ id, rule, share }, index) =>
      id === now.variations[index]?.id &&
      rule === now.variations[index]?.rule &&
      share === now.variations[index]?.share,
  )
}

/**
 * Which case of an alert plays where, and what would help those that others hide. Computed anew only where a rule, a
 * share, the order or what is listened to changed: a part that is dragged changes its alert sixty times a second.
 */
export function useCoverage(alert: Ref<Alert | null>) {
  const asked = computed<Alert | null>((before) =>
    before && alert.value && asksTheSame(before, alert.value) ? before : alert.value,
  )
  return {
    coverage: computed(() => asked.value && coverageOf(asked.value, asked.value.variations)),
    advice: computed(() => (asked.value ? orderAdvice(asked.value, asked.value.variations) : [])),
  }
}
