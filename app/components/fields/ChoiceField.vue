<script setup lang="ts" generic="V extends string | null">
import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/vue'
import { ChevronsUpDown } from '@lucide/vue'
import { computed } from 'vue'

export interface Choice<T> {
  value: T
  label: string
  /** CSS font family in which the label is shown. */
  family?: string
  pictureUrl?: string
}

const props = defineProps<{ value: V; choices: readonly Choice<V>[]; label: string; disabled?: boolean }>()
const emit = defineEmits<{ change: [value: V] }>()
const chosen = computed(() => props.choices.find((choice) => choice.value === props.value))
</script>

<template>
  <Listbox
    :model-value="value"
    :disabled="disabled"
    as="div"
    class="relative"
    @update:model-value="emit('change', $event)"
  >
    <ListboxButton
      class="field flex items-center justify-between gap-1 text-left disabled:opacity-60"
      :aria-label="`${label}: ${chosen?.label ?? 'none'}`"
    >
      <span class="flex min-w-0 items-center gap-2">
        <img
          v-if="chosen?.pictureUrl"
          :src="chosen.pictureUrl"
          alt=""
          class="size-5 shrink-0 rounded-xs bg-ink object-contain"
        />
        <span class="truncate" :style="chosen?.family ? { fontFamily: chosen.family } : {}">{{
          chosen?.label ?? 'none'
        }}</span>
      </span>
      <ChevronsUpDown :size="14" class="shrink-0 text-faded" aria-hidden="true" />
    </ListboxButton>
    <ListboxOptions
      class="on-paper absolute right-0 z-40 mt-1 max-h-56 w-max min-w-full max-w-64 overflow-y-auto rounded-sm border border-rule py-1 shadow-lg focus:outline-none"
    >
      <ListboxOption
        v-for="choice in choices"
        :key="String(choice.value)"
        v-slot="{ active, selected }"
        :value="choice.value"
        as="template"
      >
        <li
          class="flex cursor-pointer items-center gap-2 px-3 py-1"
          :class="[active ? 'bg-rule/60' : '', selected ? 'font-semibold' : '']"
        >
          <img
            v-if="choice.pictureUrl"
            :src="choice.pictureUrl"
            alt=""
            class="size-9 shrink-0 rounded-xs bg-ink object-contain"
          />
          <span :style="choice.family ? { fontFamily: choice.family, fontSize: '1rem' } : {}">{{ choice.label }}</span>
        </li>
      </ListboxOption>
    </ListboxOptions>
  </Listbox>
</template>
