import { computed, type Ref } from 'vue'
import type { Alert } from '../../core/composition/box.ts'
import { coverageOf, type Ruled } from '../../core/rules/coverage.ts'
import { orderAdvice } from '../../core/rules/reorder.ts'

/** Whether two orders of cases ask the same. What an edit does not touch keeps its identity. */
function asksTheSame(before: readonly Ruled[], now: readonly Ruled[]): boolean {
  return before.length === now.length && before.every(({ id, rule, share }, index) => id === now[index]?.id && rule === now[index]?.rule && share === now[index]?.share)
}

/**
 * Which case of an alert plays where, and what would help those that others hide. Computed anew only where a rule, a share or
 * the order changed: a part that is dragged changes its alert sixty times a second.
 */
export function useCoverage(alert: Ref<Alert | null>) {
  const kind = computed(() => alert.value?.kind ?? null)
  const ruled = computed<readonly Ruled[]>((before) => {
    const now = alert.value?.variations ?? []
    return before && asksTheSame(before, now) ? before : now
  })
  return {
    coverage: computed(() => kind.value && coverageOf(kind.value, ruled.value)),
    advice: computed(() => (kind.value ? orderAdvice(kind.value, ruled.value) : [])),
  }
}
