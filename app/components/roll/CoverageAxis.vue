<script setup lang="ts">
import { computed } from 'vue'
import type { Alert } from '../../../core/composition/box.ts'
import { axisOf, type AxisRow, type AxisStretch } from '../../../core/rules/axis.ts'
import type { Coverage } from '../../../core/rules/coverage.ts'
import { wordsOfValue } from '../../../core/rules/words.ts'
import { useSessionStore } from '../../stores/session.ts'
import { axisScale } from './axisScale.ts'

/** Which variation plays where, along the number that the kind is about: click a stretch to look at its variation. */
const props = defineProps<{ alert: Alert; coverage: Coverage; chosenId: string | null }>()
const emit = defineEmits<{ choose: [variationId: string] }>()
const session = useSessionStore()
const locale = computed(() => ({ locale: session.session?.channel.locale ?? 'en', currency: session.session?.channel.currency ?? 'EUR' }))
const axis = computed(() => axisOf(props.coverage))
const field = computed(() => (axis.value.dimension === null ? null : (props.coverage.space.dimensions[axis.value.dimension]?.field ?? null)))
const facet = computed(() => (axis.value.facet === null ? null : (props.coverage.space.dimensions[axis.value.facet]?.field ?? null)))
const signature = (row: AxisRow) => row.stretches.map(({ first, ids, hasGap }) => `${first}:${ids.join('+')}:${hasGap}`).join()
/** Rows that say the same are drawn once. */
const rows = computed(() => {
  const { rows: all } = axis.value
  return new Set(all.map(signature)).size === 1 ? all.slice(0, 1).map((row) => ({ ...row, value: null })) : all
})
const scale = computed(() => axisScale(axis.value.rows.flatMap((row) => row.stretches.map(({ first }) => first)), field.value?.type === 'money'))
const nameOf = (id: string) => props.alert.variations.find((each) => each.id === id)?.name ?? id
const namesOf = ({ ids, hasGap }: AxisStretch) => [...ids.map(nameOf), ...(hasGap ? ['nothing plays'] : [])].join(' or ')
const valueWords = (value: number) => (field.value ? wordsOfValue(field.value, value, locale.value) : '')
const facetWords = (row: AxisRow) => (facet.value?.type === 'choice' && row.value !== null ? (facet.value.options[row.value]?.words ?? '') : '')
const rangeWords = ({ first, last }: AxisStretch) => (!field.value ? 'every time' : last >= 1_000_000_000 ? `${field.value.words} from ${valueWords(first)}` : first === last ? `${field.value.words} ${valueWords(first)}` : `${field.value.words} ${valueWords(first)} to ${valueWords(last)}`)
const ticks = computed(() => [...new Set(axis.value.rows.flatMap((row) => row.stretches.map(({ first }) => first)))].sort((a, b) => a - b))
</script>

<template>
  <div class="grid grid-cols-[auto_minmax(0,1fr)] gap-x-3 gap-y-1" role="group" :aria-label="`Which case plays${field ? `, by ${field.words}` : ''}`">
    <template v-for="row in rows" :key="row.value ?? -1">
      <span class="self-center text-right text-2xs text-faded">{{ facetWords(row) ? `${facet?.words.replace('the ', '')} ${facetWords(row)}` : (field?.words ?? '') }}</span>
      <div class="relative h-6 overflow-hidden rounded-xs border border-rule bg-sheet">
        <button
          v-for="stretch in row.stretches"
          :key="stretch.first"
          type="button"
          class="absolute inset-y-0 truncate border-r border-rule px-1.5 text-left text-2xs -outline-offset-2"
          :class="[stretch.ids.length === 0 ? 'cursor-default text-faded italic' : stretch.ids.includes(chosenId ?? '') ? 'bg-ink font-medium text-paper' : 'hover:bg-rule/60', stretch.hasGap && stretch.ids.length > 0 ? 'underline decoration-dotted' : '']"
          :style="{ left: `${scale.at(stretch.first)}%`, width: `${scale.at(stretch.last + 1) - scale.at(stretch.first)}%` }"
          :disabled="stretch.ids.length === 0"
          :title="`${rangeWords(stretch)}: ${namesOf(stretch)}`"
          :aria-label="`${facetWords(row) ? `${facetWords(row)}, ` : ''}${rangeWords(stretch)}: ${namesOf(stretch)}`"
          :aria-pressed="stretch.ids.includes(chosenId ?? '')"
          @click="stretch.ids[0] && emit('choose', stretch.ids[0])"
        >
          {{ namesOf(stretch) }}
        </button>
      </div>
    </template>
    <template v-if="field">
      <span />
      <div class="relative h-3.5 font-mono text-2xs text-faded" aria-hidden="true"><span v-for="tick in ticks" :key="tick" class="absolute" :class="scale.at(tick) > 92 ? '-translate-x-full' : ''" :style="{ left: `${scale.at(tick)}%` }">{{ valueWords(tick) }}</span></div>
    </template>
  </div>
</template>
