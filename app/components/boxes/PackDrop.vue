<script setup lang="ts">
import { PackageOpen } from '@lucide/vue'
import { useDropZone, useFileDialog } from '@vueuse/core'
import { ref } from 'vue'
import { toast } from 'vue-sonner'
import { wordsOf } from '../../api/request.ts'
import { usePacksStore } from '../../stores/packs.ts'

/** Brings a pack to the shelf: dropped here, or chosen. It is looked at there before anything is made of it. */
const emit = defineEmits<{ arrived: [shelfId: string] }>()
const packs = usePacksStore()
const zone = ref<HTMLElement>()
const refusal = ref('')
const isTaking = ref(false)
const { open, onChange } = useFileDialog({ accept: '.zip,application/zip', multiple: false, reset: true })

async function take(file: File | undefined): Promise<void> {
  if (!file || isTaking.value) return
  refusal.value = ''
  isTaking.value = true
  try {
    const { shelfId, name, isKnown, leftAside } = await packs.send(file)
    toast.success(
      `“${name}” ${isKnown ? 'was on the shelf already' : 'is on the shelf'}.${leftAside.length > 0 ? ` Left aside: ${leftAside.slice(0, 3).join(', ')}.` : ''}`,
    )
    emit('arrived', shelfId)
  } catch (error) {
    refusal.value = wordsOf(error)
  }
  isTaking.value = false
}
onChange((files) => void take(files?.[0]))
const { isOverDropZone } = useDropZone(zone, { onDrop: (files) => void take(files?.[0]) })
</script>

<template>
  <div
    ref="zone"
    class="rounded-sm border border-dashed p-3"
    :class="isOverDropZone ? 'border-sky bg-ridge' : 'border-seam'"
  >
    <p class="flex flex-wrap items-center gap-x-3 gap-y-1">
      <span class="text-mist">A designer’s pack, a zip: drop it here, or</span
      ><button type="button" class="button" :disabled="isTaking" @click="open()">
        <PackageOpen :size="15" aria-hidden="true" />Choose a pack
      </button>
    </p>
    <p role="status" class="text-mist">{{ isTaking ? 'Looking through the pack and measuring its files…' : '' }}</p>
    <p v-if="refusal" role="alert" class="text-wrong">{{ refusal }}</p>
  </div>
</template>
