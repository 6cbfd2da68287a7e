<script setup lang="ts">
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { computed } from 'vue'
import type { Canvas } from '../../../core/composition/canvas.ts'
import { canvasesWith, type NamedCanvas } from './canvases.ts'

/** Which canvas a box has, drawn to scale. */
const props = defineProps<{ designed: Canvas | null; offered?: readonly NamedCanvas[] }>()
const listed = computed(() => props.offered ?? canvasesWith(props.designed))
const chosen = defineModel<Canvas>({ required: true })
</script>

<template>
  <RadioGroup v-model="chosen">
    <RadioGroupLabel as="p" class="mb-2 block font-medium">Canvas</RadioGroupLabel>
    <div class="grid gap-2" :class="listed.length > 3 ? 'grid-cols-2' : 'grid-cols-3'">
      <RadioGroupOption
        v-for="{ name, note, canvas } in listed"
        :key="name"
        v-slot="{ checked }"
        :value="canvas"
        class="rounded-sm"
      >
        <span
          class="block h-full cursor-pointer rounded-sm border p-2 text-center"
          :class="checked ? 'border-deep-sky bg-sheet outline-2 outline-deep-sky' : 'border-rule'"
        >
          <span class="mx-auto grid h-14 place-items-center"
            ><span
              class="block border-2 border-current bg-rule/40"
              :style="{ width: `${canvas.widthPx / 40}px`, height: `${canvas.heightPx / 40}px` }"
          /></span>
          <span class="mt-1 block font-medium">{{ name }}</span>
          <span class="block text-2xs text-faded">{{ canvas.widthPx }} × {{ canvas.heightPx }}</span>
          <span class="block text-2xs text-faded">{{ note }}</span>
        </span>
      </RadioGroupOption>
    </div>
  </RadioGroup>
</template>
