import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { ContributionsView, GoalsView, GoalView } from '../../contract/goals.ts'
import type { Goal } from '../../core/goal/schema.ts'
import { isSame } from '../../core/isSame.ts'
import { Turns } from '../../core/turns.ts'
import { request } from '../api/request.ts'
import { useLiveStore } from './live.ts'

const stepsKept = 50

/** What the channel and its viewers want to reach, with a way back for each change. */
export const useGoalsStore = defineStore('goals', () => {
  const view = shallowRef<GoalsView | null>(null)
  const undone = ref<{ before: Goal; after: Goal }[]>([])
  /** One change after another: each is made of what the one before led to. */
  const turns = new Turns()
  const live = useLiveStore()

  async function load(): Promise<void> {
    view.value = await request<GoalsView>('GET', '/api/goals')
  }
  watch(
    () => live.live?.goalsRevision,
    () => void (view.value && turns.take(load).catch(() => undefined)),
  )
  const find = (id: string): GoalView | null =>
    [...(view.value?.goals ?? []), ...(view.value?.past ?? [])].find(({ goal }) => goal.id === id) ?? null
  const ask = async (method: 'POST' | 'PUT' | 'DELETE', path: string, body?: object): Promise<void> => {
    view.value = await request<GoalsView>(method, path, body)
  }

  async function put(goal: Goal): Promise<void> {
    const known = find(goal.id)
    if (!known) return
    try {
      await ask('PUT', `/api/goals/${goal.id}`, { goal, revision: known.revision })
    } catch (error) {
      await load().catch(() => undefined)
      throw error
    }
  }

  return {
    view,
    load,
    find,
    canUndo: computed(() => undone.value.length > 0),
    /** Changes a goal. @throws what the server refuses, with the goal as it was */
    change: (id: string, edit: (goal: Goal) => Goal): Promise<void> =>
      turns.take(async () => {
        const before = find(id)?.goal
        if (!before) return
        const after = edit(before)
        if (isSame(before, after)) return
        await put(after)
        undone.value = [...undone.value.slice(1 - stepsKept), { before, after }]
      }),
    /** Takes the newest change back. @returns the goal that it was of; null where there was none */
    undo: (): Promise<string | null> =>
      turns.take(async () => {
        const step = undone.value.at(-1)
        if (!step) return null
        undone.value = undone.value.slice(0, -1)
        await put(step.before)
        return step.before.id
      }),
    create: async (goal: Omit<Goal, 'id'>): Promise<string> => {
      const made = await request<{ id: string; view: GoalsView }>('POST', '/api/goals', { goal })
      view.value = made.view
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
