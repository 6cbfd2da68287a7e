<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { changeStep, delayOf, insertStep, moveStep, removeStep, setDelay } from '../../../core/sheet/editSheet.ts'
import type { StepPath } from '../../../core/sheet/laySheet.ts'
import type { RunSheet, Step } from '../../../core/sheet/schema.ts'
import type { TriggerView } from '../../../contract/triggers.ts'
import { seconds } from '../../format/time.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import { useLiveStore } from '../../stores/live.ts'
import { useMediaStore } from '../../stores/media.ts'
import { useSessionStore } from '../../stores/session.ts'
import { useTriggersStore } from '../../stores/triggers.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import StepBar from './StepBar.vue'
import StepEditor from './StepEditor.vue'
import { stepNames, stepWords } from './stepWords.ts'
import { useStepNames } from './useStepNames.ts'

/** What a trigger does, on a small axis of time. */
const props = defineProps<{ view: TriggerView; playheadMs: number | null }>()
const emit = defineEmits<{ change: [edit: (sheet: RunSheet) => RunSheet] }>()
const boxes = useBoxesStore()
const live = useLiveStore()
const media = useMediaStore()
const session = useSessionStore()
const triggers = useTriggersStore()
const names = useStepNames()
const chosen = ref<string | null>(null)
const editor = useTemplateRef('editor')
// What was chosen to be changed is in sight.
watch(chosen, async () => {
  await nextTick()
  editor.value?.scrollIntoView({ block: 'nearest' })
})
watch(
  () => props.view.trigger.id,
  () => (chosen.value = null),
)

const keyOf = (path: StepPath) => path.join('.')
const pathOf = (key: string): StepPath => (key === '' ? [] : key.split('.').map(Number))
const laid = computed(() => props.view.laid)
const lengthMs = computed(() => Math.max(0, ...laid.value.map(({ untilMs }) => untilMs)))
const axisMs = computed(() => Math.max(4000, Math.ceil((lengthMs.value * 1.04) / 1000) * 1000))
const ticks = computed(() => {
  const everyS = [1, 2, 4, 5, 10, 20, 30, 60, 120].find((each) => axisMs.value / 1000 / each <= 6) ?? 120
  return Array.from({ length: Math.floor(axisMs.value / 1000 / everyS) + 1 }, (_, at) => at * everyS)
})
const step = computed(() => laid.value.find(({ path }) => keyOf(path) === chosen.value) ?? null)
const others = computed(() =>
  laid.value
    .filter(({ path }) => keyOf(path) !== chosen.value)
    .map(({ path, step: of }) => ({ value: keyOf(path), label: `“${stepWords(of, names).slice(0, 40)}”` })),
)

const studio = computed(() => live.live?.calls.studio)
const box = computed(() => boxes.boxes?.[0])
/** Each kind of step as one begins, where what it needs is there. */
function newStep(kind: Step['do']): Step | null {
  switch (kind) {
    case 'play': {
      const alert =
        box.value?.document.alerts.find(({ kinds }) => kinds.includes('redemption')) ?? box.value?.document.alerts[0]
      return box.value && alert
        ? { do: 'play', boxId: box.value.id, alertId: alert.id, variationId: null, isBeside: false }
        : null
    }
    case 'sound': {
      const [sound] = media.sounds
      return box.value && sound ? { do: 'sound', boxId: box.value.id, mediaId: sound.id, trimDb: 0 } : null
    }
    case 'say':
      return { do: 'say', words: 'thank you, {name}' }
    case 'scene':
      return { do: 'scene', scene: studio.value?.scenes[0] ?? 'Scene', forMs: 8000 }
    case 'source':
      return { do: 'source', source: studio.value?.sources[0]?.name ?? 'Source', shows: 'shown', forMs: 8000 }
    case 'text':
      return { do: 'text', source: studio.value?.sources[0]?.name ?? 'Text', words: '{name}' }
    case 'counter':
      return { do: 'counter', counter: 'times', change: 1 }
    case 'points':
      return { do: 'points', change: 10, why: props.view.trigger.name }
    case 'webhook':
      return { do: 'webhook', url: 'https://example.org/hook' }
    case 'sheet': {
      const other = triggers.view?.triggers.find(({ trigger }) => trigger.id !== props.view.trigger.id)
      return other ? { do: 'sheet', triggerId: other.trigger.id } : null
    }
    case 'wait':
      return null
  }
}
const addChoices = computed(() => [
  { value: '', label: 'add a step…' },
  ...Object.entries(stepNames).map(([value, label]) => ({ value, label })),
])
const missing = ref('')
function add(kind: string): void {
  if (kind === '') return
  const made = newStep(kind as Step['do'])
  missing.value = made ? '' : 'There is nothing yet that this could use: make a box, a sound or another trigger first.'
  if (!made) return
  const after = chosen.value === null ? null : pathOf(chosen.value)
  emit('change', (sheet) => insertStep(sheet, made, { how: 'after', path: after }))
}
function dropped(from: string, how: 'with' | 'after', to: StepPath): void {
  emit('change', (sheet) => moveStep(sheet, pathOf(from), { how, path: to }))
  chosen.value = null
}
function delay(path: StepPath, byMs: number): void {
  const key = keyOf(path)
  emit('change', (sheet) => setDelay(sheet, path, delayOf(sheet, path) + byMs))
  // With its first wait a step moves one place down, and back without it.
  if (chosen.value === key) chosen.value = null
}
</script>

<template>
  <section aria-labelledby="run-sheet">
    <div class="flex items-baseline justify-between">
      <h2 id="run-sheet" class="font-display text-base font-semibold">Run sheet</h2>
      <span class="font-mono text-xs text-mist">{{ seconds(lengthMs) }} s</span>
    </div>
    <div class="relative mt-1">
      <div class="relative h-4 font-mono text-2xs text-mist" aria-hidden="true">
        <span
          v-for="tick in ticks"
          :key="tick"
          class="absolute -translate-x-1/2 first:translate-x-0"
          :style="{ left: `${((tick * 1000) / axisMs) * 100}%` }"
          >{{ tick }}</span
        >
      </div>
      <div class="pointer-events-none absolute inset-0 top-4" aria-hidden="true">
        <span
          v-for="tick in ticks"
          :key="tick"
          class="absolute inset-y-0 w-px bg-seam"
          :style="{ left: `${((tick * 1000) / axisMs) * 100}%` }"
        />
      </div>
      <ol v-if="laid.length > 0" class="relative overflow-hidden py-1" aria-label="Steps">
        <StepBar
          v-for="each in laid"
          :key="keyOf(each.path)"
          :laid="each"
          :words="stepWords(each.step, names)"
          :axis-ms="axisMs"
          :is-chosen="keyOf(each.path) === chosen"
          :can-edit="session.canEdit"
          @choose="chosen = chosen === keyOf(each.path) ? null : keyOf(each.path)"
          @dropped="(from, how) => dropped(from, how, each.path)"
          @delay="(byMs) => session.canEdit && delay(each.path, byMs)"
          @remove="session.canEdit && emit('change', (sheet) => removeStep(sheet, each.path))"
        />
      </ol>
      <p v-else class="relative py-4 text-center text-mist">Nothing happens yet. Add what is to happen first.</p>
      <span
        v-if="playheadMs !== null && playheadMs <= axisMs"
        class="pointer-events-none absolute inset-y-0 top-4 w-0.5 bg-bolt"
        :style="{ left: `${(playheadMs / axisMs) * 100}%` }"
        aria-hidden="true"
      />
    </div>
    <p v-if="view.fault" role="alert" class="mt-1 text-wrong">{{ view.fault }}</p>
    <div ref="editor">
      <StepEditor
        v-if="step && session.canEdit"
        class="mt-2"
        :step="step.step"
        :delay-ms="delayOf(view.trigger.sheet, step.path)"
        :trigger-id="view.trigger.id"
        :others="others"
        @change="(next) => emit('change', (sheet) => changeStep(sheet, step!.path, next))"
        @delay="(ms) => delay(step!.path, ms - delayOf(view.trigger.sheet, step!.path))"
        @move="(how, path) => dropped(keyOf(step!.path), how, pathOf(path))"
        @remove="(emit('change', (sheet) => removeStep(sheet, step!.path)), (chosen = null))"
      />
    </div>
    <div v-if="session.canEdit" class="on-paper mt-2 w-44 rounded-sm">
      <ChoiceField label="Add a step" value="" :choices="addChoices" @change="add" />
    </div>
    <p v-if="missing" role="status" class="mt-1 text-mist">{{ missing }}</p>
    <p v-else-if="laid.length > 1 && session.canEdit" class="mt-1 text-2xs text-mist">
      Drag a bar to the left end of another to begin with it, to its right end to come after. ← → move it by 0.1 s.
    </p>
  </section>
</template>
