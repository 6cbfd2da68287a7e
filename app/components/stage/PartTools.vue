<script setup lang="ts">
import { Image, RectangleHorizontal, Type, Volume2 } from '@lucide/vue'
import type { Component } from 'vue'
import { starterBackdrop, starterLine, starterPicture, starterSound } from '../../../core/composition/starterParts.ts'
import type { Canvas } from '../../../core/composition/canvas.ts'
import { addPart } from '../../../core/edit/addPart.ts'
import type { Part } from '../../../core/parts/part.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'

const props = defineProps<{ canvas: Canvas }>()
const draft = useDraftStore()
const room = useScoreRoomStore()
const lineIds = () => (room.variation?.composition.parts ?? []).filter((part) => part.kind === 'line').map((part) => part.id)

const tools: { name: string; icon: Component; make: () => Part }[] = [
  { name: 'Add a line of text', icon: Type, make: () => ({ ...starterLine(props.canvas, 'headline', '{name}'), id: 'line', name: 'Line' }) },
  { name: 'Add a picture', icon: Image, make: () => starterPicture(props.canvas, null) },
  { name: 'Add a sound', icon: Volume2, make: () => starterSound(null) },
  { name: 'Add a backdrop behind the text', icon: RectangleHorizontal, make: () => starterBackdrop(props.canvas, lineIds()) },
]

function add(part: Part): void {
  if (!room.address) return
  draft.edit(addPart(room.address, part))
  room.partId = room.variation?.composition.parts.at(-1)?.id ?? null
}
</script>

<template>
  <div class="flex flex-col gap-2" role="toolbar" aria-label="Add parts" aria-orientation="vertical">
    <button v-for="tool in tools" :key="tool.name" type="button" class="grid size-9 place-items-center rounded-sm border border-seam bg-ridge text-snow hover:border-mist" :aria-label="tool.name" :title="tool.name" @click="add(tool.make())"><component :is="tool.icon" :size="17" aria-hidden="true" /></button>
  </div>
</template>
