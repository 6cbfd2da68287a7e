<script setup lang="ts">
import { useHead } from '#imports'
import { useNow } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import type { RunView } from '../../../contract/triggers.ts'
import { request } from '../../api/request.ts'
import { clockTime, span } from '../../format/time.ts'
import { tried } from '../../composables/tried.ts'
import { useLiveStore } from '../../stores/live.ts'

useHead({ title: 'Redemptions · Thundercrest' })
const live = useLiveStore()
const now = useNow({ interval: 1000 })
const runs = ref<RunView[] | null>(null)
const tasks = computed(() => live.live?.calls.tasks ?? [])
const load = () => tried(request<{ runs: RunView[] }>('GET', '/api/runs').then((answer) => (runs.value = answer.runs)))
onMounted(load)
watch(() => live.live?.calls.revision, load)
const settle = (run: RunView, task: 'fulfilled' | 'refunded') =>
  tried(request('PUT', `/api/runs/${run.id}/task`, { task }).then(load))

const byWords = {
  reward: 'redeemed',
  command: 'called in chat',
  hand: 'pressed at the desk',
  event: 'an event',
  time: 'its time came',
}
function endWords({ end, progress, reason, task, faults }: RunView): string {
  if (end === 'refused') return `refused: ${reason}`
  if (end === 'released') return `never began, nothing was charged: ${reason}`
  if (end === 'stopped') return `stopped: ${reason}`
  const did = faults.length > 0 ? `ran, but ${faults.join('; ')}` : 'ran'
  if (progress === 'running') return 'running'
  if (progress !== 'over') return 'waits for its turn'
  return task === 'refunded' ? `${did}; given back` : did
}
function tone({ end, faults }: RunView): string {
  if (end === 'refused' || end === null) return 'text-faded'
  return end === 'ran' && faults.length === 0 ? 'text-moss' : 'text-brick'
}
</script>

<template>
  <main class="grid h-full min-h-0 grid-cols-1 overflow-y-auto lg:grid-cols-[minmax(0,1fr)_24rem] lg:overflow-hidden">
    <section class="on-paper flex min-h-0 flex-col px-7 py-5" aria-labelledby="lately">
      <h1 id="lately" class="font-display text-3xl font-semibold">Set off lately</h1>
      <p class="mt-1 text-faded">Everything that was asked for, with what became of it and why.</p>
      <ol v-if="runs?.length" class="mt-4 min-h-0 overflow-y-auto border-t border-rule">
        <li
          v-for="run in runs"
          :key="run.id"
          class="list-row grid grid-cols-[3.5rem_minmax(0,12rem)_minmax(0,1fr)] items-baseline gap-4 border-b border-rule px-3 py-2"
        >
          <time class="font-mono text-xs text-faded" :datetime="new Date(run.askedAtMs).toISOString()">{{
            clockTime(run.askedAtMs)
          }}</time>
          <span class="min-w-0">
            <span class="block truncate font-display text-base font-semibold">{{ run.triggerName }}</span>
            <span class="block truncate text-faded"
              ><bdi>{{ run.viewerName || 'nobody' }}</bdi
              >, {{ byWords[run.by] }}</span
            >
          </span>
          <span class="min-w-0">
            <span class="block break-words" :class="tone(run)">{{ endWords(run) }}</span>
            <bdi v-if="run.input" class="block truncate">“{{ run.input }}”</bdi>
          </span>
        </li>
      </ol>
      <p v-else-if="runs" class="mt-8 text-faded">
        Nothing was set off yet. What viewers redeem or call in chat stands here, let through or not.
      </p>
      <p v-else class="mt-4 text-faded">Loading…</p>
    </section>
    <section class="min-h-0 space-y-3 overflow-y-auto px-6 py-5" aria-labelledby="tasks">
      <h2 id="tasks" class="font-display text-xl font-semibold">To be done by hand</h2>
      <ul v-if="tasks.length > 0" class="space-y-2">
        <li v-for="task in tasks" :key="task.id" class="on-paper rounded-sm p-3">
          <p class="font-display text-base font-semibold">{{ task.triggerName }}</p>
          <p v-if="task.input" class="text-base break-words">
            <bdi>“{{ task.input }}”</bdi>
          </p>
          <p class="text-faded">
            <bdi>{{ task.viewerName }}</bdi>,
            {{ span(Math.max(0, now.getTime() + live.serverAheadMs - task.askedAtMs)) }} ago
          </p>
          <div class="mt-2 flex gap-2">
            <button type="button" class="button" @click="settle(task, 'fulfilled')">It is done</button>
            <button type="button" class="button" @click="settle(task, 'refunded')">Give it back</button>
          </div>
        </li>
      </ul>
      <p v-else class="rounded-sm border border-dashed border-seam p-4 text-mist">
        Nothing waits for your hands. A trigger that asks for something to be done says so under <b>And</b>; what
        viewers redeem of it waits here and at the desk until you say that it is done.
      </p>
    </section>
  </main>
</template>
