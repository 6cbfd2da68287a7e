<script setup lang="ts">
import { computed, ref, toRef } from 'vue'
import type { BoxDocument } from '../../../core/composition/box.ts'
import { useSampleScore } from '../../composables/useSampleScore.ts'
import { seconds } from '../../format/time.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import RangeField from '../fields/RangeField.vue'
import ScoreTile from '../stage/ScoreTile.vue'

/** What is on air and what is drafted of the alert that is open, side by side at the same moment. */
const props = defineProps<{ air: BoxDocument; airLabel: string }>()
const draft = useDraftStore()
const room = useScoreRoomStore()
const tMs = ref<number | null>(null)
const air = toRef(props, 'air')
const airAlert = computed(() => props.air.alerts.find((alert) => alert.id === room.alert?.id) ?? null)
const variationId = computed(() => room.variation?.id ?? null)
const sample = toRef(() => room.sample)
const before = useSampleScore(air, airAlert, variationId, sample)
const after = useSampleScore(
  toRef(() => draft.document),
  toRef(() => room.alert),
  variationId,
  sample,
)
const lengthMs = computed(() => Math.max(before.score.value?.lengthMs ?? 0, after.score.value?.lengthMs ?? 0))
</script>

<template>
  <div v-if="draft.document">
    <div class="grid grid-cols-2 gap-4">
      <figure>
        <figcaption class="mb-1 text-faded">{{ airLabel }}</figcaption>
        <div class="h-44">
          <ScoreTile
            v-if="before.score.value"
            :score="before.score.value"
            :canvas="air.canvas"
            :is-moving="false"
            :at-ms="tMs"
          />
          <p v-else class="text-faded">This alert was not there.</p>
        </div>
      </figure>
      <figure>
        <figcaption class="mb-1 text-faded">Draft</figcaption>
        <div class="h-44">
          <ScoreTile :score="after.score.value" :canvas="draft.document.canvas" :is-moving="false" :at-ms="tMs" />
        </div>
      </figure>
    </div>
    <div class="mt-2">
      <RangeField
        label="Moment of both"
        :value="tMs ?? 0"
        :shown="tMs === null ? 'resting' : `${seconds(tMs)} s`"
        :min="0"
        :max="Math.max(1, lengthMs - 1)"
        :step="10"
        @change="(ms) => (tMs = ms)"
      />
    </div>
  </div>
</template>
