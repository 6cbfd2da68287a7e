import { computed, nextTick, ref, watch } from 'vue'
import type { useRehearsal } from './useRehearsal.ts'

/** Before the moment that is looked at a little is seen of what led to it. */
const leadMs = 5_000

/** Where a rehearsed night is played from, and which moment of it is shown. */
export function usePlaying({ night, compared, looked, programme, askProgramme }: ReturnType<typeof useRehearsal>) {
  /** Null: it is not played. */
  const playFromMs = ref<number | null>(null)
  const playedMs = ref<number | null>(null)
  /** The moment that somebody looked at last, or the busiest one. */
  const fromWordsMs = computed(() => looked.value?.atMs ?? compared.value?.b.busiest.fromMs ?? night.value?.fromMs ?? 0)
  function playFrom(): void {
    playFromMs.value = fromWordsMs.value - leadMs
    askProgramme()
  }
  async function closePlayer(): Promise<void> {
    playFromMs.value = null
    playedMs.value = null
    programme.value = null
    await nextTick()
    document.getElementById('play-night')?.focus()
  }
  watch(night, () => (playFromMs.value = null))
  // Under another policy something else is shown.
  watch(compared, (came) => came && playFromMs.value !== null && askProgramme())
  return { playFromMs, playedMs, fromWordsMs, playFrom, closePlayer }
}
