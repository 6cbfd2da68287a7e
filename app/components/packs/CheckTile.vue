<script setup lang="ts">
import { useElementVisibility } from '@vueuse/core'
import { computed, ref, shallowRef, toRef, watch } from 'vue'
import { mainKind, type Alert, type Variation } from '../../../core/composition/box.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import type { PreparedScore } from '../../../player/prepare.ts'
import { useRemarker } from '../../composables/useRemarks.ts'
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
const remark = useRemarker()
const prepared = shallowRef<PreparedScore | null>(null)
const { score } = useSampleScore(toRef(draft, 'document'), toRef(props, 'alert'), toRef(() => props.variation.id), ref(everydaySample), useShownDress())
const wrong = computed(() => (prepared.value ? remark({ alert: props.alert, composition: props.variation.composition, prepared: prepared.value, kind: mainKind(props.alert), viewer: 'everyday' }).filter(({ level }) => level === 'wrong') : []))
watch(wrong, ({ length }) => emit('wrong', length))
</script>

<template>
  <li ref="host">
    <div class="aspect-video"><ScoreTile v-if="isSeen && draft.document" :score="score" :canvas="draft.document.canvas" :is-moving="false" @prepared="prepared = $event" /></div>
    <p class="truncate text-2xs" :class="wrong.length > 0 ? 'text-brick' : 'text-faded'" :title="wrong.map(({ words }) => words).join('\n')">{{ kindNames[mainKind(alert)] }}, {{ variation.name }}{{ wrong.length > 0 ? `: ${wrong[0]?.words}` : '' }}</p>
  </li>
</template>
