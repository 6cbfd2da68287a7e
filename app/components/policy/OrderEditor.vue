<script setup lang="ts">
import { computed } from 'vue'
import type { EventKind } from '../../../core/events/kinds.ts'
import { manyOf, stepWords } from '../../../core/queue/policyWords.ts'
import type { OrderSentence, Target } from '../../../core/queue/rules/order.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'
import TickBox from '../fields/TickBox.vue'
import { useBrings } from './useBrings.ts'

/** What goes before others, or after them: kinds, from so much on, or single cases. */
const props = defineProps<{
  sentence: OrderSentence
  kinds: readonly EventKind[]
  cases: readonly { id: string; name: string }[]
}>()
const emit = defineEmits<{ change: [sentence: OrderSentence] }>()
const { perOf, unitOf } = useBrings()
const stepChoices = [2, 1, -1, -2].map((steps) => ({ value: String(steps), label: stepWords[steps] ?? '' }))
const targetChoices = computed(() => [
  ...props.kinds.map((kind) => ({ value: `kind ${kind}`, label: manyOf(kind) })),
  ...props.cases.map(({ id, name }) => ({ value: `case ${id}`, label: `“${name}”` })),
])
const valueOf = (target: Target) => ('caseId' in target ? `case ${target.caseId}` : `kind ${target.kind}`)
function targetOf(value: string): Target {
  const [what, name = ''] = value.split(' ')
  return what === 'case' ? { caseId: name } : { kind: name as EventKind, from: null }
}
const setTarget = (at: number, target: Target) =>
  emit('change', { ...props.sentence, of: props.sentence.of.with(at, target) })
</script>

<template>
  <div class="space-y-2">
    <div v-for="(target, at) in sentence.of" :key="at" class="flex items-center gap-2">
      <span class="min-w-0 flex-1"
        ><ChoiceField
          :label="`What goes ${stepWords[sentence.steps]}, ${at + 1}`"
          :value="valueOf(target)"
          :choices="targetChoices"
          @change="(value) => setTarget(at, targetOf(value))"
      /></span>
      <template v-if="'kind' in target">
        <TickBox
          :checked="target.from !== null"
          @change="(has) => setTarget(at, { ...target, from: has ? 20 * perOf(target.kind) : null })"
          >from</TickBox
        >
        <span v-if="target.from !== null" class="w-28"
          ><NumberField
            label="From how much on"
            :unit="unitOf(target.kind)"
            :value="target.from / perOf(target.kind)"
            :min="1 / perOf(target.kind)"
            :max="1_000_000"
            :decimals="perOf(target.kind) > 1 ? 2 : 0"
            @change="(value) => setTarget(at, { ...target, from: Math.round(value * perOf(target.kind)) })"
        /></span>
      </template>
      <button
        v-if="sentence.of.length > 1"
        type="button"
        class="button px-2!"
        :aria-label="`Leave out ${at + 1}`"
        @click="emit('change', { ...sentence, of: sentence.of.toSpliced(at, 1) })"
      >
        ×
      </button>
    </div>
    <button
      v-if="sentence.of.length < 20"
      type="button"
      class="link text-deep-sky"
      @click="emit('change', { ...sentence, of: [...sentence.of, { kind: kinds[0] ?? 'tip', from: null }] })"
    >
      And another
    </button>
    <ChoiceField
      label="Where they go"
      :value="String(sentence.steps)"
      :choices="stepChoices"
      @change="(steps) => emit('change', { ...sentence, steps: Number(steps) })"
    />
  </div>
</template>
