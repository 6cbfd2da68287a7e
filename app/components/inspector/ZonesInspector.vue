<script setup lang="ts">
import { Plus, Trash2 } from '@lucide/vue'
import type { Canvas } from '../../../core/composition/canvas.ts'
import { zonePurposes, type Zone } from '../../../core/composition/zone.ts'
import { addZone, changeZone, removeZone } from '../../../core/edit/zoneEdits.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import TypedField from '../fields/TypedField.vue'

const props = defineProps<{ zones: readonly Zone[]; canvas: Canvas; disabled: boolean }>()
const draft = useDraftStore()
const view = useRoomViewStore()
const purposeWords = { camera: 'the camera', chat: 'the chat', game: 'the game', free: 'free for alerts' }
const purposes = zonePurposes.map((value) => ({ value, label: purposeWords[value] }))
const sides = [
  { field: 'xPx', label: 'Left', unit: 'x' },
  { field: 'yPx', label: 'Top', unit: 'y' },
  { field: 'widthPx', label: 'Width', unit: 'w' },
  { field: 'heightPx', label: 'Height', unit: 'h' },
] as const

function add(): void {
  const { widthPx, heightPx } = props.canvas
  draft.edit(
    addZone({
      id: 'zone',
      name: 'Camera',
      purpose: 'camera',
      xPx: Math.round(widthPx * 0.72),
      yPx: Math.round(heightPx * 0.66),
      widthPx: Math.round(widthPx * 0.24),
      heightPx: Math.round(heightPx * 0.28),
    }),
  )
}
</script>

<template>
  <div class="space-y-3">
    <div class="flex items-baseline justify-between">
      <h2 class="font-display text-lg font-semibold">Zones</h2>
      <button type="button" class="link text-deep-sky" @click="view.panel = 'part'">Done</button>
    </div>
    <p class="text-faded">
      Draw on the stage where the camera, the chat or the game is. Layouts keep clear of it, remarks check it, particles
      can fly over it. Zones hold for all alerts of this box.
    </p>
    <section
      v-for="zone in zones"
      :key="zone.id"
      class="space-y-2 border-t border-rule pt-2"
      :aria-label="`Zone ${zone.name}`"
    >
      <div class="flex gap-2">
        <TypedField
          class="field font-medium"
          :value="zone.name"
          maxlength="40"
          :disabled="disabled"
          aria-label="Name of the zone"
          @change="(name) => name && draft.edit(changeZone(zone.id, { name }))"
        />
        <button
          v-if="!disabled"
          type="button"
          class="rounded-sm p-1.5 hover:bg-rule/60"
          :aria-label="`Remove zone ${zone.name}; can be undone`"
          @click="draft.edit(removeZone(zone.id))"
        >
          <Trash2 :size="15" aria-hidden="true" />
        </button>
      </div>
      <FieldRow label="Here is"
        ><ChoiceField
          label="Here is"
          :value="zone.purpose"
          :choices="purposes"
          :disabled="disabled"
          @change="(purpose) => draft.edit(changeZone(zone.id, { purpose }))"
      /></FieldRow>
      <FieldRow label="Place">
        <div class="grid grid-cols-2 gap-2">
          <NumberField
            v-for="side in sides"
            :key="side.field"
            :label="`${side.label} of ${zone.name}`"
            :value="zone[side.field]"
            :unit="side.unit"
            :min="side.field.startsWith('w') || side.field.startsWith('h') ? 8 : -8000"
            :max="8000"
            :step="10"
            :disabled="disabled"
            @change="(value) => draft.edit(changeZone(zone.id, { [side.field]: value }))"
          />
        </div>
      </FieldRow>
    </section>
    <button v-if="!disabled" type="button" class="button" @click="add">
      <Plus :size="15" aria-hidden="true" />Add a zone
    </button>
  </div>
</template>
