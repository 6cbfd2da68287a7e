<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { Archive, ArrowLeft, ArrowRight, Copy, Ellipsis, Package, Pencil } from '@lucide/vue'
import { computed } from 'vue'
import type { BoxSummary } from '../../../contract/views.ts'
import { vHint } from '../../hints/hint.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import { useBoxActs } from './useBoxActs.ts'

/** What can be done with a box without opening it. */
const props = defineProps<{ box: BoxSummary }>()
const emit = defineEmits<{ rename: [] }>()
const store = useBoxesStore()
const acts = useBoxActs()
const others = computed(() => (props.box.isBoard ? store.boards : store.boxes) ?? [])
const index = computed(() => others.value.findIndex(({ id }) => id === props.box.id))
const last = computed(() => others.value.length - 1)
const idAt = (at: number) => others.value[at]?.id ?? null
const items = computed(() => [
  { name: 'Rename', icon: Pencil, act: () => emit('rename') },
  { name: 'Duplicate', icon: Copy, act: () => void acts.copy(props.box) },
  {
    name: 'Move earlier',
    icon: ArrowLeft,
    act: () => void acts.move(props.box, idAt(index.value - 1)),
    isOff: index.value <= 0,
  },
  {
    name: 'Move later',
    icon: ArrowRight,
    act: () => void acts.move(props.box, idAt(index.value + 2)),
    isOff: index.value >= last.value,
  },
  ...(props.box.isBoard
    ? []
    : [{ name: 'Save as a pack', icon: Package, act: () => location.assign(`/api/boxes/${props.box.id}/pack`) }]),
  { name: 'Put away', icon: Archive, act: () => void acts.putAway(props.box) },
])
/** The page stays: what is fetched is saved as a file. */
const location = window.location
</script>

<template>
  <Menu as="div" class="relative">
    <MenuButton
      v-hint="'Rename, duplicate, move, put away'"
      class="grid size-8 place-items-center rounded-sm text-mist hover:bg-clip-dim hover:text-snow"
      :aria-label="`More about ${box.name}`"
      ><Ellipsis :size="18" aria-hidden="true"
    /></MenuButton>
    <MenuItems
      class="on-paper absolute right-0 bottom-full z-40 mb-1 w-48 rounded-sm border border-rule py-1 shadow-lg focus:outline-none"
    >
      <MenuItem v-for="item in items" :key="item.name" v-slot="{ active }" :disabled="item.isOff ?? false">
        <button
          type="button"
          class="flex w-full items-center gap-2 px-3 py-1.5 text-left"
          :class="[active ? 'bg-rule/60' : '', item.isOff ? 'opacity-45' : '']"
          @click="item.act()"
        >
          <component :is="item.icon" :size="15" aria-hidden="true" />{{ item.name }}
        </button>
      </MenuItem>
    </MenuItems>
  </Menu>
</template>
