import { computed } from 'vue'
import { coverageOf } from '../../core/rules/coverage.ts'
import { orderAdvice } from '../../core/rules/reorder.ts'
import { useScoreRoomStore } from '../stores/scoreRoom.ts'

/** Which case of the alert in the room plays where, and what would help those that others hide. */
export function useCoverage() {
  const room = useScoreRoomStore()
  const coverage = computed(() => (room.alert ? coverageOf(room.alert.kind, room.alert.variations) : null))
  return { coverage, advice: computed(() => (room.alert ? orderAdvice(room.alert.kind, room.alert.variations) : [])) }
}
