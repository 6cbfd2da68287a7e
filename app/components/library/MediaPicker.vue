<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { X } from '@lucide/vue'
import { ref, watch } from 'vue'
import type { MediaView } from '../../../contract/views.ts'
import LibraryBrowser from './LibraryBrowser.vue'
import { gist } from './mediaWords.ts'

/** The library as a drawer: choosing a file where it is needed. */
const props = defineProps<{ kind: MediaView['kind']; chosenId: string | null; title: string }>()
const emit = defineEmits<{ choose: [file: MediaView] }>()
const isOpen = defineModel<boolean>('open', { required: true })
const marked = ref<MediaView | null>(null)
watch(isOpen, () => (marked.value = null))

function take(file: MediaView | null): void {
  if (!file) return
  emit('choose', file)
  isOpen.value = false
}
const idOf = () => marked.value?.id ?? props.chosenId
</script>

<template>
  <Dialog :open="isOpen" class="relative z-40" @close="isOpen = false">
    <div class="fixed inset-0 bg-black/55" aria-hidden="true" />
    <div class="fixed inset-y-0 right-0 flex w-full max-w-2xl">
      <DialogPanel class="flex w-full flex-col border-l border-seam bg-night text-snow shadow-lg">
        <div class="flex items-center justify-between border-b border-seam px-5 py-3">
          <DialogTitle class="font-display text-xl font-semibold">{{ title }}</DialogTitle>
          <button type="button" class="rounded-sm p-1 hover:bg-ridge" aria-label="Close" @click="isOpen = false">
            <X :size="18" />
          </button>
        </div>
        <div class="min-h-0 flex-1 px-5 py-4">
          <LibraryBrowser :chosen-id="idOf()" :only-kind="kind" @choose="marked = $event" @confirm="take" />
        </div>
        <div class="flex items-center justify-end gap-3 border-t border-seam px-5 py-3">
          <span class="mr-auto truncate text-mist">{{
            marked ? `${marked.name}, ${gist(marked)}` : 'Choose a file, or add one.'
          }}</span>
          <button type="button" class="button" @click="isOpen = false">Cancel</button>
          <button type="button" class="button button-bolt" :disabled="!marked" @click="take(marked)">Use it</button>
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
