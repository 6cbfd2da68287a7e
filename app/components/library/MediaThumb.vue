<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { MediaView } from '../../../contract/views.ts'
import { wavePath } from '../../format/wavePath.ts'
import { useMediaStore } from '../../stores/media.ts'

/** A file as a small picture: its poster, which moves when it is looked at; its waveform; a letter of its font. */
const props = defineProps<{ file: MediaView; isLookedAt?: boolean }>()
const media = useMediaStore()
const wave = computed(() => {
  const sound = media.measuredSounds.get(props.file.id)
  return sound ? wavePath(sound.waveform.peaks, 240) : null
})
const isStill = computed(() => props.file.durationMs === null)
const isVideo = computed(() => props.file.mime === 'video/webm' || props.file.mime === 'video/mp4')
const isSelfMoving = computed(() => !isStill.value && props.file.mime.startsWith('image/'))
const isBroken = ref(false)
const still = computed(() => props.file.posterUrl ?? (props.file.mime.startsWith('image/') ? props.file.url : null))
watch(still, () => (isBroken.value = false))
</script>

<template>
  <div class="bg-stage pointer-events-none relative grid size-full place-items-center overflow-hidden">
    <template v-if="file.kind === 'picture'">
      <video
        v-if="isVideo && isLookedAt"
        :src="file.url"
        class="size-full object-contain"
        muted
        autoplay
        loop
        playsinline
      />
      <img v-else-if="isLookedAt && isSelfMoving" :src="file.url" alt="" class="size-full object-contain" />
      <img
        v-else-if="still && !isBroken"
        :src="still"
        alt=""
        class="size-full object-contain"
        loading="lazy"
        @error="isBroken = true"
      />
      <span v-else class="text-2xs text-[#9db0ca]">measuring…</span>
    </template>
    <svg
      v-else-if="wave?.path"
      class="h-3/4 w-full"
      :viewBox="`0 0 ${wave.width} 100`"
      preserveAspectRatio="none"
      aria-hidden="true"
    >
      <path :d="wave.path" fill="#8fb4d6" />
    </svg>
    <span v-else-if="file.kind === 'font'" class="font-display text-3xl text-[#f1f4f9]" aria-hidden="true">Ag</span>
    <span v-else class="text-2xs text-[#9db0ca]">measuring…</span>
  </div>
</template>
