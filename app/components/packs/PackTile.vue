<script setup lang="ts">
import { computed, ref, toRef } from 'vue'
import { mainKind } from '../../../core/composition/box.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import type { PackSummary } from '../../../contract/packs.ts'
import { everydaySample, useSampleScore } from '../../composables/useSampleScore.ts'
import { counted } from '../../format/counted.ts'
import { useSessionStore } from '../../stores/session.ts'
import ScoreTile from '../stage/ScoreTile.vue'

/** A pack to choose: its alerts one after another while it is looked at, with the channel's own name in them. */
const props = defineProps<{ pack: PackSummary; isChosen: boolean; isMoving?: boolean }>()
const emit = defineEmits<{ ended: [] }>()
const session = useSessionStore()
const isLookedAt = ref(false)
const shown = ref(0)
const document = toRef(() => props.pack.cover)
const alert = computed(() => document.value.alerts[shown.value % Math.max(1, document.value.alerts.length)] ?? null)
const { score } = useSampleScore(
  document,
  alert,
  computed(() => alert.value?.variations.at(-1)?.id ?? null),
  computed(() => ({ ...everydaySample, name: session.session?.channel.name ?? '' })),
)

function next(): void {
  shown.value += 1
  emit('ended')
}
</script>

<template>
  <span class="block" @mouseenter="isLookedAt = true" @mouseleave="isLookedAt = false">
    <span class="bg-stage relative block aspect-video overflow-hidden rounded-t-sm"
      ><ScoreTile
        :key="alert?.id"
        :score="score"
        :canvas="pack.cover.canvas"
        :is-moving="isLookedAt || isChosen || (isMoving ?? false)"
        @ended="next"
      /><span
        v-if="alert && (isLookedAt || isChosen)"
        class="absolute top-1.5 left-1.5 rounded-sm bg-deep/85 px-1.5 py-0.5 text-2xs text-mist"
        >{{ kindNames[mainKind(alert)] }}</span
      ></span
    >
    <span class="block px-2.5 py-1.5"
      ><b class="block truncate font-medium">{{ pack.name }}</b
      ><span class="block truncate opacity-75"
        >{{ counted(pack.kinds.length, 'kind') }}, {{ counted(pack.dialCount, 'dial') }}</span
      ></span
    >
  </span>
</template>
