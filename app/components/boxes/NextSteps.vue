<script setup lang="ts">
import { NuxtLink } from '#components'
import { Check } from '@lucide/vue'
import { computed } from 'vue'
import type { BoxSummary } from '../../../contract/views.ts'
import { useLiveStore } from '../../stores/live.ts'

/** What is left to do until viewers see an alert, with what is done already. It stays until all of it is. */
const props = defineProps<{ boxes: readonly BoxSummary[]; hasShown: boolean }>()
const live = useLiveStore()
const desks = computed(() => props.boxes.flatMap((box) => live.deskOf(box.id) ?? []))
const first = computed(() => props.boxes[0])
/** Now or before: what was shown once was added once. */
const wasShown = computed(
  () => props.hasShown || desks.value.some((desk) => desk.log.some((play) => play.state === 'played')),
)
const steps = computed(() => [
  {
    name: 'Make a box',
    note: 'What one browser source shows. Begin with a set: it brings an alert for each kind.',
    isDone: props.boxes.length > 0,
  },
  {
    name: 'Tune an alert',
    note: 'Words, picture, sound, timing. The stage plays it as viewers will see it.',
    isDone: props.boxes.some((box) => box.document.alerts.length > 0),
  },
  { name: 'Put the box on air', note: 'Until then edits stay a draft.', isDone: props.boxes.some((box) => box.onAir) },
  {
    name: 'Add the source',
    note: 'Open a box, press Source, and enter the address in your broadcast program.',
    isDone: wasShown.value || desks.value.some((desk) => desk.sources.length > 0),
  },
  {
    name: 'Send a test',
    note: 'It says on how many sources it was shown.',
    isDone: wasShown.value,
  },
])
const nextIndex = computed(() => steps.value.findIndex((step) => !step.isDone))
function inkOf(isDone: boolean, index: number): string {
  if (isDone) return 'border-moss bg-moss text-white'
  return index === nextIndex.value ? 'border-ink bg-bolt' : 'border-rule'
}
</script>

<template>
  <section v-if="nextIndex >= 0" class="on-paper rounded-sm p-6" aria-label="From here to air">
    <h2 class="font-display text-xl font-semibold">From here to air</h2>
    <ol class="mt-4 space-y-4">
      <li v-for="(step, index) in steps" :key="step.name" class="grid grid-cols-[1.5rem_minmax(0,1fr)] gap-3">
        <span
          class="grid size-6 place-items-center rounded-full border text-2xs font-semibold"
          :class="inkOf(step.isDone, index)"
          ><Check v-if="step.isDone" :size="14" /><template v-else>{{ index + 1 }}</template></span
        >
        <div>
          <p class="font-semibold">
            {{ step.name }}<span class="sr-only">{{ step.isDone ? ', done' : '' }}</span>
          </p>
          <p class="text-faded">{{ step.note }}</p>
        </div>
      </li>
    </ol>
    <NuxtLink v-if="first" :to="`/boxes/${first.id}`" class="button mt-5">Go on with {{ first.name }}</NuxtLink>
  </section>
</template>
