<script setup lang="ts">
import { computed } from 'vue'
import { keyLabel, useCommandsStore } from '../../stores/commands.ts'
import PaperDialog from './PaperDialog.vue'

const isOpen = defineModel<boolean>('open', { required: true })
const commands = useCommandsStore()
const groups = computed(() => {
  const found = new Map<string, { name: string; key: string }[]>()
  for (const { group, name, keys } of commands.all)
    if (keys) found.set(group, [...(found.get(group) ?? []), { name, key: keyLabel(keys) }])
  return [...found]
})
const always = [
  { name: 'Move the selected parts', key: '↑ ↓ ← →' },
  { name: 'Ten pixels at a time', key: 'Shift and arrow' },
  { name: 'Frame by frame, nothing selected', key: '← →' },
  { name: 'Drag without snapping', key: 'Alt' },
  { name: 'Search all commands', key: 'Ctrl K' },
]
</script>

<template>
  <PaperDialog v-model:open="isOpen" title="Keys" is-wide>
    <div class="columns-2 gap-8">
      <section
        v-for="[group, list] in [...groups, ['On the stage', always] as const]"
        :key="group"
        class="mb-4 break-inside-avoid"
      >
        <h3 class="caps mb-1 text-faded">{{ group }}</h3>
        <dl class="divide-y divide-rule">
          <div v-for="each in list" :key="each.name" class="flex justify-between gap-3 py-0.5">
            <dt>{{ each.name }}</dt>
            <dd class="shrink-0 font-mono text-2xs">{{ each.key }}</dd>
          </div>
        </dl>
      </section>
    </div>
  </PaperDialog>
</template>
