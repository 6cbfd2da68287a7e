<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Alert } from '../../../core/composition/box.ts'
import { axisOf, facetsOf, type AxisRow, type AxisStretch } from '../../../core/rules/axis.ts'
import type { DrawnCoverage } from '../../../core/rules/isDrawn.ts'
import { boundaryRange, canMoveBoundary } from '../../../core/rules/moveBoundary.ts'
import { wordsOfValue } from '../../../core/rules/words.ts'
import { useChannel } from '../../composables/useChannel.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import BoundaryHandle from './BoundaryHandle.vue'
import { axisScale } from './axisScale.ts'

/**
 * Which variation plays where, along the number that the kind is about: click a stretch to look at its variation, drag
 * a boundary to change the rules.
 */
const props = defineProps<{ alert: Alert; coverage: DrawnCoverage; chosenId: string | null; canEdit: boolean }>()
const emit = defineEmits<{ choose: [variationId: string]; move: [field: string, from: number, to: number] }>()
const channel = useChannel()
const wanted = ref<string | null>(null)
const facets = computed(() =>
  facetsOf(props.coverage).map((at) => ({ at, dimension: props.coverage.space.dimensions[at] })),
)
const facetWordsOf = (id: string, contained: string | null, words: string) =>
  contained === null ? words.replace(/^the /, '') : `${id === 'role' ? '' : `${words} `}${contained}`
const facetChoices = computed(() =>
  facets.value.flatMap(({ dimension }) =>
    dimension
      ? [
          {
            value: dimension.id,
            label: `by ${facetWordsOf(dimension.field.id, dimension.contained, dimension.field.words)}`,
          },
        ]
      : [],
  ),
)
const axis = computed(() =>
  axisOf(props.coverage, facets.value.find(({ dimension }) => dimension?.id === wanted.value)?.at ?? null),
)
const field = computed(() =>
  axis.value.dimension === null ? null : (props.coverage.space.dimensions[axis.value.dimension]?.field ?? null),
)
const facet = computed(() =>
  axis.value.facet === null ? null : (props.coverage.space.dimensions[axis.value.facet] ?? null),
)
const signature = (row: AxisRow) =>
  row.stretches.map(({ first, ids, hasGap, isPerhaps }) => `${first}:${ids.join('+')}:${hasGap}:${isPerhaps}`).join()
/** Rows that say the same are drawn once. */
const rows = computed(() => {
  const { rows: all } = axis.value
  return new Set(all.map(signature)).size === 1 ? all.slice(0, 1).map((row) => ({ ...row, value: null })) : all
})
const cuts = computed(() =>
  [...new Set(axis.value.rows.flatMap((row) => row.stretches.map(({ first }) => first)))].sort((a, b) => a - b),
)
const scale = computed(() => axisScale(cuts.value, field.value?.type === 'money' || field.value?.type === 'span'))
const handles = computed(() => {
  const { type, id } = field.value ?? {}
  if (!props.canEdit || !id || (type !== 'number' && type !== 'money' && type !== 'span')) return []
  return cuts.value
    .filter((at) => canMoveBoundary(props.alert.variations, id, at))
    .map((at) => ({ at, range: boundaryRange(props.alert.variations, id, at, at * 10 + 100) }))
})
const nameOf = (id: string) => props.alert.variations.find((each) => each.id === id)?.name ?? id
const namesOf = ({ ids, hasGap, isPerhaps }: AxisStretch) =>
  [...(isPerhaps ? ['perhaps'] : []), [...ids.map(nameOf), ...(hasGap ? ['nothing plays'] : [])].join(' or ')].join(' ')
const valueWords = (value: number) => (field.value ? wordsOfValue(field.value, value, channel.value) : '')
function facetWords({ value }: AxisRow): string {
  const { field: of, contained } = facet.value ?? {}
  if (value === null || !of || !('options' in of)) return ''
  if (contained !== null && contained !== undefined) return value === 1 ? contained : `not ${contained}`
  const option = of.options[value]?.words ?? ''
  return of.id === 'tier' ? `tier ${option}` : option
}
function rangeWords({ first, last }: AxisStretch): string {
  if (!field.value) return 'every time'
  const { words } = field.value
  if (last >= 1_000_000_000) return `${words} from ${valueWords(first)}`
  return `${words} ${valueWords(first)}${first === last ? '' : ` to ${valueWords(last)}`}`
}
function inkOf({ ids }: AxisStretch): string {
  if (ids.length === 0) return 'cursor-default text-faded italic'
  return ids.includes(props.chosenId ?? '') ? 'bg-ink font-medium text-paper' : 'hover:bg-rule/60'
}
</script>

<template>
  <div
    class="grid grid-cols-[auto_minmax(0,1fr)] gap-x-3 gap-y-1"
    role="group"
    :aria-label="`Which case plays${field ? `, by ${field.words}` : ''}`"
  >
    <template v-for="(row, index) in rows" :key="row.value ?? -1">
      <span class="self-center text-right text-2xs text-faded">{{ facetWords(row) || (field?.words ?? '') }}</span>
      <div class="relative h-6 rounded-xs border border-rule bg-sheet">
        <button
          v-for="stretch in row.stretches"
          :key="stretch.first"
          type="button"
          class="absolute inset-y-0 truncate border-r border-rule px-1.5 text-left text-2xs -outline-offset-2"
          :class="[inkOf(stretch), stretch.hasGap && stretch.ids.length > 0 ? 'underline decoration-dotted' : '']"
          :style="
            row.stretches.length === 1
              ? { left: 0, width: '100%' }
              : {
                  left: `${scale.at(stretch.first)}%`,
                  width: `${scale.at(stretch.last + 1) - scale.at(stretch.first)}%`,
                }
          "
          :disabled="stretch.ids.length === 0"
          :title="`${rangeWords(stretch)}: ${namesOf(stretch)}`"
          :aria-label="`${facetWords(row) ? `${facetWords(row)}, ` : ''}${rangeWords(stretch)}: ${namesOf(stretch)}`"
          :aria-pressed="stretch.ids.includes(chosenId ?? '')"
          @click="stretch.ids[0] && emit('choose', stretch.ids[0])"
        >
          {{ namesOf(stretch) }}
        </button>
        <template v-if="index === 0 && field">
          <BoundaryHandle
            v-for="{ at, range } in handles"
            :key="at"
            :at="at"
            :range="range"
            :scale="scale"
            :type="field.type"
            :words="valueWords"
            :label="`Boundary at ${field.words} ${valueWords(at)}`"
            @move="emit('move', field.id, at, $event)"
          />
        </template>
      </div>
    </template>
    <template v-if="field || facetChoices.length > 1">
      <span class="row-span-1"
        ><span v-if="facetChoices.length > 1" class="block w-32"
          ><ChoiceField label="Rows" :value="facet?.id ?? ''" :choices="facetChoices" @change="wanted = $event" /></span
      ></span>
      <div class="relative h-3.5 font-mono text-2xs text-faded" aria-hidden="true">
        <template v-if="field"
          ><span
            v-for="tick in cuts"
            :key="tick"
            class="absolute"
            :class="scale.at(tick) > 92 ? '-translate-x-full' : ''"
            :style="{ left: `${scale.at(tick)}%` }"
            >{{ valueWords(tick) }}</span
          ></template
        >
      </div>
    </template>
  </div>
</template>
