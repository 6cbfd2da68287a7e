<script setup lang="ts">
import type { Look } from '../../../core/look/schema.ts'
import { motionRoles } from '../../../core/motion/schema.ts'
import FieldRow from '../fields/FieldRow.vue'
import RangeField from '../fields/RangeField.vue'
import InspectorSection from '../inspector/InspectorSection.vue'
import PhaseFields from '../inspector/PhaseFields.vue'
import { motionRoleWords } from '../inspector/motionWords.ts'

/** How things enter, how words do, how all of it leaves, and how fast. */
defineProps<{ look: Look; disabled: boolean }>()
const emit = defineEmits<{ change: [what: string, recipe: (look: Look) => void] }>()
</script>

<template>
  <InspectorSection title="Motion">
    <FieldRow label="Speed" path="speedRatio"
      ><RangeField
        label="Speed of all motion"
        :value="look.speedRatio"
        :shown="`${look.speedRatio.toFixed(2)} ×`"
        :min="0.25"
        :max="4"
        :step="0.05"
        :disabled="disabled"
        @change="(ratio) => emit('change', 'speed', (changed) => void (changed.speedRatio = ratio))"
    /></FieldRow>
    <FieldRow v-for="role in motionRoles" :key="role" :label="motionRoleWords[role]"
      ><PhaseFields
        :phase="look.motion[role]"
        :label="`How ${motionRoleWords[role]}`"
        :disabled="disabled"
        @change="(phase, what) => emit('change', `${role} ${what}`, (changed) => void (changed.motion[role] = phase))"
    /></FieldRow>
  </InspectorSection>
</template>
