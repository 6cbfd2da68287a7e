<script setup lang="ts">
import type { EventKind } from '../../../core/events/kinds.ts'
import type { Look } from '../../../core/look/schema.ts'
import type { PartOf } from '../../../core/parts/part.ts'
import TemplateField from './TemplateField.vue'
import TextSection from './TextSection.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: PartOf<'line'>; look: Look; kinds: readonly EventKind[]; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
</script>

<template>
  <div class="space-y-2">
    <TemplateField :value="part.template" :label="`Words of ${part.name}`" :kinds="kinds" :disabled="disabled" @change="(template) => edit('words', (draft) => void (draft.template = template))" />
    <TextSection :part="part" :look="look" :disabled="disabled" />
  </div>
</template>
