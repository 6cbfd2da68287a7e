<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { ImageDown } from '@lucide/vue'
import { ref } from 'vue'
import { vHint } from '../../hints/hint.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import ToolMark from './ToolMark.vue'

/** A still or short clip of the person's own scene under the stage. It stays in this browser. */
defineProps<{ toolClass: string; menuLeft: string }>()
const emit = defineEmits<{ scene: [file: File | null] }>()
const view = useRoomViewStore()
const input = ref<HTMLInputElement>()

function choose(event: Event): void {
  const field = event.target as HTMLInputElement
  const file = field.files?.[0]
  if (file) emit('scene', file)
  field.value = ''
}
</script>

<template>
  <Menu as="div" class="relative">
    <MenuButton
      v-hint="{ text: 'Your own scene under the stage', placement: 'right' }"
      :class="toolClass"
      aria-label="Your own scene under the stage"
      ><ToolMark :icon="ImageDown" name="Own scene"
    /></MenuButton>
    <Teleport to="body">
      <MenuItems
        class="on-paper fixed top-64 z-40 w-72 rounded-sm border border-rule py-1 shadow-lg focus:outline-none"
        :style="{ left: menuLeft }"
      >
        <p class="px-3 py-1 text-faded">
          Lay a picture or a short clip of your scene under the stage, to judge size, place and contrast on what viewers
          see. It stays in this browser.
        </p>
        <MenuItem v-slot="{ active }"
          ><button
            type="button"
            class="block w-full px-3 py-1 text-left"
            :class="active ? 'bg-rule/60' : ''"
            @click="input?.click()"
          >
            Choose a picture or clip…
          </button></MenuItem
        >
        <MenuItem v-slot="{ active }"
          ><button
            type="button"
            class="block w-full px-3 py-1 text-left"
            :class="active ? 'bg-rule/60' : ''"
            @click="view.showsScene = !view.showsScene"
          >
            {{ view.showsScene ? 'Hide it' : 'Show it' }}
          </button></MenuItem
        >
        <MenuItem v-slot="{ active }"
          ><button
            type="button"
            class="block w-full px-3 py-1 text-left"
            :class="active ? 'bg-rule/60' : ''"
            @click="emit('scene', null)"
          >
            Take it away
          </button></MenuItem
        >
      </MenuItems>
    </Teleport>
    <input
      ref="input"
      type="file"
      accept="image/*,video/*"
      class="hidden"
      aria-label="Picture or clip of your scene"
      @change="choose"
    />
  </Menu>
</template>
