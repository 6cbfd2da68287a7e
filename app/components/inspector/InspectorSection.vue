<script setup lang="ts">
import { Disclosure, DisclosureButton, DisclosurePanel } from '@headlessui/vue'
import { ChevronDown } from '@lucide/vue'

/** A part of the inspector that can be folded away. */
defineProps<{ title: string; note?: string; isFolded?: boolean }>()
</script>

<template>
  <Disclosure v-slot="{ open }" as="section" :default-open="!isFolded" class="border-t border-rule pt-2">
    <DisclosureButton class="flex w-full items-center gap-1 rounded-sm text-left">
      <h3 class="caps text-faded">{{ title }}</h3>
      <span class="ml-auto text-2xs text-faded">{{ note }}</span>
      <ChevronDown
        :size="14"
        class="text-faded transition-transform"
        :class="open ? '' : '-rotate-90'"
        aria-hidden="true"
      />
    </DisclosureButton>
    <DisclosurePanel class="space-y-2 pt-2 pb-1"><slot /></DisclosurePanel>
  </Disclosure>
</template>
