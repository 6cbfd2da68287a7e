<script setup lang="ts">
import { useElementVisibility } from '@vueuse/core'
import { computed, ref, toRef } from 'vue'
import type { BoxDocument } from '../../../core/composition/box.ts'
import { everydaySample, useSampleScore } from '../../composables/useSampleScore.ts'
import { useWrongs } from '../../composables/useRemarks.ts'
import { useShownDress } from '../../composables/useShownLook.ts'
import ScoreTile from '../stage/ScoreTile.vue'

/** One case as it is, and as it would be, with what would be wrong with it then. Drawn only while it is in sight. */
const props = defineProps<{
  before: BoxDocument
  after: BoxDocument
  alertId: string
  variationId: string
  isMarked: boolean
}>()
const host = ref<HTMLElement>()
const isSeen = useElementVisibility(host)
const dress = useShownDress()
const alertIn = (document: BoxDocument) => document.alerts.find(({ id }) => id === props.alertId) ?? null
const [variationId, sample] = [toRef(() => props.variationId), ref(everydaySample)]
/** What would be wrong with it afterwards, the first two of it. */
const { prepared, wrongs } = useWrongs(
  () => alertIn(props.after),
  () => props.variationId,
)
const faults = computed(() => wrongs.value.slice(0, 2))
const before = useSampleScore(
  toRef(props, 'before'),
  computed(() => alertIn(props.before)),
  variationId,
  sample,
  dress,
)
const after = useSampleScore(
  toRef(props, 'after'),
  computed(() => alertIn(props.after)),
  variationId,
  sample,
  dress,
)
</script>

<template>
  <li
    ref="host"
    class="grid grid-cols-[minmax(0,1fr)_14rem_14rem] items-center gap-3 rounded-sm border p-2"
    :class="isMarked ? 'border-ink bg-sheet' : 'border-rule'"
  >
    <div class="min-w-0">
      <slot />
      <p v-for="fault in faults" :key="`${fault.type}/${fault.partId}`" class="mt-1 pl-6 text-2xs text-brick">
        {{ fault.words }}
      </p>
    </div>
    <figure>
      <figcaption class="text-2xs text-faded">now</figcaption>
      <div class="h-28">
        <ScoreTile v-if="isSeen" :score="before.score.value" :canvas="props.before.canvas" :is-moving="false" />
      </div>
    </figure>
    <figure>
      <figcaption class="text-2xs text-faded">after</figcaption>
      <div class="h-28">
        <ScoreTile
          v-if="isSeen"
          :score="after.score.value"
          :canvas="props.after.canvas"
          :is-moving="false"
          @prepared="prepared = $event"
        />
      </div>
    </figure>
  </li>
</template>
