<script setup lang="ts">
import { NuxtLink } from '#components'
import { GripVertical } from '@lucide/vue'
import { computed, ref, toRef } from 'vue'
import type { BoxSummary } from '../../../contract/views.ts'
import { mainKind } from '../../../core/composition/box.ts'
import { everydaySample, useSampleScore } from '../../composables/useSampleScore.ts'
import { counted } from '../../format/counted.ts'
import { span } from '../../format/time.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { vHint } from '../../hints/hint.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import { useSessionStore } from '../../stores/session.ts'
import { useLiveStore } from '../../stores/live.ts'
import KindMark from '../frame/KindMark.vue'
import ScoreTile from '../stage/ScoreTile.vue'
import BoxMenu from './BoxMenu.vue'
import BoxName from './BoxName.vue'
import { useBoxActs } from './useBoxActs.ts'
import { useTileDrag } from './useTileDrag.ts'

const props = defineProps<{ box: BoxSummary }>()
const live = useLiveStore()
const session = useSessionStore()
const store = useBoxesStore()
const acts = useBoxActs()
const isLookedAt = ref(false)
const isRenaming = ref(false)
const tile = ref<HTMLElement>()
const handle = ref<HTMLElement>()
const document = toRef(() => props.box.document)
const shown = ref(0)
const alert = computed(() => document.value.alerts[shown.value % Math.max(1, document.value.alerts.length)] ?? null)
const { score } = useSampleScore(document, alert, ref(null), ref(everydaySample))

const sources = computed(() => live.deskOf(props.box.id)?.sources.length ?? 0)
const airState = computed(() => {
  if (!props.box.onAir) return 'never on air'
  return `on air for ${span(Date.now() - props.box.onAir.sinceMs)}, version ${props.box.onAir.number} by ${props.box.onAir.byName}`
})
const { edge, isDragged } = useTileDrag({
  tile,
  handle,
  boxId: props.box.id,
  canDrag: () => session.canEdit && !isRenaming.value,
  onDropped(boxId, side) {
    const boxes = store.boxes ?? []
    const dropped = boxes.find(({ id }) => id === boxId)
    const next = boxes[boxes.findIndex(({ id }) => id === props.box.id) + 1]?.id ?? null
    if (dropped) void acts.move(dropped, side === 'before' ? props.box.id : next)
  },
})

/** While somebody looks, one alert after another is shown. */
function next(): void {
  shown.value += 1
}
</script>

<template>
  <article
    ref="tile"
    class="relative flex min-h-0 flex-col rounded-sm border border-seam bg-ridge"
    :class="isDragged ? 'opacity-50' : ''"
    :aria-label="box.name"
    @mouseenter="isLookedAt = true"
    @mouseleave="isLookedAt = false"
    @focusin="isLookedAt = true"
    @focusout="isLookedAt = false"
  >
    <span
      v-if="edge"
      class="absolute inset-y-0 z-10 w-1 rounded-full bg-glow"
      :class="edge === 'left' ? '-left-3.5' : '-right-3.5'"
      aria-hidden="true"
    />
    <NuxtLink :to="`/boxes/${box.id}`" class="group block rounded-t-sm" :aria-label="`Open ${box.name}`">
      <div class="relative h-[min(46vh,25rem)] rounded-t-sm bg-night p-3">
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
    <div class="flex items-start gap-3 p-4">
      <span
        v-show="session.canEdit && (store.boxes?.length ?? 0) > 1"
        ref="handle"
        v-hint="'Drag to another place'"
        class="mt-1 -ml-2 cursor-grab text-mist"
        aria-hidden="true"
        ><GripVertical :size="16"
      /></span>
      <div class="min-w-0 flex-1">
        <BoxName v-model:renaming="isRenaming" :box="box" />
        <p class="text-mist">
          {{ box.document.canvas.widthPx }} × {{ box.document.canvas.heightPx }},
          {{ counted(box.document.alerts.length, 'alert') }}
        </p>
        <p class="mt-1 text-mist">{{ airState }}</p>
      </div>
      <div class="shrink-0 text-right">
        <p v-if="box.onAir" :class="box.differsFromAir ? 'text-glow' : 'text-fine'">
          {{ box.differsFromAir ? 'draft differs' : 'same as air' }}
        </p>
        <p class="text-mist">{{ counted(sources, 'source') }}</p>
        <BoxMenu v-if="session.canEdit" class="mt-0.5 flex justify-end" :box="box" @rename="isRenaming = true" />
      </div>
    </div>
  </article>
</template>
