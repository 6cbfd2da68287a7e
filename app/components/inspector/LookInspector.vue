<script setup lang="ts">
import { computed } from 'vue'
import type { Look } from '../../../core/look/schema.ts'
import { inkRoles, typeRoles } from '../../../core/look/schema.ts'
import { changeLook } from '../../../core/edit/changeLook.ts'
import { useTypefaces } from '../../library/useTypefaces.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import RangeField from '../fields/RangeField.vue'

/** The roles that all alerts of the box refer to: one change reaches every one of them. */
defineProps<{ look: Look; disabled: boolean }>()
const draft = useDraftStore()
const view = useRoomViewStore()
const { families, typefaceOf } = useTypefaces()
const choices = computed(() => families.value.map((family) => ({ value: family, label: family, family: `"${family}"` })))
const roleWords: Record<(typeof inkRoles)[number], string> = { headline: 'headline', body: 'other words', accent: 'variables and accents', outline: 'outlines', plate: 'plates behind words' }

function setFamily(role: (typeof typeRoles)[number], family: string): void {
  const typeface = typefaceOf(family)
  if (typeface) draft.edit(changeLook(`${role} type`, (look) => void (look.type[role] = typeface)))
}
</script>

<template>
  <div class="space-y-3">
    <div class="flex items-baseline justify-between">
      <h2 class="font-display text-lg font-semibold">Look of this box</h2>
      <button type="button" class="link text-deep-sky" @click="view.isEditingLook = false">Done</button>
    </div>
    <p class="text-faded">Parts refer to these roles. A change here reaches every alert at once, except where a part has a colour or typeface of its own.</p>
    <section class="space-y-2 border-t border-rule pt-2">
      <h3 class="caps text-faded">Palette</h3>
      <FieldRow v-for="role in inkRoles" :key="role" :label="roleWords[role]">
        <label class="flex items-center gap-2"><input type="color" class="h-7 w-12 cursor-pointer rounded-sm border border-rule bg-sheet p-0.5" :value="look.palette[role]" :disabled="disabled" :aria-label="`Colour of ${roleWords[role]}`" @input="draft.edit(changeLook(`${role} colour`, (changed) => void (changed.palette[role] = ($event.target as HTMLInputElement).value.toUpperCase())))" /><span class="font-mono text-2xs">{{ look.palette[role] }}</span></label>
      </FieldRow>
    </section>
    <section class="space-y-2 border-t border-rule pt-2">
      <h3 class="caps text-faded">Type</h3>
      <template v-for="role in typeRoles" :key="role">
        <FieldRow :label="role"><ChoiceField :label="`Typeface of ${role}`" :value="look.type[role].family" :choices="choices" :disabled="disabled" @change="(family) => setFamily(role, family)" /></FieldRow>
        <FieldRow label=""><NumberField :label="`Weight of ${role}`" :value="look.type[role].weight" unit="wt" :min="100" :max="900" :step="100" :disabled="disabled" @change="(weight) => draft.edit(changeLook(`${role} weight`, (changed) => void (changed.type[role].weight = Math.round(weight))))" /></FieldRow>
      </template>
    </section>
    <section class="space-y-2 border-t border-rule pt-2">
      <h3 class="caps text-faded">Sound</h3>
      <p class="text-faded">Every levelled sound is brought to this loudness, measured after ITU-R BS.1770, and its peaks stay under the ceiling.</p>
      <FieldRow label="Loudness"><RangeField label="Loudness of all sounds" :value="look.soundLevel.targetLufs" :shown="`${look.soundLevel.targetLufs} LUFS`" :min="-36" :max="-8" :step="1" :disabled="disabled" @change="(targetLufs) => draft.edit(changeLook('loudness', (changed) => void (changed.soundLevel.targetLufs = targetLufs)))" /></FieldRow>
      <FieldRow label="Ceiling"><RangeField label="Ceiling of all peaks" :value="look.soundLevel.ceilingDbtp" :shown="`${look.soundLevel.ceilingDbtp.toFixed(1)} dBTP`" :min="-9" :max="0" :step="0.5" :disabled="disabled" @change="(ceilingDbtp) => draft.edit(changeLook('ceiling', (changed) => void (changed.soundLevel.ceilingDbtp = ceilingDbtp)))" /></FieldRow>
      <FieldRow label="All sounds"><RangeField label="Level of all sounds" :value="look.soundTrimDb" :shown="`${look.soundTrimDb.toFixed(1)} dB`" :min="-40" :max="6" :step="0.5" :disabled="disabled" @change="(soundTrimDb) => draft.edit(changeLook('sound level', (changed) => void (changed.soundTrimDb = soundTrimDb)))" /></FieldRow>
    </section>
  </div>
</template>
