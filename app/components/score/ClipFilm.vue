<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, watchPostEffect } from 'vue'
import { useMeasuresStore } from '../../stores/measures.ts'

/** A picture's course over its clip: small frames side by side, one repeated for a still. */
const props = defineProps<{ mediaId: string }>()
const measures = useMeasuresStore()
const canvas = ref<HTMLCanvasElement>()
const { width, height } = useElementSize(canvas)
const strip = computed(() => measures.pictures.get(props.mediaId)?.strip ?? [])

watchPostEffect(() => {
  const element = canvas.value
  const [first] = strip.value
  if (!element || !first || width.value < 2 || height.value < 2) return
  element.width = Math.round(width.value)
  element.height = Math.round(height.value)
  const context = element.getContext('2d')
  const frameWidth = Math.max(8, (first.width * element.height) / first.height)
  const count = Math.max(1, Math.floor(element.width / (frameWidth * 1.15)))
  for (let index = 0; index < count; index++) {
    const frame = strip.value[Math.floor((index / count) * strip.value.length)]
    if (frame) context?.drawImage(frame, (index / count) * element.width, 0, frameWidth, element.height)
  }
})
</script>

<template>
  <canvas ref="canvas" class="opacity-75" aria-hidden="true" />
</template>
