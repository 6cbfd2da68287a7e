<script setup lang="ts">
import { navigateTo, useHead, useRoute } from '#imports'
import { computed, onMounted, ref } from 'vue'
import { toast } from 'vue-sonner'
import type { Goal } from '../../core/goal/schema.ts'
import type { FeedView } from '../../contract/views.ts'
import { request, wordsOf } from '../api/request.ts'
import AddsUp from '../components/goals/AddsUp.vue'
import GoalList from '../components/goals/GoalList.vue'
import GoalSentences from '../components/goals/GoalSentences.vue'
import { newMeasures } from '../components/goals/goalWords.ts'
import TitleField from '../components/fields/TitleField.vue'
import { tried } from '../composables/tried.ts'
import { useUndoKey } from '../composables/useUndoKey.ts'
import { useGoalsStore } from '../stores/goals.ts'
import { useSessionStore } from '../stores/session.ts'

useHead({ title: 'Goals · Thundercrest' })
const goals = useGoalsStore()
const session = useSessionStore()
const route = useRoute()

const chosen = computed(() => {
  const all = [...(goals.view?.goals ?? []), ...(goals.view?.past ?? [])]
  return all.find(({ goal }) => goal.id === String(route.query.goal ?? '')) ?? all[0] ?? null
})
const choose = (id: string) => navigateTo({ path: '/goals', query: { goal: id } }, { replace: true })
const feeds = ref<FeedView[]>([])
onMounted(() => {
  void tried(goals.load())
  void tried(request<{ feeds: FeedView[] }>('GET', '/api/channel/feeds').then((answer) => (feeds.value = answer.feeds)))
})

const change = (edit: (goal: Goal) => Goal) =>
  chosen.value !== null && void tried(goals.change(chosen.value.goal.id, edit))
async function create(): Promise<void> {
  try {
    await choose(
      await goals.create({
        ...{ title: 'New goal', measure: newMeasures.money, sources: null, startAmount: 0, target: 100_000 },
        ...{ stretches: [], fromMs: Date.now(), untilMs: null, then: { do: 'stop' } },
      }),
    )
  } catch (error) {
    toast.error(wordsOf(error))
  }
}
async function end(): Promise<void> {
  const { goal } = chosen.value ?? {}
  if (!goal || !(await tried(goals.end(goal.id, true)))) return
  toast.success(`“${goal.title}” is among the past goals.`, {
    action: { label: 'Undo', onClick: () => void tried(goals.end(goal.id, false)) },
  })
}
const undo = useUndoKey(goals.undo, choose)
</script>

<template>
  <main class="grid h-full min-h-0 grid-cols-1 overflow-y-auto lg:grid-cols-[minmax(0,1fr)_27.5rem] lg:overflow-hidden">
    <GoalList :chosen-id="chosen?.goal.id ?? null" @choose="choose" @create="create" />
    <section v-if="chosen" :key="chosen.goal.id" class="flex min-h-0 flex-col" aria-label="The chosen goal">
      <div class="min-h-0 flex-1 space-y-4 overflow-y-auto px-6 py-5">
        <TitleField
          label="Title of the goal"
          :value="chosen.goal.title"
          :most-letters="80"
          @change="(title) => change((goal) => ({ ...goal, title }))"
        />
        <GoalSentences :view="chosen" :feeds="feeds" @change="change" />
        <AddsUp :view="chosen" />
      </div>
      <div v-if="session.canEdit" class="flex flex-wrap items-center gap-3 border-t border-seam px-6 py-3">
        <button v-if="chosen.endedAtMs === null" type="button" class="button" @click="end">End it</button>
        <template v-else>
          <button type="button" class="button" @click="tried(goals.end(chosen.goal.id, false))">
            Take it up again
          </button>
          <button type="button" class="link text-mist hover:text-snow" @click="tried(goals.remove(chosen.goal.id))">
            Remove it for good
          </button>
        </template>
        <button v-if="goals.canUndo" type="button" class="link ml-auto text-mist hover:text-snow" @click="undo">
          Undo
        </button>
      </div>
    </section>
  </main>
</template>
