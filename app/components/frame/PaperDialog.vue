<script setup lang="ts">
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/vue'
import { X } from '@lucide/vue'

defineProps<{ title: string; isWide?: boolean }>()
const isOpen = defineModel<boolean>('open', { required: true })
</script>

<template>
  <Dialog :open="isOpen" class="relative z-40" @close="isOpen = false">
    <div class="fixed inset-0 bg-black/55" aria-hidden="true" />
    <div class="fixed inset-0 flex items-center justify-center p-6">
      <DialogPanel
        class="on-paper flex max-h-full w-full flex-col rounded-sm border border-rule shadow-lg"
        :class="isWide ? 'max-w-3xl' : 'max-w-xl'"
      >
        <div class="flex items-center justify-between border-b border-rule px-5 py-3">
          <DialogTitle class="font-display text-xl font-semibold">{{ title }}</DialogTitle>
          <button type="button" class="rounded-sm p-1 hover:bg-rule/60" aria-label="Close" @click="isOpen = false">
            <X :size="18" />
          </button>
        </div>
        <div class="min-h-0 overflow-y-auto px-5 py-4"><slot /></div>
        <div v-if="$slots.actions" class="flex items-center justify-end gap-3 border-t border-rule px-5 py-3">
          <slot name="actions" />
        </div>
      </DialogPanel>
    </div>
  </Dialog>
</template>
