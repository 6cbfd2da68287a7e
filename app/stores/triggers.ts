import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import type { RewardView, TriggersView, TriggerView } from '../../contract/triggers.ts'
import type { Trigger } from '../../core/triggers/schema.ts'
import type { CallSettings } from '../../core/triggers/settings.ts'
import { request } from '../api/request.ts'
import { documentChanges, type DocumentChanges } from './documentChanges.ts'
import { useLiveStore } from './live.ts'

/** What viewers of the channel can set off, with a way back for each change. */
export const useTriggersStore = defineStore('triggers', () => {
  const kept = shallowRef<TriggersView | null>(null)
  const rewards = shallowRef<RewardView[]>([])
  const rewardFeeds = shallowRef<{ id: string; name: string }[]>([])
  const live = useLiveStore()

  async function load(): Promise<void> {
    kept.value = await request<TriggersView>('GET', '/api/triggers')
  }
  async function loadRewards(): Promise<void> {
    const answer = await request<{ rewards: RewardView[]; feeds: { id: string; name: string }[] }>(
      'GET',
      '/api/rewards',
    )
    rewards.value = answer.rewards
    rewardFeeds.value = answer.feeds
  }
  // Somebody else, or a run, has changed something.
  watch(
    () => live.live?.calls.revision,
    () => void (kept.value && changes.take(() => Promise.all([load(), loadRewards()])).catch(() => undefined)),
  )
  const view = computed<TriggersView | null>(
    () =>
      kept.value && {
        ...kept.value,
        triggers: kept.value.triggers.map((each) => ({
          ...each,
          trigger: changes.shown(each.trigger),
        })),
      },
  )
  const find = (id: string): TriggerView | null => view.value?.triggers.find(({ trigger }) => trigger.id === id) ?? null

  const changes: DocumentChanges<Trigger> = documentChanges({
    load,
    find: (id) => find(id)?.trigger ?? null,
    async keep(trigger) {
      const { revision } = find(trigger.id) ?? {}
      if (revision !== undefined)
        kept.value = await request<TriggersView>('PUT', `/api/triggers/${trigger.id}`, { trigger, revision })
    },
  })

  return {
    view,
    rewards,
    rewardFeeds,
    load,
    loadRewards,
    find,
    canUndo: changes.canUndo,
    change: changes.change,
    undo: changes.undo,
    create: async (name: string): Promise<string> => {
      const { id, view: next } = await request<{ id: string; view: TriggersView }>('POST', '/api/triggers', { name })
      kept.value = next
      return id
    },
    putAway: async (id: string): Promise<void> => {
      kept.value = await request<TriggersView>('DELETE', `/api/triggers/${id}`)
    },
    restore: async (id: string): Promise<void> => {
      kept.value = await request<TriggersView>('POST', `/api/triggers/${id}/restore`)
    },
    /** Moves a trigger before another; null: behind all. What the list shows is moved at once. */
    move: async (id: string, before: string | null): Promise<void> => {
      const shown = view.value
      const moved = shown?.triggers.find(({ trigger }) => trigger.id === id)
      if (!shown || !moved || id === before) return
      const rest = shown.triggers.filter((each) => each !== moved)
      const at = before === null ? rest.length : rest.findIndex(({ trigger }) => trigger.id === before)
      const triggers = [...rest.slice(0, at), moved, ...rest.slice(at)]
      kept.value = { ...shown, triggers }
      kept.value = await request<TriggersView>('PUT', '/api/triggers/order', {
        ids: triggers.map(({ trigger }) => trigger.id),
      })
    },
    setSettings: async (settings: CallSettings): Promise<void> => {
      kept.value = await request<TriggersView>('PUT', '/api/triggers/settings', settings)
    },
    press: (id: string): Promise<unknown> =>
      request('POST', `/api/triggers/${id}/press`, { requestId: crypto.randomUUID() }),
    dryRun: (id: string): Promise<unknown> => request('POST', `/api/triggers/${id}/dry-runs`),
    stop: (runId: string): Promise<unknown> => request('POST', `/api/runs/${runId}/stop`),
    makeReward: async (
      fields: Omit<RewardView, 'id' | 'feedName' | 'source' | 'isChangeable'>,
    ): Promise<RewardView> => {
      const made = await request<RewardView>('POST', '/api/rewards', fields)
      await loadRewards()
      return made
    },
    changeReward: async ({ feedId, id }: RewardView, fields: Partial<RewardView>): Promise<void> => {
      await request('PATCH', `/api/rewards/${feedId}/${id}`, fields)
      await loadRewards()
    },
  }
})
