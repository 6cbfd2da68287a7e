<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref, shallowRef, watch, watchPostEffect } from 'vue'
import { useMediaStore } from '../../stores/media.ts'

/** A picture's course over its clip: small frames side by side, one repeated for a still. */
const props = defineProps<{ mediaId: string }>()
const media = useMediaStore()
const canvas = ref<HTMLCanvasElement>()
const strip = shallowRef<HTMLImageElement | null>(null)
const { width, height } = useElementSize(canvas)
const file = computed(() => media.find(props.mediaId))

watch(
  () => file.value?.stripUrl,
  (url) => {
    strip.value = null
    if (!url) return
    const image = new Image()
    image.src = url
    void image.decode().then(
      () => (strip.value = image),
      () => {},
    )
  },
  { immediate: true },
)

watchPostEffect(() => {
  const element = canvas.value
  const image = strip.value
  const { widthPx, heightPx } = file.value ?? {}
  if (!element || !image || !widthPx || !heightPx || width.value < 2 || height.value < 2) return
  element.width = Math.round(width.value)
  element.height = Math.round(height.value)
  const context = element.getContext('2d')
  const oneWidth = Math.max(1, Math.round((widthPx * image.naturalHeight) / heightPx))
  const frames = Math.max(1, Math.round(image.naturalWidth / oneWidth))
  const shownWidth = Math.max(8, (oneWidth * element.height) / image.naturalHeight)
  const count = Math.max(1, Math.floor(element.width / (shownWidth * 1.15)))
  for (let index = 0; index < count; index++) {
    const frame = Math.floor((index / count) * frames)
    context?.drawImage(
      image,
      frame * oneWidth,
      0,
      oneWidth,
      image.naturalHeight,
      (index / count) * element.width,
      0,
      shownWidth,
      element.height,
    )
  }
})
</script>

<template>
  <canvas ref="canvas" class="opacity-75" aria-hidden="true" />
</template>
