<script setup lang="ts">
import { Plus, X } from '@lucide/vue'
import { computed } from 'vue'
import { comparisonsFor } from '../../../core/rules/checkRule.ts'
import { fieldOf, fieldsOf, type Listener, type RuleField } from '../../../core/rules/fields.ts'
import { isComparison, type Comparison, type Rule, type RuleTerm } from '../../../core/rules/schema.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import ComparisonValue from './ComparisonValue.vue'
import { isWords, startOf } from './comparisonStart.ts'

/** A rule as the sentence that it is: what is asked, how, and against what. */
const props = defineProps<{ rule: Rule; listener: Listener; disabled: boolean }>()
const emit = defineEmits<{ change: [rule: Rule] }>()
const fields = computed(() => fieldsOf(props.listener))
const fieldChoices = computed(() => fields.value.map((field) => ({ value: field.id, label: field.words })))
const matchChoices = [
  { value: 'all', label: 'all of these hold' },
  { value: 'any', label: 'any of these holds' },
  { value: 'none', label: 'none of these holds' },
] as const
const wayChoices = (field: RuleField) => comparisonsFor(field).map((value) => ({ value, label: isWords[value] }))
const put = (index: number, term: RuleTerm | null) =>
  emit('change', {
    ...props.rule,
    of: props.rule.of.flatMap((each, at) => (at === index ? (term ?? []) : each)),
  })

function setField(index: number, id: string): void {
  const field = fieldOf(props.listener, id)
  if (field) put(index, startOf(field))
}
function setWay(index: number, comparison: Comparison, is: Comparison['is']): void {
  const field = fieldOf(props.listener, comparison.field)
  if (field) put(index, startOf(field, is, comparison))
}
function add(): void {
  const [field] = fields.value
  if (field) emit('change', { ...props.rule, of: [...props.rule.of, startOf(field)] })
}
</script>

<template>
  <div class="space-y-1.5" role="group" aria-label="When it plays">
    <div class="flex items-center gap-2">
      <span class="text-faded">When</span
      ><span class="flex-1"
        ><ChoiceField
          label="How many must hold"
          :value="rule.match"
          :choices="matchChoices"
          :disabled="disabled || rule.of.length < 2"
          @change="(match) => emit('change', { ...rule, match })"
      /></span>
    </div>
    <template v-for="(term, index) in rule.of" :key="index">
      <div
        v-if="isComparison(term) && fieldOf(listener, term.field)"
        class="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_1.5rem] gap-1 rounded-sm bg-sheet p-1.5"
      >
        <ChoiceField
          :label="`What is asked, ${index + 1}`"
          :value="term.field"
          :choices="fieldChoices"
          :disabled="disabled"
          @change="(id) => setField(index, id)"
        />
        <ChoiceField
          :label="`How, ${index + 1}`"
          :value="term.is"
          :choices="wayChoices(fieldOf(listener, term.field)!)"
          :disabled="disabled"
          @change="(is) => setWay(index, term, is)"
        />
        <button
          type="button"
          class="grid size-6 place-items-center self-center rounded-sm hover:bg-rule/60 disabled:opacity-35"
          :aria-label="`Take ${index + 1} away`"
          :disabled="disabled || rule.of.length < 2"
          @click="put(index, null)"
        >
          <X :size="13" aria-hidden="true" />
        </button>
        <ComparisonValue
          class="col-span-3"
          :comparison="term"
          :field="fieldOf(listener, term.field)!"
          :label="`Value ${index + 1}`"
          :disabled="disabled"
          @change="(changed) => put(index, changed)"
        />
      </div>
      <p v-else class="rounded-sm bg-sheet p-1.5 text-faded">A group of conditions, kept as it is.</p>
    </template>
    <button
      v-if="!disabled && rule.of.length < 20"
      type="button"
      class="link flex items-center gap-1 text-deep-sky"
      @click="add"
    >
      <Plus :size="13" aria-hidden="true" />and ask something else
    </button>
  </div>
</template>
