<script setup lang="ts">
import { Switch } from '@headlessui/vue'
import { computed } from 'vue'
import { setAlertOn } from '../../../core/edit/setAlertOn.ts'
import { setScoreLength } from '../../../core/edit/setScoreLength.ts'
import { sampleNames, type SampleName } from '../../../core/events/sampleEvent.ts'
import { kindLook } from '../../kinds/kindLook.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import NumberField from '../fields/NumberField.vue'

defineProps<{ canEdit: boolean }>()
const draft = useDraftStore()
const room = useScoreRoomStore()

const samples: { name: SampleName; label: string }[] = [
  { name: 'everyday', label: 'everyday' },
  { name: 'longest', label: 'long' },
  { name: 'emoji', label: 'emoji' },
  { name: 'rightToLeft', label: 'right-to-left' },
  { name: 'markup', label: 'markup' },
]
const lengthS = computed(() => (room.variation?.composition.length.rule === 'fixed' ? room.variation.composition.length.ms / 1000 : null))
const advice = computed(() => {
  if (lengthS.value === null) return ''
  if (lengthS.value > 15) return 'More than 15 s holds the screen for long.'
  return lengthS.value < 2 ? 'Under 2 s is hard to read.' : ''
})

function setOn(isOn: boolean): void {
  if (room.alert) draft.edit(setAlertOn(room.alert.id, isOn))
}
function setLength(s: number): void {
  if (room.address) draft.edit(setScoreLength(room.address, s * 1000))
}
</script>

<template>
  <section v-if="room.alert && room.variation" class="on-paper flex items-center gap-8 border-b border-rule px-4 py-2" aria-label="Case">
    <div class="w-44 shrink-0">
      <h1 class="font-display text-lg leading-tight font-semibold">{{ kindLook[room.alert.kind].name }}</h1>
      <p class="text-faded">{{ room.variation.name }}: plays for each one</p>
    </div>
    <div class="flex items-center gap-2">
      <Switch :model-value="room.alert.isOn" :disabled="!canEdit" class="relative h-5 w-9 rounded-full transition-colors disabled:opacity-60" :class="room.alert.isOn ? 'bg-moss' : 'bg-faded'" :aria-label="`Alert for ${kindLook[room.alert.kind].name}`" @update:model-value="setOn">
        <span class="absolute top-0.5 left-0.5 size-4 rounded-full bg-white transition-transform" :class="room.alert.isOn ? 'translate-x-4' : ''" />
      </Switch>
      <span class="w-16">{{ room.alert.isOn ? 'on' : 'off' }}</span>
    </div>
    <div class="flex items-center gap-2">
      <span id="duration-label" class="text-faded">Duration</span>
      <span v-if="lengthS !== null" class="w-24"><NumberField label-id="duration-label" :value="lengthS" unit="s" :step="0.1" :min="0.5" :max="60" :decimals="2" :disabled="!canEdit" @change="setLength" /></span>
      <span class="text-brick">{{ advice }}</span>
    </div>
    <fieldset class="ml-auto flex items-center gap-1.5">
      <legend class="float-left mr-2 text-faded">Shown with a name that is</legend>
      <button v-for="sample in samples" :key="sample.name" type="button" class="rounded-sm border px-2 py-1" :class="room.viewer === sample.name ? 'border-ink bg-sheet font-medium' : 'border-transparent text-deep-sky underline underline-offset-3'" :aria-pressed="room.viewer === sample.name" :title="sampleNames[sample.name]" @click="room.viewer = sample.name">{{ sample.label }}</button>
    </fieldset>
  </section>
</template>
