<script setup lang="ts">
import { Check, Minus, X } from '@lucide/vue'
import { computed, ref, watch } from 'vue'
import type { PlayView, WhyView } from '../../../contract/views.ts'
import type { WhyVariation } from '../../../core/rules/why.ts'
import { request, wordsOf } from '../../api/request.ts'
import PaperDialog from '../frame/PaperDialog.vue'

/** Why a play is what it is: every case that was asked, with what held and what did not. */
const props = defineProps<{ play: PlayView | null }>()
const emit = defineEmits<{ close: [] }>()
const view = ref<WhyView | null>(null)
const refusal = ref('')
const outcomes: Record<WhyVariation['outcome'], string> = { plays: 'plays', held: 'would hold too, but comes later', failed: 'does not apply' }
const weights = computed(() => new Map(view.value?.why?.draw?.odds.map(({ id, weight }) => [id, weight])))

watch(() => props.play, async (play) => {
  view.value = null
  refusal.value = ''
  if (!play) return
  try {
    view.value = await request<WhyView>('GET', `/api/boxes/${play.boxId}/plays/${play.id}/why`)
  } catch (error) {
    refusal.value = wordsOf(error)
  }
})
</script>

<template>
  <PaperDialog :open="play !== null" :title="play ? `Why “${play.variationName}” for ${play.name}` : ''" @update:open="emit('close')">
    <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
    <template v-else-if="view">
      <p class="text-base">{{ view.reason }}</p>
      <ol v-if="view.why" class="mt-3 space-y-2">
        <li v-for="each in view.why.variations" :key="each.id" class="rounded-sm border p-2" :class="each.outcome === 'plays' ? 'border-ink bg-sheet' : 'border-rule'">
          <p class="flex items-baseline justify-between gap-3"><b class="font-semibold">{{ each.name }}</b><span class="text-faded">{{ weights.has(each.id) ? `${weights.get(each.id)} lots, ` : '' }}{{ outcomes[each.outcome] }}</span></p>
          <ul v-if="each.terms.length > 0" class="mt-1">
            <li v-for="(term, index) in each.terms" :key="index" class="flex items-center gap-1.5" :class="term.holds ? '' : 'text-faded'">
              <component :is="term.holds ? Check : X" :size="13" :class="term.holds ? 'text-moss' : 'text-brick'" :aria-label="term.holds ? 'holds' : 'does not hold'" />{{ term.words }}<span v-if="term.said !== null" class="text-faded">(it is {{ term.said }})</span><span v-else-if="term.of.length === 0" class="text-faded">(the event does not say)</span>
            </li>
          </ul>
          <p v-else class="flex items-center gap-1.5 text-faded"><Minus :size="13" aria-hidden="true" />for every time</p>
        </li>
      </ol>
    </template>
    <p v-else class="text-faded">Looking…</p>
  </PaperDialog>
</template>
