<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { Plus, X } from '@lucide/vue'
import { computed } from 'vue'
import type { Alert } from '../../../core/composition/box.ts'
import { freeKinds, setAlertKinds } from '../../../core/edit/alertEdits.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { eventKinds, type EventKind } from '../../../core/events/kinds.ts'
import { useDraftStore } from '../../stores/draft.ts'

/** Which kinds of event an alert is for. Several share its cases. */
const props = defineProps<{ alert: Alert; disabled: boolean }>()
const draft = useDraftStore()
const free = computed(() => (draft.document ? freeKinds(draft.document, eventKinds) : []))
const add = (kind: EventKind) => draft.edit(setAlertKinds(props.alert.id, [...props.alert.kinds, kind]))
const remove = (kind: EventKind) =>
  draft.edit(
    setAlertKinds(
      props.alert.id,
      props.alert.kinds.filter((each) => each !== kind),
    ),
  )
</script>

<template>
  <section class="flex flex-wrap items-center gap-1.5" aria-label="What it listens to">
    <span class="text-faded">For</span>
    <span
      v-for="kind in alert.kinds"
      :key="kind"
      class="flex items-center gap-1 rounded-sm border border-rule bg-sheet py-0.5 pr-1 pl-2"
    >
      {{ kindNames[kind] }}
      <button
        v-if="!disabled && alert.kinds.length > 1"
        type="button"
        class="grid size-5 place-items-center rounded-xs hover:bg-rule/60"
        :aria-label="`Not for ${kindNames[kind]}`"
        @click="remove(kind)"
      >
        <X :size="12" aria-hidden="true" />
      </button>
    </span>
    <Menu v-if="!disabled && free.length > 0" as="div" class="relative">
      <MenuButton
        class="flex items-center gap-1 rounded-sm px-1.5 py-0.5 text-deep-sky hover:bg-rule/60"
        aria-label="Listen to another kind too"
        ><Plus :size="13" aria-hidden="true" />and</MenuButton
      >
      <MenuItems
        class="on-paper absolute left-0 z-40 mt-1 max-h-64 w-52 overflow-y-auto rounded-sm border border-rule py-1 shadow-lg focus:outline-none"
      >
        <MenuItem v-for="kind in free" :key="kind" v-slot="{ active }"
          ><button
            type="button"
            class="w-full px-3 py-1 text-left"
            :class="active ? 'bg-rule/60' : ''"
            @click="add(kind)"
          >
            {{ kindNames[kind] }}
          </button></MenuItem
        >
      </MenuItems>
    </Menu>
  </section>
</template>
