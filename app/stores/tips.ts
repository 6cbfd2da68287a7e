import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import type { ReceiptView, TipDeskView } from '../../contract/tips.ts'
import type { TipPage } from '../../core/tip/page.ts'
import { request } from '../api/request.ts'
import { documentChanges, type DocumentChanges } from './documentChanges.ts'
import { useLiveStore } from './live.ts'

/** A channel has one page. */
const pageId = 'page'

/** The tip page of the channel and its receipts, with a way back for each change of the page. */
export const useTipsStore = defineStore('tips', () => {
  const kept = shallowRef<TipDeskView | null>(null)
  /** Receipts that were asked for beyond the newest. */
  const older = shallowRef<ReceiptView[]>([])
  const nextBefore = shallowRef<number | null>(null)
  const live = useLiveStore()

  function show(view: TipDeskView): void {
    // What was beyond the newest may be among them by now.
    if (older.value.length === 0) nextBefore.value = view.nextBefore
    kept.value = view
  }
  async function load(): Promise<void> {
    show(await request<TipDeskView>('GET', '/api/tip-page'))
  }
  watch(
    () => [live.live?.ridge.feeds.lastDeliveryAtMs, live.live?.goalsRevision],
    () => void (kept.value && changes.take(load).catch(() => undefined)),
  )

  const changes: DocumentChanges<TipPage & { id: string }> = documentChanges({
    load,
    find: () => (kept.value ? changes.shown({ ...kept.value.page, id: pageId }) : null),
    async keep({ id: _id, ...page }) {
      const { revision } = kept.value ?? {}
      if (revision !== undefined) show(await request<TipDeskView>('PUT', '/api/tip-page', { page, revision }))
    },
  })

  return {
    view: computed<TipDeskView | null>(
      () => kept.value && { ...kept.value, page: changes.shown({ ...kept.value.page, id: pageId }) },
    ),
    receipts: computed<ReceiptView[]>(() => {
      const newest = kept.value?.receipts ?? []
      const last = newest.at(-1)?.seq ?? Infinity
      return [...newest, ...older.value.filter(({ seq }) => seq < last)]
    }),
    nextBefore,
    load,
    async loadOlder(): Promise<void> {
      if (nextBefore.value === null) return
      const view = await request<TipDeskView>('GET', `/api/tip-page?before=${nextBefore.value}`)
      older.value = [...older.value, ...view.receipts]
      nextBefore.value = view.nextBefore
    },
    canUndo: changes.canUndo,
    undo: changes.undo,
    change: (fields: Partial<TipPage>): Promise<void> => changes.change(pageId, (page) => ({ ...page, ...fields })),
    async refund(eventId: string): Promise<void> {
      show(await request<TipDeskView>('POST', `/api/tip-page/receipts/${eventId}/refund`, {}))
      older.value = older.value.map((each) =>
        each.eventId === eventId ? { ...each, refundedAtMs: each.refundedAtMs ?? Date.now() } : each,
      )
    },
  }
})
