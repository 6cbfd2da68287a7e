<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { CaptionsOff, Captions, Frame, LayoutTemplate, Palette, SlidersHorizontal, Sparkles } from '@lucide/vue'
import { computed } from 'vue'
import { layoutNames } from '../../../core/arrange/layouts.ts'
import { withPlace } from '../../../core/arrange/withPlace.ts'
import type { Canvas } from '../../../core/composition/canvas.ts'
import type { CanvasBox } from '../../../core/composition/canvasBox.ts'
import { variablesOf } from '../../../core/events/variables.ts'
import type { Part } from '../../../core/score/parts/part.ts'
import { vHint } from '../../hints/hint.ts'
import { partKindLooks } from '../../kinds/partKinds.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useRoomViewStore, type Panel } from '../../stores/roomView.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import { useToolNamesStore } from '../../stores/toolNames.ts'
import LayoutSketch from './LayoutSketch.vue'
import { layoutWords } from './layoutWords.ts'
import { newBoardParts, newParticles, newParts } from './newParts.ts'
import SceneTool from './SceneTool.vue'
import ToolMark from './ToolMark.vue'
import { useSelectionActs } from './useSelectionActs.ts'

/** @param taken where parts stand while they stay: something new goes beside them */
const props = defineProps<{ canvas: Canvas; taken: readonly CanvasBox[] }>()
const emit = defineEmits<{ scene: [file: File | null] }>()
const acts = useSelectionActs()
const tools = computed(() => (draft.document?.stays ? newBoardParts : newParts))
const draft = useDraftStore()
const room = useScoreRoomStore()
const view = useRoomViewStore()
const names = useToolNamesStore()
const toolClass = computed(
  () =>
    `flex items-center rounded-sm border border-seam bg-ridge text-snow hover:border-mist ${names.areShown ? 'h-[22px] w-full gap-1.5 px-1.5' : 'size-[26px] justify-center'}`,
)
/** A menu opens beside the column, whatever its width. */
const menuLeft = computed(() => (names.areShown ? '8.2rem' : '5.2rem'))
const hintOf = (text: string) => ({ text, placement: 'right' as const })

/** Words that are new name whoever did it, or what else events of this kind say first. */
function worded(part: Part): Part {
  const [first] = draft.document?.stays ? [] : variablesOf(room.alert?.kinds ?? [])
  return (part.kind === 'line' || part.kind === 'ticker') && first
    ? { ...part, template: part.template.replaceAll('{name}', `{${first.name}}`) }
    : part
}
function add(part: Part): void {
  if (acts.add(withPlace(worded(part), props.canvas, props.taken, draft.document?.zones ?? []))) {
    const added = part.kind === 'backdrop' ? room.parts[0] : room.parts.at(-1)
    room.select(added?.id ?? null)
  }
}
const panels: { panel: Panel; name: string; means: string; icon: typeof Frame }[] = [
  { panel: 'zones', name: 'Zones', means: 'Zones: where the camera, the chat or the game is', icon: Frame },
  { panel: 'look', name: 'Look', means: 'Look of this box: colours, type, sound level', icon: Palette },
  { panel: 'dials', name: 'Packs, dials', means: 'Packs and dials', icon: SlidersHorizontal },
]
</script>

<template>
  <div
    class="grid max-h-full content-start gap-[2px] overflow-x-hidden overflow-y-auto pr-1"
    :class="names.areShown ? 'grid-cols-1' : 'grid-cols-2'"
    role="toolbar"
    aria-label="Add and arrange parts"
  >
    <button
      v-for="tool in tools"
      :key="tool.name"
      v-hint="hintOf(tool.name)"
      type="button"
      :class="toolClass"
      :aria-label="tool.name"
      @click="add(tool.make(canvas, room.parts))"
    >
      <ToolMark :icon="partKindLooks[tool.kind].mark" :name="tool.short" />
    </button>
    <Menu as="div" class="relative">
      <MenuButton v-hint="hintOf('Add particles')" :class="toolClass" aria-label="Add particles"
        ><ToolMark :icon="Sparkles" name="Particles"
      /></MenuButton>
      <Teleport to="body">
        <MenuItems
          class="on-paper fixed top-72 z-40 w-64 rounded-sm border border-rule py-1 shadow-lg focus:outline-none"
          :style="{ left: menuLeft }"
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
    <hr class="w-full border-seam" :class="names.areShown ? '' : 'col-span-2 my-0.5'" />
    <Menu as="div" class="relative">
      <MenuButton
        v-hint="hintOf('Layouts: arrange what is there')"
        :class="toolClass"
        aria-label="Arrange what is there"
        ><ToolMark :icon="LayoutTemplate" name="Layouts"
      /></MenuButton>
      <Teleport to="body">
        <MenuItems
          class="on-paper fixed top-60 z-40 grid w-[22rem] grid-cols-4 gap-1 rounded-sm border border-rule p-2 shadow-lg focus:outline-none"
          :style="{ left: menuLeft }"
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
      v-for="{ panel, name, means, icon } in panels"
      :key="panel"
      v-hint="hintOf(means)"
      type="button"
      :class="[toolClass, view.panel === panel ? 'border-sky! bg-clip' : '']"
      :aria-label="means"
      :aria-pressed="view.panel === panel"
      @click="view.toggle(panel)"
    >
      <ToolMark :icon="icon" :name="name" />
    </button>
    <SceneTool :tool-class="toolClass" :menu-left="menuLeft" @scene="emit('scene', $event)" />
    <button
      v-hint="hintOf(names.areShown ? 'Marks alone' : 'Names beside the marks')"
      type="button"
      class="flex h-[22px] items-center justify-center gap-1.5 rounded-sm text-2xs text-mist hover:text-snow"
      :class="names.areShown ? '' : 'w-[26px]'"
      aria-label="Names of the tools"
      :aria-pressed="names.areShown"
      @click="names.toggle()"
    >
      <component :is="names.areShown ? CaptionsOff : Captions" :size="15" aria-hidden="true" /><template
        v-if="names.areShown"
        >Marks alone</template
      >
    </button>
  </div>
</template>
