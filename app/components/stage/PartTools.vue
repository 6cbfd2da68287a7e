<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { Frame, LayoutTemplate, Palette, SlidersHorizontal, Sparkles } from '@lucide/vue'
import { layoutNames } from '../../../core/arrange/layouts.ts'
import type { Canvas } from '../../../core/composition/canvas.ts'
import type { Part } from '../../../core/parts/part.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import LayoutSketch from './LayoutSketch.vue'
import { layoutWords } from './layoutWords.ts'
import { newParticles, newParts } from './newParts.ts'
import SceneTool from './SceneTool.vue'
import { useSelectionActs } from './useSelectionActs.ts'

defineProps<{ canvas: Canvas }>()
const emit = defineEmits<{ scene: [file: File | null] }>()
const acts = useSelectionActs()
const room = useScoreRoomStore()
const view = useRoomViewStore()
const toolClass =
  'grid size-[26px] place-items-center rounded-sm border border-seam bg-ridge text-snow hover:border-mist'

function add(part: Part): void {
  if (acts.add(part)) {
    const added = part.kind === 'backdrop' ? room.parts[0] : room.parts.at(-1)
    room.select(added?.id ?? null)
  }
}
</script>

<template>
  <div
    class="grid max-h-full grid-cols-2 content-start gap-1 overflow-y-auto pr-1"
    role="toolbar"
    aria-label="Add and arrange parts"
  >
    <button
      v-for="tool in newParts"
      :key="tool.name"
      type="button"
      :class="toolClass"
      class="shrink-0"
      :aria-label="tool.name"
      :title="tool.name"
      @click="add(tool.make(canvas, room.parts))"
    >
      <component :is="tool.icon" :size="16" aria-hidden="true" />
    </button>
    <Menu as="div" class="relative shrink-0">
      <MenuButton :class="toolClass" aria-label="Add particles" title="Add particles"
        ><Sparkles :size="16" aria-hidden="true"
      /></MenuButton>
      <Teleport to="body">
        <MenuItems
          class="on-paper fixed top-72 left-[5.2rem] z-40 w-64 rounded-sm border border-rule py-1 shadow-lg focus:outline-none"
        >
          <MenuItem v-for="preset in newParticles" :key="preset.name" v-slot="{ active }">
            <button
              type="button"
              class="block w-full px-3 py-1 text-left"
              :class="active ? 'bg-rule/60' : ''"
              @click="add(preset.make(canvas))"
            >
              <b class="font-medium">{{ preset.label }}</b><span class="block text-faded">{{ preset.means }}</span>
            </button>
          </MenuItem>
        </MenuItems>
      </Teleport>
    </Menu>
    <hr class="col-span-2 my-0.5 w-full border-seam" />
    <Menu as="div" class="relative shrink-0">
      <MenuButton :class="toolClass" aria-label="Arrange what is there" title="Layouts: arrange what is there"
        ><LayoutTemplate :size="16" aria-hidden="true"
      /></MenuButton>
      <Teleport to="body">
        <MenuItems
          class="on-paper fixed top-60 left-[5.2rem] z-40 grid w-[22rem] grid-cols-4 gap-1 rounded-sm border border-rule p-2 shadow-lg focus:outline-none"
        >
          <p class="col-span-4 px-1 pb-1 text-faded">
            Moves the picture and the words that are there. Shift mirrors, for a camera on the other side.
          </p>
          <MenuItem v-for="layout in layoutNames" :key="layout" v-slot="{ active }">
            <button
              type="button"
              class="rounded-sm p-1 text-center text-2xs"
              :class="active ? 'bg-rule/60' : ''"
              @click="acts.lay(layout, $event.shiftKey)"
            >
              <LayoutSketch :layout="layout" :canvas="canvas" />{{ layoutWords[layout] }}
            </button>
          </MenuItem>
          <MenuItem
            v-for="layout in ['left', 'right', 'lowerEdge'] as const"
            :key="`${layout}-mirrored`"
            v-slot="{ active }"
          >
            <button
              type="button"
              class="rounded-sm p-1 text-center text-2xs"
              :class="active ? 'bg-rule/60' : ''"
              @click="acts.lay(layout, true)"
            >
              <LayoutSketch :layout="layout" :canvas="canvas" is-mirrored />{{ layoutWords[layout] }}, mirrored
            </button>
          </MenuItem>
        </MenuItems>
      </Teleport>
    </Menu>
    <button
      type="button"
      :class="[toolClass, view.panel === 'zones' ? 'border-sky! bg-clip' : '']"
      class="shrink-0"
      aria-label="Zones: where the camera, the chat or the game is"
      title="Zones: where the camera, the chat or the game is"
      :aria-pressed="view.panel === 'zones'"
      @click="view.toggle('zones')"
    >
      <Frame :size="16" aria-hidden="true" />
    </button>
    <button
      type="button"
      :class="[toolClass, view.panel === 'look' ? 'border-sky! bg-clip' : '']"
      class="shrink-0"
      aria-label="Look of this box: colours, type, sound level"
      title="Look of this box: colours, type, sound level"
      :aria-pressed="view.panel === 'look'"
      @click="view.toggle('look')"
    >
      <Palette :size="16" aria-hidden="true" />
    </button>
    <button
      type="button"
      :class="[toolClass, view.panel === 'dials' ? 'border-sky! bg-clip' : '']"
      class="shrink-0"
      aria-label="Packs and dials"
      title="Packs and dials"
      :aria-pressed="view.panel === 'dials'"
      @click="view.toggle('dials')"
    >
      <SlidersHorizontal :size="16" aria-hidden="true" />
    </button>
    <SceneTool :tool-class="toolClass" @scene="emit('scene', $event)" />
  </div>
</template>
