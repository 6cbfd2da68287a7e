import { useElementSize } from '@vueuse/core'
import { computed, type Ref } from 'vue'
import type { Canvas } from '../../core/composition/canvas.ts'

/** How much the canvas is scaled to fit into an element, and how large it then is. Pixels. */
export function useCanvasScale(room: Ref<HTMLElement | undefined>, canvas: Ref<Canvas>) {
  const { width, height } = useElementSize(room)
  const scale = computed(() =>
    Math.max(0.01, Math.min(width.value / canvas.value.widthPx, height.value / canvas.value.heightPx)),
  )
  const size = computed(() => ({
    widthPx: canvas.value.widthPx * scale.value,
    heightPx: canvas.value.heightPx * scale.value,
  }))
  return { scale, size }
}
