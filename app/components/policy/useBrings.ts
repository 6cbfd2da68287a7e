import { computed } from 'vue'
import type { EventKind } from '../../../core/events/kinds.ts'
import { minorDigits } from '../../../core/minorDigits.ts'
import { bringsMoney } from '../../../core/events/moneyKinds.ts'
import { useChannel } from '../../composables/useChannel.ts'

/** In which units what a kind brings is typed: money in the channel's currency, all else as it is counted. */
export function useBrings() {
  const channel = useChannel()
  const unit = computed(() => 10 ** minorDigits(channel.value.currency))
  return {
    /** How many of what is kept one of what is typed is. */
    perOf: (kind: EventKind) => (bringsMoney(kind) ? unit.value : 1),
    unitOf: (kind: EventKind) => (bringsMoney(kind) ? channel.value.currency : ''),
  }
}
