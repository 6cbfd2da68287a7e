<script setup lang="ts">
import { Plus, X } from '@lucide/vue'
import { computed } from 'vue'
import type { Alert } from '../../../core/composition/box.ts'
import { offeredMax, type Offer } from '../../../core/composition/offer.ts'
import { setOffer } from '../../../core/edit/alertEdits.ts'
import { freeId } from '../../../core/edit/freeId.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useMediaStore } from '../../stores/media.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import TypedField from '../fields/TypedField.vue'
import MediaField from '../library/MediaField.vue'

/** Up to four pictures or sounds of which the viewer who triggers the alert chooses one. */
const props = defineProps<{ alert: Alert; disabled: boolean }>()
const draft = useDraftStore()
const media = useMediaStore()
const offer = computed(() => props.alert.offer)
const kindChoices = [
  { value: '', label: 'nothing' },
  { value: 'sound', label: 'a sound' },
  { value: 'picture', label: 'a picture' },
] as const
const takers = computed(() =>
  props.alert.variations
    .flatMap(({ composition }) => composition.parts)
    .filter(
      (part) =>
        (part.kind === 'picture' || part.kind === 'sound') && part.takesChoice && part.kind === offer.value?.kind,
    ),
)
const put = (options: Offer['options']) =>
  offer.value && draft.edit(setOffer(props.alert.id, { ...offer.value, options }))

function optionOf(kind: Offer['kind'], others: Offer['options']): Offer['options'] {
  const file = media.files.find((each) => each.kind === kind && !others.some(({ mediaId }) => mediaId === each.id))
  return file
    ? [
        {
          id: freeId(slug(file.name), new Set(others.map(({ id }) => id))),
          label: file.name.slice(0, 60),
          mediaId: file.id,
        },
      ]
    : []
}
const slug = (name: string) =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 30) || 'choice'
function setKind(kind: '' | Offer['kind']): void {
  if (kind === (offer.value?.kind ?? '')) return
  const options = kind ? optionOf(kind, []) : []
  draft.edit(setOffer(props.alert.id, kind && options.length > 0 ? { kind, options } : null))
}
function setLabel(index: number, label: string): void {
  if (label && offer.value) put(offer.value.options.map((option, at) => (at === index ? { ...option, label } : option)))
}
function setFile(index: number, mediaId: string | null): void {
  if (mediaId && offer.value)
    put(offer.value.options.map((option, at) => (at === index ? { ...option, mediaId } : option)))
}
</script>

<template>
  <section class="space-y-2 border-t border-rule pt-3" aria-label="What viewers choose">
    <div class="flex items-center gap-2">
      <span class="text-faded">The viewer chooses</span
      ><span class="w-32"
        ><ChoiceField
          label="What the viewer chooses"
          :value="offer?.kind ?? ''"
          :choices="kindChoices"
          :disabled="disabled"
          @change="setKind"
      /></span>
    </div>
    <template v-if="offer">
      <ol class="space-y-1.5">
        <li
          v-for="(option, index) in offer.options"
          :key="option.id"
          class="grid grid-cols-[minmax(0,1fr)_1.5rem] gap-1 rounded-sm bg-sheet p-1.5"
        >
          <TypedField
            class="field"
            :value="option.label"
            maxlength="60"
            :aria-label="`What viewers read, choice ${index + 1}`"
            :disabled="disabled"
            @change="(label) => setLabel(index, label)"
          />
          <button
            type="button"
            class="grid size-6 place-items-center self-center rounded-sm hover:bg-rule/60 disabled:opacity-35"
            :aria-label="`Take ${option.label} away`"
            :disabled="disabled || offer.options.length < 2"
            @click="put(offer.options.filter(({ id }) => id !== option.id))"
          >
            <X :size="13" aria-hidden="true" />
          </button>
          <MediaField
            class="col-span-2"
            :kind="offer.kind"
            :label="`File of ${option.label}`"
            :media-id="option.mediaId"
            :disabled="disabled"
            @change="setFile(index, $event)"
          />
        </li>
      </ol>
      <button
        v-if="!disabled && offer.options.length < offeredMax"
        type="button"
        class="link flex items-center gap-1 text-deep-sky"
        @click="put([...offer.options, ...optionOf(offer.kind, offer.options)])"
      >
        <Plus :size="13" aria-hidden="true" />another choice
      </button>
      <p v-if="takers.length === 0" class="text-faded">
        No {{ offer.kind }} takes the choice yet. Select the {{ offer.kind }} in the score and tick “what the viewer
        chose”.
      </p>
    </template>
  </section>
</template>
