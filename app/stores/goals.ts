import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import type { ContributionsView, GoalsView, GoalView } from '../../contract/goals.ts'
import type { Goal } from '../../core/goal/schema.ts'
import { request } from '../api/request.ts'
import { documentChanges, type DocumentChanges } from './documentChanges.ts'
import { useLiveStore } from './live.ts'

/** What the channel and its viewers want to reach, with a way back for each change. */
export const useGoalsStore = defineStore('goals', () => {
  const kept = shallowRef<GoalsView | null>(null)
  const live = useLiveStore()

  async function load(): Promise<void> {
    kept.value = await request<GoalsView>('GET', '/api/goals')
  }
  watch(
    () => live.live?.goalsRevision,
    () => void (kept.value && changes.take(load).catch(() => undefined)),
  )
  const shown = (view: GoalView): GoalView => ({ ...view, goal: changes.shown(view.goal) })
  const view = computed<GoalsView | null>(
    () => kept.value && { goals: kept.value.goals.map(shown), past: kept.value.past.map(shown) },
  )
  const find = (id: string): GoalView | null =>
    [...(view.value?.goals ?? []), ...(view.value?.past ?? [])].find(({ goal }) => goal.id === id) ?? null
  const ask = async (method: 'POST' | 'PUT' | 'DELETE', path: string, body?: object): Promise<void> => {
    kept.value = await request<GoalsView>(method, path, body)
  }

  const changes: DocumentChanges<Goal> = documentChanges({
    load,
    find: (id) => find(id)?.goal ?? null,
    async keep(goal) {
      const { revision } = find(goal.id) ?? {}
      if (revision !== undefined) await ask('PUT', `/api/goals/${goal.id}`, { goal, revision })
    },
  })

  return {
    view,
    load,
    find,
    canUndo: changes.canUndo,
    change: changes.change,
    undo: changes.undo,
    create: async (goal: Omit<Goal, 'id'>): Promise<string> => {
      const made = await request<{ id: string; view: GoalsView }>('POST', '/api/goals', { goal })
      kept.value = made.view
      return made.id
    },
    /** Puts a goal among the past ones, or takes it back from there. */
    end: (id: string, isEnded: boolean): Promise<void> => ask('PUT', `/api/goals/${id}/end`, { isEnded }),
    remove: (id: string): Promise<void> => ask('DELETE', `/api/goals/${id}`),
    correct: (id: string, amount: number, why: string): Promise<void> =>
      ask('POST', `/api/goals/${id}/corrections`, { requestId: crypto.randomUUID(), amount, why }),
    contributions: (id: string, before: number | null): Promise<ContributionsView> =>
      request('GET', `/api/goals/${id}/contributions${before === null ? '' : `?before=${before}`}`),
  }
})
