<script setup lang="ts">
import { Check, Minus, X } from '@lucide/vue'
import { computed } from 'vue'
import type { Why, WhyVariation } from '../../../core/rules/why.ts'

/** Every case that was asked, in order, with each comparison and what the event said. */
const props = defineProps<{ why: Why }>()
const outcomes: Record<WhyVariation['outcome'], string> = {
  plays: 'plays',
  held: 'would hold too, but comes later',
  failed: 'does not apply',
}
const weights = computed(() => new Map(props.why.draw?.odds.map(({ id, weight }) => [id, weight])))
</script>

<template>
  <ol class="space-y-2">
    <li
      v-for="each in why.variations"
      :key="each.id"
      class="rounded-sm border p-2"
      :class="each.outcome === 'plays' ? 'border-ink bg-sheet' : 'border-rule'"
    >
      <p class="flex items-baseline justify-between gap-3">
        <b class="font-semibold">{{ each.name }}</b><span class="text-faded"
          >{{ weights.has(each.id) ? `${weights.get(each.id)} lots, ` : '' }}{{ outcomes[each.outcome] }}</span
        >
      </p>
      <ul v-if="each.terms.length > 0" class="mt-1">
        <li
          v-for="(term, index) in each.terms"
          :key="index"
          class="flex items-center gap-1.5"
          :class="term.holds ? '' : 'text-faded'"
        >
          <component
            :is="term.holds ? Check : X"
            :size="13"
            :class="term.holds ? 'text-moss' : 'text-brick'"
            :aria-label="term.holds ? 'holds' : 'does not hold'"
          />{{ term.words }}<span v-if="term.said !== null" class="text-faded">(it is {{ term.said }})</span
          ><span v-else-if="term.of.length === 0" class="text-faded">(the event does not say)</span>
        </li>
      </ul>
      <p v-else class="flex items-center gap-1.5 text-faded"><Minus :size="13" aria-hidden="true" />for every time</p>
    </li>
  </ol>
</template>
