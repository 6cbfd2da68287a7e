<script setup lang="ts">
import { computed } from 'vue'
import { easingNames } from '../../../core/motion/easingSpec.ts'
import { motionNames, type Phase } from '../../../core/motion/schema.ts'
import ChoiceField, { type Choice } from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'
import { easingWords } from './easingWords.ts'
import { motionWords } from './motionWords.ts'

/** One phase: which motion, over how long, how it is eased. */
const props = defineProps<{ phase: Phase; label: string; disabled: boolean }>()
const emit = defineEmits<{ change: [phase: Phase, what: 'motion' | 'time' | 'easing'] }>()
const choices = motionNames.map((value) => ({ value, label: motionWords[value] }))
const easingChoices: Choice<string | null>[] = [
  { value: null, label: 'its own easing' },
  ...easingNames.map((value) => ({ value, label: easingWords[value] })),
]
const easing = computed(() => (typeof props.phase.easing === 'string' ? props.phase.easing : null))
</script>

<template>
  <div class="space-y-1">
    <div class="grid grid-cols-[minmax(0,1fr)_5rem] gap-2">
      <ChoiceField
        :label="label"
        :value="phase.motion"
        :choices="choices"
        :disabled="disabled"
        @change="(motion) => emit('change', { ...phase, motion }, 'motion')"
      />
      <NumberField
        :label="`${label} over`"
        :value="phase.ms / 1000"
        unit="s"
        :step="0.05"
        :min="0"
        :max="10"
        :decimals="2"
        :disabled="disabled"
        @change="(s) => emit('change', { ...phase, ms: Math.round(s * 1000) }, 'time')"
      />
    </div>
    <ChoiceField
      v-if="phase.motion !== 'none'"
      :label="`Easing: ${label}`"
      :value="easing"
      :choices="easingChoices"
      :disabled="disabled"
      @change="
        (name) => emit('change', { ...phase, easing: easingNames.find((each) => each === name) ?? null }, 'easing')
      "
    />
  </div>
</template>
