<script setup lang="ts">
import type { Look } from '../../../core/look/schema.ts'
import type { Backdrop } from '../../../core/score/parts/backdrop/schema.ts'
import type { Part } from '../../../core/score/parts/part.ts'
import { canBeHugged } from '../../../core/score/shownKinds.ts'
import FieldRow from '../fields/FieldRow.vue'
import InkField from '../fields/InkField.vue'
import NumberField from '../fields/NumberField.vue'
import SizeRow from './SizeRow.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: Backdrop; parts: readonly Part[]; look: Look; disabled: boolean }>()
const edit = usePartEdit(() => props.part)

function toggleHug(id: string): void {
  edit('what it hugs', (draft) => {
    draft.hugs = draft.hugs.includes(id) ? draft.hugs.filter((each) => each !== id) : [...draft.hugs, id]
  })
}
</script>

<template>
  <section class="space-y-2">
    <FieldRow label="Hugs">
      <div class="space-y-1">
        <label v-for="each in parts.filter(canBeHugged)" :key="each.id" class="flex items-center gap-2">
          <input
            type="checkbox"
            class="size-4 accent-deep-sky"
            :checked="part.hugs.includes(each.id)"
            :disabled="disabled"
            @change="toggleHug(each.id)"
          />{{ each.name }}
        </label>
      </div>
    </FieldRow>
    <SizeRow v-if="part.hugs.length === 0" :part="part" label="Size" :disabled="disabled" />
    <FieldRow v-else label="Padding" path="paddingPx"
      ><NumberField
        label="Padding"
        :value="part.paddingPx"
        unit="px"
        :min="0"
        :max="400"
        :disabled="disabled"
        @change="(paddingPx) => edit('padding', (draft) => void (draft.paddingPx = paddingPx))"
    /></FieldRow>
    <FieldRow label="Corners" path="cornerPx"
      ><NumberField
        label="Corners"
        :value="part.cornerPx"
        unit="px"
        :min="0"
        :max="400"
        :disabled="disabled"
        @change="(cornerPx) => edit('corners', (draft) => void (draft.cornerPx = cornerPx))"
    /></FieldRow>
    <FieldRow label="Colour" path="ink"
      ><InkField
        label="Colour"
        :ink="part.ink"
        :look="look"
        :disabled="disabled"
        @change="(ink) => edit('colour', (draft) => void (draft.ink = ink))"
    /></FieldRow>
  </section>
</template>
