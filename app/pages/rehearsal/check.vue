<script setup lang="ts">
import { useHead } from '#imports'
import { NuxtLink } from '#components'
import { CircleAlert, CircleCheck, Info } from '@lucide/vue'
import { computed } from 'vue'
import type { CheckState, CheckSubject } from '../../../core/check/checkLines.ts'
import { useCheck } from '../../components/check/useCheck.ts'
import { counted } from '../../format/counted.ts'

useHead({ title: 'Five-minute check · Thundercrest' })
const { lines, isLooking, refusal, look } = useCheck()

const names: Record<CheckSubject, string> = {
  sources: 'Sources',
  feeds: 'Accounts',
  voices: 'Voices',
  loudness: 'Loudness',
  playable: 'Alerts',
  storage: 'Room',
}
const marks: Record<CheckState, { icon: typeof CircleCheck; ink: string; label: string }> = {
  fine: { icon: CircleCheck, ink: 'text-moss', label: 'Fine' },
  look: { icon: Info, ink: 'text-deep-sky', label: 'Worth a look' },
  mend: { icon: CircleAlert, ink: 'text-brick', label: 'To mend' },
}
const summary = computed(() => {
  const tasks = lines.value?.flatMap((line) => line.tasks) ?? []
  const toMend = tasks.filter(({ state }) => state === 'mend').length
  if (toMend > 0) return `${counted(toMend, 'thing')} to mend before you go live`
  return tasks.length > 0 ? 'Ready, with something worth a look' : 'Ready to go live'
})
const status = computed(() => {
  if (lines.value) return summary.value
  return refusal.value === '' ? 'Looking through all that is on air…' : ''
})
</script>

<template>
  <main class="on-paper h-full min-h-0 overflow-y-auto px-7 py-5">
    <div class="mx-auto max-w-4xl">
      <div class="flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
        <div>
          <h1 class="font-display text-2xl font-semibold">Five-minute check</h1>
          <p class="text-faded" role="status">
            {{ status }}
          </p>
        </div>
        <button type="button" class="button" :disabled="isLooking" @click="look">
          {{ isLooking ? 'Looking…' : 'Look again' }}
        </button>
      </div>
      <p v-if="refusal" role="alert" class="mt-2 text-brick">{{ refusal }}</p>
      <ul v-if="lines" class="mt-4 border-t border-rule" aria-label="What was looked at">
        <li
          v-for="line in lines"
          :key="line.subject"
          class="grid grid-cols-[1.5rem_7rem_minmax(0,1fr)] gap-x-3 border-b border-rule py-3"
        >
          <component
            :is="marks[line.state].icon"
            :size="19"
            :class="marks[line.state].ink"
            :aria-label="marks[line.state].label"
          />
          <h2 class="font-semibold">{{ names[line.subject] }}</h2>
          <p v-if="line.tasks.length === 0">{{ line.words }}</p>
          <ul v-else class="space-y-1.5">
            <li v-for="task in line.tasks" :key="task.words" class="flex flex-wrap gap-x-3">
              <span :class="task.state === 'mend' ? '' : 'text-faded'">{{ task.words }}</span>
              <NuxtLink class="link text-deep-sky" :to="task.to" :aria-label="`Go there: ${task.words}`"
                >Go there</NuxtLink
              >
            </li>
          </ul>
        </li>
      </ul>
      <p v-if="lines" class="mt-3 max-w-prose text-faded">
        Sources are followed while this page is open; the rest is as it was when it was looked at. How alerts look with
        long names and large sums is on the <NuxtLink class="link" to="/rehearsal/proofs">proof sheet</NuxtLink>.
      </p>
    </div>
  </main>
</template>
