<script setup lang="ts">
import { navigateTo } from '#imports'
import { PackageOpen } from '@lucide/vue'
import { useDropZone, useFileDialog } from '@vueuse/core'
import { ref } from 'vue'
import { toast } from 'vue-sonner'
import { useBoxesStore } from '../../stores/boxes.ts'

/** A new box from a pack: dropped here, or chosen. */
const boxes = useBoxesStore()
const zone = ref<HTMLElement>()
const refusal = ref('')
const isTaking = ref(false)
const { open, onChange } = useFileDialog({ accept: '.zip,application/zip', multiple: false, reset: true })

async function take(file: File | undefined): Promise<void> {
  if (!file || isTaking.value) return
  refusal.value = ''
  isTaking.value = true
  try {
    const { boxId, name, leftAside } = await boxes.takePack(file)
    toast.success(`“${name}” is a new box now.${leftAside.length > 0 ? ` Left aside: ${leftAside.slice(0, 3).join(', ')}.` : ''}`)
    await navigateTo(`/boxes/${boxId}`)
  } catch (error) {
    refusal.value = error instanceof Error ? error.message : 'The pack was not taken.'
  }
  isTaking.value = false
}
onChange((files) => void take(files?.[0]))
const { isOverDropZone } = useDropZone(zone, { onDrop: (files) => void take(files?.[0]) })
</script>

<template>
  <div ref="zone" class="rounded-sm border border-dashed p-3" :class="isOverDropZone ? 'border-deep-sky bg-sheet' : 'border-rule'">
    <p class="flex flex-wrap items-center gap-x-3 gap-y-1"><span>Or begin with a <b class="font-medium">pack</b> that somebody made: drop it here, or</span><button type="button" class="button" :disabled="isTaking" @click="open()"><PackageOpen :size="15" aria-hidden="true" />Choose a pack</button></p>
    <p role="status" class="text-faded">{{ isTaking ? 'Looking through the pack and measuring its files…' : '' }}</p>
    <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
  </div>
</template>
