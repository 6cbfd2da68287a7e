<script setup lang="ts">
import { computed } from 'vue'
import type { Gate } from '../../../core/gate/schema.ts'
import { useLiveStore } from '../../stores/live.ts'
import DayTicks from './DayTicks.vue'
import TickBox from '../fields/TickBox.vue'
import TimeField from './TimeField.vue'

/** While the studio shows what, and at which hours. */
const props = defineProps<{ gate: Gate }>()
const emit = defineEmits<{ change: [fields: Partial<Gate>] }>()
const live = useLiveStore()
/** What the studio has, and what is asked for though it is not there. */
const scenes = computed(() => [...new Set([...(live.live?.calls.studio.scenes ?? []), ...(props.gate.scenes ?? [])])])
const isThere = (scene: string) => live.live?.calls.studio.scenes.includes(scene) ?? false
function turnScene(scene: string): void {
  const now = props.gate.scenes ?? []
  const next = now.includes(scene) ? now.filter((each) => each !== scene) : [...now, scene]
  emit('change', { scenes: next.length === 0 ? null : next })
}
const night = { from: 22 * 60, until: 4 * 60, weekdays: [0, 1, 2, 3, 4, 5, 6] }
</script>

<template>
  <fieldset class="space-y-1">
    <legend class="mb-1">Only while the studio shows one of these; none ticked: whatever it shows.</legend>
    <TickBox
      v-for="scene in scenes"
      :key="scene"
      :checked="gate.scenes?.includes(scene) ?? false"
      @change="turnScene(scene)"
      >{{ scene }}<span v-if="!isThere(scene)" class="text-brick">not in the studio now</span></TickBox
    >
    <p v-if="scenes.length === 0" class="text-faded">No studio is linked, so there are no scenes to choose.</p>
  </fieldset>
  <TickBox
    class="border-t border-rule pt-2"
    :checked="gate.hours !== null"
    @change="emit('change', { hours: gate.hours ? null : night })"
    >Only at certain hours</TickBox
  >
  <template v-if="gate.hours">
    <div class="grid grid-cols-2 gap-2">
      <TimeField
        label="From"
        :minute="gate.hours.from"
        @change="(from) => gate.hours && emit('change', { hours: { ...gate.hours, from } })"
      />
      <TimeField
        label="Until"
        :minute="gate.hours.until"
        @change="(until) => gate.hours && emit('change', { hours: { ...gate.hours, until } })"
      />
    </div>
    <DayTicks
      :days="gate.hours.weekdays"
      @change="(weekdays) => gate.hours && emit('change', { hours: { ...gate.hours, weekdays } })"
    />
  </template>
</template>
