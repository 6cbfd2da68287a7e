<script setup lang="ts">
import { computed } from 'vue'
import { wordsOfSentence, type PolicyNames } from '../../../core/queue/policyWords.ts'
import type { Advice, AdviceStep } from '../../../core/rehearsal/advise.ts'
import { lengthWords } from '../../format/time.ts'
import { effectWords } from './rehearsalWords.ts'

/** What would keep people from waiting, as sentences of the policy, and what each costs. */
const props = defineProps<{
  advice: Advice | null
  /** How long nineteen of twenty wait under the draft. */
  p95Ms: number
  isBusy: boolean
  canEdit: boolean
  names: PolicyNames
}>()
defineEmits<{ take: [steps: readonly AdviceStep[]]; look: [] }>()
const targetS = defineModel<number>('targetS', { required: true })
const isFine = computed(() => props.p95Ms <= targetS.value * 1000)
const sentenceOf = ({ change: { sentence } }: AdviceStep) => {
  const words = wordsOfSentence(sentence, props.names)
  return sentence.isOn ? words : `No longer: ${words}`
}
const targets = [5, 10, 20, 30, 60, 120, 300]
</script>

<template>
  <section aria-labelledby="advice">
    <h2 id="advice" class="font-display text-xl font-semibold">What would help</h2>
    <p class="mt-1 text-faded">
      The smallest change that keeps 19 of 20 waits under
      <select v-model.number="targetS" class="in-sentence" aria-label="How long 19 of 20 may wait">
        <option v-for="each in targets" :key="each" :value="each">
          {{ lengthWords(each * 1000).replace('.0', '') }}
        </option>
      </select>
    </p>
    <p v-if="isFine" class="mt-2 border-t border-rule pt-2">
      Nothing has to be changed: 19 of 20 wait less than {{ lengthWords(p95Ms) }}.
    </p>
    <template v-else-if="advice">
      <ol v-if="advice.steps.length > 0" class="mt-2">
        <li v-for="(step, at) in advice.steps" :key="at" class="border-t border-rule py-2">
          <p class="font-semibold">{{ at === 0 ? '' : '… and: ' }}{{ sentenceOf(step) }}</p>
          <p class="text-faded">{{ effectWords(step) }}</p>
        </li>
      </ol>
      <p v-else class="mt-2 border-t border-rule pt-2">
        None of {{ advice.tried }} policies makes people wait less. Fewer or shorter alerts would.
      </p>
      <p v-if="advice.steps.length > 0 && !advice.isReached" class="border-t border-rule py-2">
        This is as near as it comes: no policy of {{ advice.tried }} reaches it.
      </p>
      <ul v-if="advice.others.length > 0" aria-label="Not needed with that">
        <li v-for="(step, at) in advice.others" :key="at" class="border-t border-rule py-2">
          <p>{{ sentenceOf(step) }}</p>
          <p class="text-faded">alone: {{ effectWords(step) }} Not needed with the above.</p>
        </li>
      </ul>
      <div v-if="canEdit && advice.steps.length > 0" class="mt-1 flex flex-wrap gap-2">
        <button type="button" class="button button-bolt" @click="$emit('take', advice.steps)">
          {{ advice.steps.length === 1 ? 'Make it the draft' : `Make these ${advice.steps.length} the draft` }}
        </button>
      </div>
    </template>
    <p v-else class="mt-2 border-t border-rule pt-2">
      19 of 20 wait up to {{ lengthWords(p95Ms) }}.
      <button type="button" class="button mt-2" :disabled="isBusy" @click="$emit('look')">Look for what helps</button>
    </p>
  </section>
</template>
