<script setup lang="ts">
import { computed } from 'vue'
import type { Dial, DialValue } from '../../../core/pack/dial.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import RangeField from '../fields/RangeField.vue'
import TypefaceField from '../fields/TypefaceField.vue'
import MediaField from '../library/MediaField.vue'

/** A dial to turn, whatever it is. Emits with every step, so that the stage follows. */
const props = defineProps<{ dial: Dial; value: DialValue; disabled: boolean }>()
const emit = defineEmits<{ change: [value: DialValue] }>()
const typed = (event: Event) => (event.target as HTMLInputElement).value
/** So fine that a dial has some hundred steps, in a number that people write. */
const step = computed(() =>
  props.dial.kind === 'number' ? 10 ** Math.floor(Math.log10((props.dial.most - props.dial.least) / 50)) : 1,
)
const decimals = computed(() => Math.max(0, -Math.floor(Math.log10(step.value))))
</script>

<template>
  <label v-if="dial.kind === 'colour'" class="flex items-center gap-2"
    ><input
      type="color"
      class="h-7 w-9 shrink-0 cursor-pointer rounded-sm border border-rule bg-sheet p-0.5"
      :value="String(value)"
      :disabled="disabled"
      :aria-label="dial.label"
      @input="emit('change', typed($event).toUpperCase())"
    /><span class="font-mono text-2xs">{{ value }}</span></label
  >
  <RangeField
    v-else-if="dial.kind === 'number'"
    :label="dial.label"
    :value="Number(value)"
    :shown="`${Number(value).toFixed(decimals)} ${dial.unit}`"
    :min="dial.least"
    :max="dial.most"
    :step="step"
    :disabled="disabled"
    @change="emit('change', $event)"
  />
  <label v-else-if="dial.kind === 'switch'" class="flex items-center gap-2"
    ><input
      type="checkbox"
      class="size-4 accent-deep-sky"
      :checked="value === true"
      :disabled="disabled"
      :aria-label="dial.label"
      @change="emit('change', ($event.target as HTMLInputElement).checked)"
    />{{ value === true ? 'on' : 'off' }}</label
  >
  <ChoiceField
    v-else-if="dial.kind === 'choice'"
    :label="dial.label"
    :value="String(value)"
    :choices="dial.choices.map(({ id, label }) => ({ value: id, label }))"
    :disabled="disabled"
    @change="emit('change', $event)"
  />
  <input
    v-else-if="dial.kind === 'words'"
    type="text"
    class="field"
    :value="String(value)"
    maxlength="500"
    :disabled="disabled"
    :aria-label="dial.label"
    @input="emit('change', typed($event))"
  />
  <TypefaceField
    v-else-if="dial.kind === 'font'"
    :label="dial.label"
    :value="String(value)"
    :disabled="disabled"
    @change="emit('change', $event)"
  />
  <MediaField
    v-else
    :kind="dial.kind"
    :label="dial.label"
    :media-id="String(value)"
    :disabled="disabled"
    @change="(id) => id !== null && emit('change', id)"
  />
</template>
