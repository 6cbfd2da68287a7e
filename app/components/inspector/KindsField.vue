<script setup lang="ts" generic="K extends EventKind">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { Plus, X } from '@lucide/vue'
import { computed } from 'vue'
import { kindNames } from '../../../core/events/kindNames.ts'
import type { EventKind } from '../../../core/events/kinds.ts'

/** Some kinds of event out of several: one at least. */
const props = withDefaults(
  defineProps<{
    label: string
    chosen: readonly K[]
    offered: readonly K[]
    disabled: boolean
    /** What taking one out, and adding another, is called. */
    without?: string
    more?: string
  }>(),
  { without: 'Without', more: '' },
)
const emit = defineEmits<{ change: [kinds: K[]] }>()
const free = computed(() => props.offered.filter((kind) => !props.chosen.includes(kind)))
</script>

<template>
  <div class="flex flex-wrap items-center gap-1" role="group" :aria-label="label">
    <slot />
    <span
      v-for="kind in chosen"
      :key="kind"
      class="flex items-center gap-1 rounded-sm border border-rule bg-sheet pr-0.5 pl-1.5"
    >
      {{ kindNames[kind] }}
      <button
        v-if="!disabled && chosen.length > 1"
        type="button"
        class="grid size-6 place-items-center rounded-xs hover:bg-rule/60"
        :aria-label="`${without} ${kindNames[kind]}`"
        @click="
          emit(
            'change',
            chosen.filter((each) => each !== kind),
          )
        "
      >
        <X :size="12" aria-hidden="true" />
      </button>
    </span>
    <Menu v-if="!disabled && free.length > 0" as="div" class="relative">
      <MenuButton
        class="flex items-center gap-1 rounded-sm px-1.5 py-0.5 text-deep-sky hover:bg-rule/60"
        :aria-label="more || `${label}: another kind`"
        ><Plus :size="13" aria-hidden="true" />and</MenuButton
      >
      <MenuItems
        class="on-paper absolute right-0 z-40 mt-1 max-h-64 w-52 overflow-y-auto rounded-sm border border-rule py-1 shadow-lg focus:outline-none"
      >
        <MenuItem v-for="kind in free" :key="kind" v-slot="{ active }"
          ><button
            type="button"
            class="w-full px-3 py-1 text-left"
            :class="active ? 'bg-rule/60' : ''"
            @click="emit('change', [...chosen, kind])"
          >
            {{ kindNames[kind] }}
          </button></MenuItem
        >
      </MenuItems>
    </Menu>
  </div>
</template>
