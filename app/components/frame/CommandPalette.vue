<script setup lang="ts">
import { navigateTo } from '#imports'
import {
  Combobox,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Dialog,
  DialogPanel,
  DialogTitle,
} from '@headlessui/vue'
import { computed, ref } from 'vue'
import { useKeys } from '../../composables/useKeys.ts'
import { useScheme } from '../../composables/useScheme.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import { keyLabel, useCommandsStore } from '../../stores/commands.ts'
import { useSessionStore } from '../../stores/session.ts'
import { channelPaths, pathsOf, stations } from './stations.ts'

interface Listed {
  name: string
  key: string
  run: () => unknown
}

const isOpen = ref(false)
const asked = ref('')
const boxesStore = useBoxesStore()
const screen = useCommandsStore()
const session = useSessionStore()
const { toggleScheme } = useScheme()

/** Pages that are named above in words of their own. */
const named: ReadonlySet<string> = new Set(['/feeds', '/boxes', '/desk', '/speech', '/media'])
const others = [
  ...stations.flatMap((station) =>
    pathsOf[station]
      .filter(({ to }) => !named.has(to))
      .map(({ to, name }) => ({ name: `Go to ${station}: ${name}`, key: '', run: () => navigateTo(to) })),
  ),
  ...channelPaths.map(({ to, name }) => ({ name: `Go to the channel: ${name}`, key: '', run: () => navigateTo(to) })),
  { name: 'Go to your account', key: '', run: () => navigateTo('/account') },
]

const pages = computed<Listed[]>(() => [
  { name: 'Go to Feeds', key: '', run: () => navigateTo('/feeds') },
  { name: 'Go to Boxes', key: '', run: () => navigateTo('/boxes') },
  { name: 'Go to Desk', key: '', run: () => navigateTo('/desk') },
  {
    name: 'Go to the speech desk: what voices read, and how messages are cleaned',
    key: '',
    run: () => navigateTo('/speech'),
  },
  { name: 'Go to Media: pictures, sounds and fonts', key: '', run: () => navigateTo('/media') },
  ...others,
  ...(boxesStore.boxes ?? []).map((box) => ({
    name: `Open box ${box.name}`,
    key: '',
    run: () => navigateTo(`/boxes/${box.id}`),
  })),
])
const commands = computed<Listed[]>(() => [
  ...screen.all.map(({ name, keys, run }) => ({ name, key: keys ? keyLabel(keys) : '', run })),
  ...(session.isDeskOnly ? [] : pages.value),
  ...(boxesStore.boxes ?? []).map((box) => ({
    name: `Desk of ${box.name}`,
    key: '',
    run: () => navigateTo(`/desk?box=${box.id}`),
  })),
  { name: 'Switch between night and daybreak', key: '', run: toggleScheme },
])
const found = computed(() =>
  commands.value.filter((command) => command.name.toLowerCase().includes(asked.value.trim().toLowerCase())),
)

function run(command: Listed | null): void {
  isOpen.value = false
  asked.value = ''
  void command?.run()
}

useKeys({
  '$mod+k': (event) => {
    event.preventDefault()
    if (!boxesStore.boxes) void boxesStore.load()
    isOpen.value = true
  },
})
defineExpose({ open: () => (isOpen.value = true) })
</script>

<template>
  <Dialog :open="isOpen" class="relative z-50" @close="isOpen = false">
    <div class="fixed inset-0 bg-black/50" aria-hidden="true" />
    <div class="fixed inset-0 flex justify-center p-4 pt-[14vh]">
      <DialogPanel class="on-paper h-fit w-full max-w-lg rounded-sm border border-rule shadow-lg">
        <DialogTitle class="sr-only">Commands</DialogTitle>
        <Combobox @update:model-value="run">
          <ComboboxInput
            class="w-full border-b border-rule bg-transparent px-4 py-3 text-base focus:outline-none"
            placeholder="What, or where to?"
            aria-label="Search commands"
            @change="asked = $event.target.value"
          />
          <ComboboxOptions static class="max-h-72 overflow-y-auto py-1">
            <ComboboxOption
              v-for="command in found"
              :key="command.name"
              v-slot="{ active }"
              :value="command"
              as="template"
            >
              <li class="flex justify-between gap-4 px-4 py-1.5" :class="active ? 'bg-rule/60' : ''">
                {{ command.name }}<span class="font-mono text-2xs text-faded">{{ command.key }}</span>
              </li>
            </ComboboxOption>
            <li v-if="found.length === 0" class="px-4 py-2 text-faded">
              {{ boxesStore.boxes ? 'No command is called that.' : 'Looking through the boxes…' }}
            </li>
          </ComboboxOptions>
        </Combobox>
      </DialogPanel>
    </div>
  </Dialog>
</template>
