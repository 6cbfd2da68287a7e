import { ref, shallowRef, watch, type Ref } from 'vue'
import type { HistoryEntryView, HistoryFilter, HistoryView } from '../../../contract/history.ts'
import { request, wordsOf } from '../../api/request.ts'

const pageSize = 500
/** So much of a page may have changed when it is asked for anew: what has just come, and what has just ended. */
const freshSize = 60

/** What is asked for, as an address says it; nothing for what is not. */
export const historyQueryOf = (filter: HistoryFilter & { before?: number; limit?: number }): string =>
  new URLSearchParams(
    Object.entries(filter).flatMap(([key, value]) => (value === undefined ? [] : [[key, String(value)]])),
  ).toString()

/** A history, read page by page as somebody looks further back; what is new is put before it. */
export function useHistory(filter: Ref<HistoryFilter>) {
  const entries = shallowRef<readonly HistoryEntryView[]>([])
  const isLoading = ref(false)
  const isWhole = ref(false)
  const refusal = ref('')
  let before: number | null = null
  /** Counts what was wanted: an answer to something else is thrown away. */
  let wanted = 0

  const read = (page: { before?: number; limit: number }) =>
    request<HistoryView>('GET', `/api/history?${historyQueryOf({ ...filter.value, ...page })}`)

  async function more(): Promise<void> {
    if (isLoading.value || isWhole.value) return
    isLoading.value = true
    const asked = wanted
    try {
      // A page may be short where much has to be looked through: then the next one is asked for at once.
      for (let found = 0; found === 0 && !isWhole.value;) {
        const page = await read({ limit: pageSize, ...(before === null ? {} : { before }) })
        if (asked !== wanted) return
        found = page.entries.length
        entries.value = [...entries.value, ...page.entries]
        before = page.nextBefore
        isWhole.value = page.nextBefore === null
      }
      refusal.value = ''
    } catch (error) {
      if (asked === wanted) refusal.value = wordsOf(error)
    } finally {
      if (asked === wanted) isLoading.value = false
    }
  }

  /** Reads again what is newest: what came meanwhile stands before the rest, what has ended says so. */
  async function refresh(): Promise<void> {
    const asked = wanted
    const page = await read({ limit: freshSize }).catch(() => null)
    if (!page || asked !== wanted || page.entries.length === 0) return
    const last = page.entries.at(-1)?.seq ?? 0
    // More came than is read here: nothing may be missing in between.
    if (page.nextBefore !== null && entries.value.every(({ seq }) => seq < last)) return restart()
    entries.value = [...page.entries, ...entries.value.filter(({ seq }) => seq < last)]
  }

  function restart(): void {
    wanted += 1
    entries.value = []
    before = null
    isWhole.value = false
    isLoading.value = false
    void more()
  }
  watch(filter, restart, { immediate: true })

  return { entries, isLoading, isWhole, refusal, more, refresh }
}
