<script setup lang="ts">
import { ImagePlus, Music } from '@lucide/vue'
import { computed, ref } from 'vue'
import type { MediaView } from '../../../contract/views.ts'
import { editParts } from '../../../core/edit/editParts.ts'
import type { SceneState } from '../../../core/score/sceneState.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import MediaPicker from '../library/MediaPicker.vue'
import { isEmptyPart, type EmptyPart } from './emptyParts.ts'
import { drawnBox } from './stageGeometry.ts'

/** Where parts stand that have no file yet: on air they show nothing, here they can be seen and given one. */
const props = defineProps<{ scene: SceneState; scale: number }>()
const draft = useDraftStore()
const room = useScoreRoomStore()
const asked = ref<EmptyPart | null>(null)
const isOpen = computed({
  get: () => asked.value !== null,
  set: (now) => {
    if (!now) asked.value = null
  },
})
const empty = computed(() => room.parts.filter(isEmptyPart))
const pictures = computed(() =>
  empty.value.flatMap((part) => {
    const box = part.kind === 'picture' ? drawnBox(props.scene, part.id) : null
    if (!box) return []
    const px = (value: number) => `${Math.round(value * props.scale)}px`
    return [
      {
        part,
        style: {
          left: px(box.left),
          top: px(box.top),
          width: px(box.right - box.left),
          height: px(box.bottom - box.top),
        },
      },
    ]
  }),
)
const sounds = computed(() => empty.value.filter((part) => part.kind === 'sound'))

function ask(part: EmptyPart): void {
  room.select(part.id)
  asked.value = part
}
function give({ id }: MediaView): void {
  const part = asked.value
  if (!part || !room.address) return
  draft.edit(
    editParts(room.address, [part.id], `${part.name}: file`, (changed) => {
      if (changed.kind === 'picture' || changed.kind === 'sound') changed.mediaId = id
    }),
  )
}
</script>

<template>
  <div class="pointer-events-none absolute inset-0">
    <div
      v-for="{ part, style } in pictures"
      :key="part.id"
      class="absolute grid place-items-center rounded-sm border border-dashed border-[#8fa3bf] bg-[#0e1726]/40"
      :style="style"
    >
      <button
        type="button"
        class="pointer-events-auto max-w-full rounded-sm bg-[#0a111d]/90 px-2 py-1 text-2xs text-[#f1f4f9] hover:underline"
        data-empty
        @pointerdown.stop
        @click="ask(part)"
      >
        <ImagePlus :size="14" class="mr-1 inline" aria-hidden="true" />{{ part.name }}: choose a file, or drop one here
      </button>
    </div>
    <div v-if="sounds.length > 0" class="absolute bottom-1.5 left-1.5 flex max-w-[70%] flex-wrap gap-1">
      <button
        v-for="part in sounds"
        :key="part.id"
        type="button"
        class="pointer-events-auto rounded-sm border border-dashed border-[#8fa3bf] bg-[#0a111d]/90 px-2 py-0.5 text-2xs text-[#f1f4f9] hover:underline"
        data-empty
        @pointerdown.stop
        @click="ask(part)"
      >
        <Music :size="13" class="mr-1 inline" aria-hidden="true" />{{ part.name }}: choose a file, or drop one here
      </button>
    </div>
    <MediaPicker
      v-model:open="isOpen"
      :kind="asked?.kind ?? 'picture'"
      :chosen-id="null"
      :title="asked?.kind === 'sound' ? 'Choose a sound' : 'Choose a picture'"
      @choose="give"
    />
  </div>
</template>
