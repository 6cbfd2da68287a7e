<script setup lang="ts">
import { computed } from 'vue'
import type { StudioMoment } from '../../../core/rehearsal/rehearsedStudio.ts'

/** What the studio shows behind the boxes in a rehearsal: its scene, by name, and what lies over it. */
const props = defineProps<{
  moment: StudioMoment | null
  scenes: readonly string[]
  /** Sources that are drawn as what they are, by name. */
  drawn: ReadonlySet<string>
}>()
/** Each scene has a ground of its own, so that a switch is seen. */
const grounds = [
  'linear-gradient(#1d2b3f, #5d6f86 60%, #3a3127 60%)',
  'radial-gradient(circle at 50% 85%, #d9822b, #5a2612 50%, #170d0a)',
  'linear-gradient(#101c2e, #294a63 55%, #1a222b 55%)',
  'linear-gradient(120deg, #33402f, #6d7a4d)',
  'linear-gradient(120deg, #40303f, #77556b)',
]
const ground = computed(() => {
  const at = props.scenes.indexOf(props.moment?.programme ?? '')
  return grounds[Math.max(0, at) % grounds.length]
})
const plates = computed(() => (props.moment?.shown ?? []).filter((name) => !props.drawn.has(name)))
</script>

<template>
  <div class="absolute inset-0" :style="{ background: ground }">
    <p class="absolute top-2 left-3 text-sm font-semibold text-white/80">{{ moment?.programme ?? '' }}</p>
    <ul v-if="plates.length > 0" class="absolute top-2 right-2 max-w-[45%] space-y-1 text-right">
      <li v-for="name in plates" :key="name">
        <span class="inline-block max-w-full truncate rounded-sm bg-black/55 px-2 py-0.5 text-2xs text-white">{{
          moment?.texts[name] || name
        }}</span>
      </li>
    </ul>
  </div>
</template>
