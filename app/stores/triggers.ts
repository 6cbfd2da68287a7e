import { defineStore } from 'pinia'
import { computed, ref, shallowReactive, shallowRef, watch } from 'vue'
import type { RewardView, TriggersView, TriggerView } from '../../contract/triggers.ts'
import { isSame } from '../../core/isSame.ts'
import type { Trigger } from '../../core/triggers/schema.ts'
import type { CallSettings } from '../../core/triggers/settings.ts'
import { request } from '../api/request.ts'
import { useLiveStore } from './live.ts'

const stepsKept = 50

/** What viewers of the channel can set off, with a way back for each change. */
export const useTriggersStore = defineStore('triggers', () => {
  const kept = shallowRef<TriggersView | null>(null)
  /** Triggers that were changed here and are not kept yet: the next change is made of them, not of what the server has. */
  const changing = shallowReactive(new Map<string, Trigger>())
  const rewards = shallowRef<RewardView[]>([])
  const rewardFeeds = shallowRef<{ id: string; name: string }[]>([])
  const undone = ref<{ before: Trigger; after: Trigger }[]>([])
  /** One change after another: each is made of what the one before led to. */
  let last: Promise<unknown> = Promise.resolve()
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
    () => void (kept.value && last.then(() => Promise.all([load(), loadRewards()])).catch(() => undefined)),
  )
  const view = computed<TriggersView | null>(
    () =>
      kept.value && {
        ...kept.value,
        triggers: kept.value.triggers.map((each) => ({
          ...each,
          trigger: changing.get(each.trigger.id) ?? each.trigger,
        })),
      },
  )
  const find = (id: string): TriggerView | null => view.value?.triggers.find(({ trigger }) => trigger.id === id) ?? null

  /** Does something after all that was begun before. */
  function inTurn<T>(work: () => Promise<T>): Promise<T> {
    const done = last.then(work)
    last = done.catch(() => undefined)
    return done
  }

  /** Keeps a trigger as it is from now on. @throws what the server refuses, with the trigger as it is there */
  async function put(trigger: Trigger): Promise<void> {
    changing.set(trigger.id, trigger)
    await inTurn(async () => {
      try {
        const { revision } = find(trigger.id) ?? {}
        if (revision !== undefined)
          kept.value = await request<TriggersView>('PUT', `/api/triggers/${trigger.id}`, { trigger, revision })
      } catch (error) {
        await load().catch(() => undefined)
        throw error
      } finally {
        if (changing.get(trigger.id) === trigger) changing.delete(trigger.id)
      }
    })
  }

  return {
    view,
    rewards,
    rewardFeeds,
    load,
    loadRewards,
    find,
    canUndo: computed(() => undone.value.length > 0),
    /** Changes a trigger. @throws what the server refuses, with the trigger as it was */
    async change(id: string, edit: (trigger: Trigger) => Trigger): Promise<void> {
      const before = find(id)?.trigger
      if (!before) return
      const after = edit(before)
      if (isSame(before, after)) return
      await put(after)
      undone.value = [...undone.value.slice(1 - stepsKept), { before, after }]
    },
    /** Takes the newest change back. @returns the trigger that it was of; null where there was none */
    async undo(): Promise<string | null> {
      const step = undone.value.at(-1)
      if (!step) return null
      undone.value = undone.value.slice(0, -1)
      await put(step.before)
      return step.before.id
    },
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
