<script setup lang="ts">
import { RotateCcw } from '@lucide/vue'
import { useDebounceFn, usePreferredReducedMotion } from '@vueuse/core'
import { computed, ref, toRef, watch } from 'vue'
import type { Canvas } from '../../../core/composition/canvas.ts'
import type { ResolvedScore } from '../../../core/score/resolved.ts'
import { restingMs } from '../../../core/score/restingMs.ts'
import { useCanvasScale } from '../../composables/useCanvasScale.ts'
import { useStage } from '../../composables/useStage.ts'

/** The alert as it will play, by the player: it plays by itself once typing pauses, without sound until somebody asks for it. */
const props = defineProps<{ score: ResolvedScore | null; canvas: Canvas; locale: string }>()
const room = ref<HTMLElement>()
const host = ref<HTMLElement>()
const isHeard = ref(false)
const { scale, size } = useCanvasScale(room, toRef(props, 'canvas'))
const stage = useStage(host, toRef(props, 'score'), { isHeard, restingMs })
const style = computed(() => ({ width: `${size.value.widthPx}px`, height: `${size.value.heightPx}px` }))
const motion = usePreferredReducedMotion()

const pauseMs = 900
const playSoon = useDebounceFn(() => {
  if (motion.value !== 'reduce' && !stage.isPlaying.value) void stage.play()
}, pauseMs)
watch(stage.prepared, (prepared) => prepared && void playSoon())
async function again(): Promise<void> {
  isHeard.value = true
  await stage.play(0)
}
const seconds = computed(() =>
  new Intl.NumberFormat(props.locale, { minimumFractionDigits: 1, maximumFractionDigits: 1 }).format(
    (props.score?.lengthMs ?? 0) / 1000,
  ),
)
</script>

<template>
  <div>
    <div
      ref="room"
      class="grid aspect-video w-full place-items-center overflow-hidden rounded-md border border-(--dark-edge) bg-(--dark-field)"
    >
      <div class="relative overflow-hidden" :style="style" role="img" aria-label="The alert as it will play">
        <div ref="host" class="absolute top-0 left-0 origin-top-left" :style="{ transform: `scale(${scale})` }" />
      </div>
    </div>
    <div class="mt-2 flex justify-between gap-4 text-(--dark-faded)">
      <button type="button" class="link flex items-center gap-1.5 hover:text-(--dark-ink)" @click="again">
        <RotateCcw :size="14" aria-hidden="true" />Again, with sound
      </button>
      <span>{{ seconds }} s long</span>
    </div>
  </div>
</template>
