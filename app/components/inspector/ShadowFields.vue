<script setup lang="ts">
import type { Look, TextShadow } from '../../../core/look/schema.ts'
import FieldRow from '../fields/FieldRow.vue'
import InkField from '../fields/InkField.vue'
import NumberField from '../fields/NumberField.vue'

/** A shadow under letters: its ink, where it falls, how soft it is. */
const props = defineProps<{ shadow: TextShadow; look: Look; label: string; disabled: boolean }>()
const emit = defineEmits<{ change: [shadow: TextShadow] }>()
const put = (changed: Partial<TextShadow>) => emit('change', { ...props.shadow, ...changed })
</script>

<template>
  <div class="space-y-2">
    <FieldRow label="Shadow in"
      ><InkField
        :label="`${label} in`"
        :ink="shadow.ink"
        :look="look"
        :disabled="disabled"
        @change="(ink) => put({ ink })"
    /></FieldRow>
    <FieldRow label="Shadow by">
      <div class="grid grid-cols-3 gap-1">
        <NumberField
          :label="`${label} to the right`"
          :value="shadow.xPx"
          unit="x"
          :min="-100"
          :max="100"
          :disabled="disabled"
          @change="(xPx) => put({ xPx })"
        />
        <NumberField
          :label="`${label} down`"
          :value="shadow.yPx"
          unit="y"
          :min="-100"
          :max="100"
          :disabled="disabled"
          @change="(yPx) => put({ yPx })"
        />
        <NumberField
          :label="`${label} blur`"
          :value="shadow.blurPx"
          unit="b"
          :min="0"
          :max="40"
          :disabled="disabled"
          @change="(blurPx) => put({ blurPx })"
        />
      </div>
    </FieldRow>
  </div>
</template>
