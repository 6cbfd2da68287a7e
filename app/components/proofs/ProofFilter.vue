<script setup lang="ts">
import { computed } from 'vue'
import type { RemarkType } from '../../../core/remarks/remarkTypes.ts'
import type { ProofPicture } from '../../proof/drawCase.ts'
import { proofGrounds } from './grounds.ts'
import { countedRemarks, isWrong, type ProofView } from './proofRows.ts'
import { remarkNames } from './remarkNames.ts'

/** Which pictures of a proof sheet are looked at, and on what. */
const props = defineProps<{
  view: ProofView
  type: RemarkType | null
  pictures: readonly ProofPicture[]
  ground: string
}>()
defineEmits<{ view: [view: ProofView]; type: [type: RemarkType | null]; ground: [ground: string] }>()

const views = computed<{ view: ProofView; name: string; count: number }[]>(() => [
  { view: 'wrong', name: 'To mend', count: props.pictures.filter(isWrong).length },
  { view: 'advice', name: 'Worth a thought', count: props.pictures.filter(({ remarks }) => remarks.length > 0).length },
  { view: 'changed', name: 'Since on air', count: props.pictures.filter(({ change }) => change !== null).length },
  { view: 'all', name: 'All', count: props.pictures.length },
])
const seen = computed(() =>
  props.view === 'changed' ? props.pictures.filter(({ change }) => change !== null) : props.pictures,
)
const types = computed(() => countedRemarks(seen.value, props.view === 'wrong'))
const grounds = [
  { ground: proofGrounds.dark, name: 'Dark' },
  { ground: proofGrounds.bright, name: 'Bright' },
  { ground: proofGrounds.checked, name: 'Checked' },
]
</script>

<template>
  <aside aria-label="Which pictures">
    <ul class="space-y-0.5" aria-label="Show">
      <li v-for="each in views" :key="each.view">
        <button
          type="button"
          class="flex w-full justify-between gap-2 rounded-sm px-2 py-1 text-left"
          :class="each.view === view ? 'bg-sheet font-semibold' : 'hover:bg-rule/50'"
          :aria-pressed="each.view === view"
          @click="$emit('view', each.view)"
        >
          <span>{{ each.name }}</span><span
            :class="each.view === 'wrong' && each.count > 0 ? 'text-brick' : 'text-faded'"
            >{{ each.count }}</span
          >
        </button>
      </li>
    </ul>
    <template v-if="types.length > 0">
      <h2 class="caps mt-5 mb-1 text-faded">What is remarked</h2>
      <ul class="space-y-0.5">
        <li v-for="each in types" :key="each.type">
          <button
            type="button"
            class="flex w-full justify-between gap-2 rounded-sm px-2 py-1 text-left"
            :class="each.type === type ? 'bg-sheet font-semibold' : 'hover:bg-rule/50'"
            :aria-pressed="each.type === type"
            @click="$emit('type', each.type === type ? null : each.type)"
          >
            <span>{{ remarkNames[each.type] }}</span><span class="text-faded">{{ each.count }}</span>
          </button>
        </li>
      </ul>
    </template>
    <h2 class="caps mt-5 mb-1 text-faded">Behind the pictures</h2>
    <div class="flex gap-2 px-2" role="group" aria-label="Behind the pictures">
      <button
        v-for="each in grounds"
        :key="each.name"
        type="button"
        class="size-8 rounded-sm border"
        :class="each.ground === ground ? 'border-2 border-ink' : 'border-rule'"
        :style="{ background: each.ground }"
        :aria-label="each.name"
        :title="each.name"
        :aria-pressed="each.ground === ground"
        @click="$emit('ground', each.ground)"
      />
    </div>
  </aside>
</template>
