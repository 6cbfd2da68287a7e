<script setup lang="ts">
import { NuxtLink } from '#components'
import { computed, ref, toRef } from 'vue'
import type { BoxSummary } from '../../../contract/views.ts'
import { mainKind } from '../../../core/composition/box.ts'
import { everydaySample, useSampleScore } from '../../composables/useSampleScore.ts'
import { counted } from '../../format/counted.ts'
import { span } from '../../format/time.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { useSessionStore } from '../../stores/session.ts'
import { useLiveStore } from '../../stores/live.ts'
import KindMark from '../frame/KindMark.vue'
import ScoreTile from '../stage/ScoreTile.vue'

const props = defineProps<{ box: BoxSummary }>()
const live = useLiveStore()
const session = useSessionStore()
const isLookedAt = ref(false)
const document = toRef(() => props.box.document)
const shown = ref(0)
const alert = computed(() => document.value.alerts[shown.value % Math.max(1, document.value.alerts.length)] ?? null)
const { score } = useSampleScore(document, alert, ref(null), ref(everydaySample))

const sources = computed(() => live.deskOf(props.box.id)?.sources.length ?? 0)
const airState = computed(() => {
  if (!props.box.onAir) return 'never on air'
  return `on air for ${span(Date.now() - props.box.onAir.sinceMs)}, version ${props.box.onAir.number} by ${props.box.onAir.byName}`
})

/** While somebody looks, one alert after another is shown. */
function next(): void {
  shown.value += 1
}
</script>

<template>
  <article
    class="flex min-h-0 flex-col rounded-sm border border-seam bg-ridge"
    @mouseenter="isLookedAt = true"
    @mouseleave="isLookedAt = false"
    @focusin="isLookedAt = true"
    @focusout="isLookedAt = false"
  >
    <NuxtLink :to="`/boxes/${box.id}`" class="group block rounded-t-sm" :aria-label="`Open ${box.name}`">
      <div class="relative h-[min(52vh,27rem)] rounded-t-sm bg-night p-3">
        <ScoreTile
          :key="alert?.id"
          :score="score"
          :canvas="box.document.canvas"
          :is-moving="isLookedAt"
          @ended="next"
        />
        <span
          v-if="alert"
          class="absolute top-2 left-2 flex items-center gap-1.5 rounded-sm bg-deep/85 py-0.5 pr-2 pl-0.5 text-2xs text-mist"
          ><KindMark :kind="mainKind(alert)" />{{ kindNames[mainKind(alert)] }}</span
        >
        <p v-if="!alert" class="absolute inset-0 grid place-items-center text-mist">No alerts in this box yet</p>
      </div>
    </NuxtLink>
    <div class="flex items-start justify-between gap-3 p-4">
      <div class="min-w-0">
        <h2 class="truncate font-display text-lg font-semibold">
          <NuxtLink :to="`/boxes/${box.id}`" class="rounded-sm hover:underline">{{ box.name }}</NuxtLink>
        </h2>
        <p class="text-mist">
          {{ box.document.canvas.widthPx }} × {{ box.document.canvas.heightPx }},
          {{ counted(box.document.alerts.length, 'alert') }}
        </p>
        <p class="mt-1 text-mist">{{ airState }}</p>
        <p v-if="session.canEdit" class="mt-1">
          <a
            :href="`/api/boxes/${box.id}/pack`"
            download
            class="link text-mist hover:text-snow"
            :aria-label="`Save ${box.name} as a pack`"
            >Save as a pack</a
          >
        </p>
      </div>
      <div class="shrink-0 text-right">
        <p v-if="box.onAir" :class="box.differsFromAir ? 'text-glow' : 'text-fine'">
          {{ box.differsFromAir ? 'draft differs' : 'same as air' }}
        </p>
        <p class="text-mist">{{ counted(sources, 'source') }}</p>
      </div>
    </div>
  </article>
</template>
