<script setup lang="ts">
import { useElementVisibility } from '@vueuse/core'
import { ref, toRef, watch } from 'vue'
import { mainKind, type Alert, type Variation } from '../../../core/composition/box.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { useWrongs } from '../../composables/useRemarks.ts'
import { everydaySample, useSampleScore } from '../../composables/useSampleScore.ts'
import { useShownDress } from '../../composables/useShownLook.ts'
import { useDraftStore } from '../../stores/draft.ts'
import ScoreTile from '../stage/ScoreTile.vue'

/** One case of the box, looked at and looked through once it is in sight. */
const props = defineProps<{ alert: Alert; variation: Variation }>()
const emit = defineEmits<{ wrong: [count: number] }>()
const draft = useDraftStore()
const host = ref<HTMLElement>()
const isSeen = useElementVisibility(host)
const { prepared, wrongs } = useWrongs(
  () => props.alert,
  () => props.variation.id,
)
const { score } = useSampleScore(
  toRef(draft, 'document'),
  toRef(props, 'alert'),
  toRef(() => props.variation.id),
  ref(everydaySample),
  useShownDress(),
)
watch(wrongs, ({ length }) => emit('wrong', length))
</script>

<template>
  <li ref="host">
    <div class="aspect-video">
      <ScoreTile
        v-if="isSeen && draft.document"
        :score="score"
        :canvas="draft.document.canvas"
        :is-moving="false"
        @prepared="prepared = $event"
      />
    </div>
    <p
      class="truncate text-2xs"
      :class="wrongs.length > 0 ? 'text-brick' : 'text-faded'"
      :title="wrongs.map(({ words }) => words).join('\n')"
    >
      {{ kindNames[mainKind(alert)] }}, {{ variation.name }}{{ wrongs.length > 0 ? `: ${wrongs[0]?.words}` : '' }}
    </p>
  </li>
</template>
