<script setup lang="ts">
import { navigateTo } from '#imports'
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { useForm } from '@tanstack/vue-form'
import { ref } from 'vue'
import { newBoxBody } from '../../../contract/bodies.ts'
import { wordsOf } from '../../api/request.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import FormField from '../fields/FormField.vue'
import { firstError } from '../fields/firstError.ts'
import PackDrop from './PackDrop.vue'
import PaperDialog from '../frame/PaperDialog.vue'

const isOpen = defineModel<boolean>('open', { required: true })
const boxes = useBoxesStore()
const refusal = ref('')

const canvases = [
  { name: 'Wide', note: 'most broadcasts', widthPx: 1920, heightPx: 1080, framesPerSecond: 60 },
  { name: 'Tall', note: 'phones', widthPx: 1080, heightPx: 1920, framesPerSecond: 60 },
  { name: 'Square', note: 'a corner of a scene', widthPx: 1080, heightPx: 1080, framesPerSecond: 60 },
]
const chosen = ref(canvases[0]!)

const form = useForm({
  defaultValues: { name: '' },
  validators: { onSubmit: newBoxBody.pick({ name: true }) },
  onSubmit: async ({ value }) => {
    const { widthPx, heightPx, framesPerSecond } = chosen.value
    try {
      const id = await boxes.create({ name: value.name, canvas: { widthPx, heightPx, framesPerSecond } })
      await navigateTo(`/boxes/${id}`)
    } catch (error) {
      refusal.value = wordsOf(error)
    }
  },
})
</script>

<template>
  <PaperDialog v-model:open="isOpen" title="A new box">
    <form id="new-box" class="space-y-5" novalidate @submit.prevent="form.handleSubmit()">
      <form.Field v-slot="{ field, state }" name="name">
        <FormField :model-value="state.value" label="Name" hint="One box is what one browser source shows." :error="firstError(state.meta.errors)" @update:model-value="field.handleChange" />
      </form.Field>
      <RadioGroup v-model="chosen">
        <RadioGroupLabel as="p" class="mb-2 block font-medium">Canvas</RadioGroupLabel>
        <div class="grid grid-cols-3 gap-3">
          <RadioGroupOption v-for="canvas in canvases" :key="canvas.name" v-slot="{ checked }" :value="canvas" class="rounded-sm">
            <span class="block cursor-pointer rounded-sm border p-3 text-center" :class="checked ? 'border-deep-sky bg-sheet outline-2 outline-deep-sky' : 'border-rule'">
              <span class="mx-auto grid h-24 place-items-center">
                <span class="block border-2 border-current bg-rule/40" :style="{ width: `${canvas.widthPx / 24}px`, height: `${canvas.heightPx / 24}px` }" />
              </span>
              <span class="mt-2 block font-medium">{{ canvas.name }}</span>
              <span class="block text-faded">{{ canvas.widthPx }} × {{ canvas.heightPx }}</span>
              <span class="block text-faded">{{ canvas.note }}</span>
            </span>
          </RadioGroupOption>
        </div>
      </RadioGroup>
      <PackDrop />
      <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
    </form>
    <template #actions>
      <button type="button" class="button" @click="isOpen = false">Not now</button>
      <button type="submit" form="new-box" class="button button-bolt">Make the box</button>
    </template>
  </PaperDialog>
</template>
