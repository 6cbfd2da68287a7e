<script setup lang="ts">
import { ownPhase } from '../../../core/look/resolveStyle.ts'
import type { Look } from '../../../core/look/schema.ts'
import { motionRoles } from '../../../core/motion/schema.ts'
import type { VisiblePart } from '../../../core/score/parts/part.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import InspectorSection from './InspectorSection.vue'
import PhaseFields from './PhaseFields.vue'
import { motionRoleWords, motionWords } from './motionWords.ts'
import { usePartEdit } from './usePartEdit.ts'

/** How a part enters and leaves: as the look has it, or in a way of its own. */
const props = defineProps<{ part: VisiblePart; look: Look; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
const phases = [
  { phase: 'entrance', label: 'Enters' },
  { phase: 'exit', label: 'Leaves' },
] as const
const roleChoices = () => [
  ...motionRoles.map((role) => ({
    value: role as string,
    label: `as the look: ${motionRoleWords[role]}, ${motionWords[props.look.motion[role].motion]}`,
  })),
  { value: 'own', label: 'its own way' },
]
const roleOf = (phase: 'entrance' | 'exit') => {
  const styled = props.part.motion[phase]
  return 'role' in styled ? styled.role : 'own'
}

function setRole(phase: 'entrance' | 'exit', value: string): void {
  const role = motionRoles.find((each) => each === value)
  edit(
    `${phase} of the look`,
    (draft) => void (draft.motion[phase] = role ? { role } : { ...ownPhase(draft.motion[phase], props.look) }),
  )
}
</script>

<template>
  <InspectorSection title="Motion">
    <FieldRow v-for="{ phase, label } in phases" :key="phase" :label="label">
      <div class="space-y-1">
        <ChoiceField
          :label="`${label}: how`"
          :value="roleOf(phase)"
          :choices="roleChoices()"
          :disabled="disabled"
          @change="(role) => setRole(phase, role)"
        />
        <PhaseFields
          v-if="roleOf(phase) === 'own'"
          :phase="ownPhase(part.motion[phase], look)"
          :label="label"
          :disabled="disabled"
          @change="(changed, what) => edit(`${phase} ${what}`, (draft) => void (draft.motion[phase] = changed))"
        />
      </div>
    </FieldRow>
  </InspectorSection>
</template>
