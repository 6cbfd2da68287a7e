<script setup lang="ts">
import { computed, ref } from 'vue'
import { contrast } from '../../../core/colour/contrast.ts'
import { paletteFrom, paletteFromColours } from '../../../core/look/paletteFrom.ts'
import { inkRoles, type InkRole, type Look, type Palette } from '../../../core/look/schema.ts'
import { useMediaStore } from '../../stores/media.ts'
import DialKnob from '../dials/DialKnob.vue'
import InspectorSection from '../inspector/InspectorSection.vue'
import MediaField from '../library/MediaField.vue'

/** The colours of a look, one by one, or all of them from one colour or from a picture. */
const props = defineProps<{ look: Look; disabled: boolean }>()
const emit = defineEmits<{ change: [what: string, recipe: (look: Look) => void] }>()
const media = useMediaStore()
const words: Record<InkRole, string> = {
  headline: 'headlines',
  body: 'other words',
  accent: 'variables, accents',
  outline: 'outlines',
  plate: 'plates behind words',
  glow: 'glow and sparks',
}
const pictureId = ref<string | null>(null)
const wordsContrast = computed(() =>
  Math.min(
    ...[props.look.palette.headline, props.look.palette.body, props.look.palette.accent].flatMap((ink) => [
      contrast(ink, props.look.palette.plate),
      contrast(ink, props.look.palette.outline),
    ]),
  ),
)
const setAll = (palette: Palette | null) =>
  palette && emit('change', 'palette', (look) => void Object.assign(look.palette, palette))
const valueOf = (event: Event) => (event.target as HTMLInputElement).value.toUpperCase()

function fromPicture(id: string | null): void {
  pictureId.value = id
  const seen = media.pictureOf(id)?.seen
  setAll(seen ? paletteFromColours([...new Set([...(seen.dominant ? [seen.dominant] : []), ...seen.colours])]) : null)
}
</script>

<template>
  <InspectorSection title="Palette" :note="`least contrast ${wordsContrast.toFixed(1)} : 1`">
    <div class="grid grid-cols-2 gap-x-3 gap-y-1.5">
      <label v-for="role in inkRoles" :key="role" class="flex items-center gap-2">
        <input
          type="color"
          class="h-7 w-9 shrink-0 cursor-pointer rounded-sm border border-rule bg-sheet p-0.5"
          :value="look.palette[role]"
          :disabled="disabled"
          :aria-label="`Colour of ${words[role]}`"
          @input="emit('change', `${role} colour`, (changed) => void (changed.palette[role] = valueOf($event)))"
        />
        <span class="min-w-0 flex-1 leading-tight">{{ words[role] }}</span><DialKnob
          :path="`palette.${role}`"
          :label="words[role]"
        />
      </label>
    </div>
    <template v-if="!disabled">
      <label class="mt-2 flex items-center gap-2"
        ><input
          type="color"
          class="h-7 w-9 shrink-0 cursor-pointer rounded-sm border border-rule bg-sheet p-0.5"
          :value="look.palette.accent"
          aria-label="All colours from one"
          @input="setAll(paletteFrom(valueOf($event)))"
        /><span>all of them from one colour</span></label
      >
      <div class="mt-1.5 grid grid-cols-[auto_minmax(0,1fr)] items-center gap-2">
        <span>or from</span
        ><MediaField kind="picture" label="All colours from a picture" :media-id="pictureId" @change="fromPicture" />
      </div>
    </template>
    <p v-if="wordsContrast < 4.5" class="mt-1 text-brick">
      Some words are hard to read on their outline or plate: 4.5 : 1 is the least.
    </p>
  </InspectorSection>
</template>
