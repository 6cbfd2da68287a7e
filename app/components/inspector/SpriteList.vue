<script setup lang="ts">
import { Plus, X } from '@lucide/vue'
import { computed } from 'vue'
import type { Look } from '../../../core/look/schema.ts'
import type { PartOf } from '../../../core/score/parts/part.ts'
import { spriteForms, type Sprite } from '../../../core/score/parts/particles/schema.ts'
import { useMediaStore } from '../../stores/media.ts'
import ChoiceField, { type Choice } from '../fields/ChoiceField.vue'
import InkField from '../fields/InkField.vue'

/** What flies: forms in colours, pictures, the emotes of the event. */
const props = defineProps<{ part: PartOf<'particles'>; look: Look; disabled: boolean }>()
const emit = defineEmits<{ change: [sprites: Sprite[]] }>()
const media = useMediaStore()
const formWords = { dot: 'dots', square: 'squares', strip: 'strips', star: 'stars', spark: 'sparks' }
const choices = computed<Choice<string>[]>(() => [
  ...spriteForms.map((form) => ({ value: `form:${form}`, label: formWords[form] })),
  { value: 'emotes', label: 'the emotes of the event' },
  ...media.pictures
    .filter((file) => !file.mime.startsWith('video/'))
    .map((file) => ({ value: `picture:${file.id}`, label: file.name, pictureUrl: file.url })),
])
function valueOf(sprite: Sprite): string {
  if (sprite.from === 'form') return `form:${sprite.form}`
  return sprite.from === 'picture' ? `picture:${sprite.mediaId}` : 'emotes'
}

function read(value: string, ink: Extract<Sprite, { from: 'form' }>['ink']): Sprite {
  if (value.startsWith('picture:')) return { from: 'picture', mediaId: value.slice(8) }
  const form = spriteForms.find((each) => value === `form:${each}`)
  return form ? { from: 'form', form, ink } : { from: 'emotes' }
}
const put = (index: number, sprite: Sprite | null) =>
  emit(
    'change',
    props.part.sprites.flatMap((each, at) => (at === index ? (sprite ?? []) : each)),
  )
</script>

<template>
  <div class="space-y-1.5" role="group" aria-label="What flies">
    <div
      v-for="(sprite, index) in part.sprites"
      :key="index"
      class="grid grid-cols-[minmax(0,1fr)_1.5rem] items-center gap-1"
    >
      <ChoiceField
        :label="`What flies, ${index + 1}`"
        :value="valueOf(sprite)"
        :choices="choices"
        :disabled="disabled"
        @change="(value) => put(index, read(value, sprite.from === 'form' ? sprite.ink : { role: 'accent' }))"
      />
      <button
        type="button"
        class="grid size-6 place-items-center rounded-sm hover:bg-rule/60 disabled:opacity-35"
        :aria-label="`Take ${index + 1} away`"
        :disabled="disabled || part.sprites.length < 2"
        @click="put(index, null)"
      >
        <X :size="13" aria-hidden="true" />
      </button>
      <InkField
        v-if="sprite.from === 'form'"
        class="col-span-2"
        :label="`Colour of ${index + 1}`"
        :ink="sprite.ink"
        :look="look"
        :disabled="disabled"
        @change="(ink) => put(index, { ...sprite, ink })"
      />
    </div>
    <button
      v-if="!disabled && part.sprites.length < 12"
      type="button"
      class="link flex items-center gap-1 text-deep-sky"
      @click="emit('change', [...part.sprites, { from: 'form', form: 'dot', ink: { role: 'headline' } }])"
    >
      <Plus :size="13" aria-hidden="true" />something else too
    </button>
  </div>
</template>
