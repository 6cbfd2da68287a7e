<script setup lang="ts">
import { computed } from 'vue'
import type { Look } from '../../../core/look/schema.ts'
import type { PartOf } from '../../../core/score/parts/part.ts'
import { pictureFits } from '../../../core/score/parts/picture/schema.ts'
import { useMediaStore } from '../../stores/media.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import MediaField from '../library/MediaField.vue'
import CheckRow from './CheckRow.vue'
import ChosenRow from './ChosenRow.vue'
import HeardSection from './HeardSection.vue'
import InspectorSection from './InspectorSection.vue'
import PictureColourSection from './PictureColourSection.vue'
import SizeRow from './SizeRow.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: PartOf<'picture'>; look: Look; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
const media = useMediaStore()
const file = computed(() => media.find(props.part.mediaId))
const seen = computed(() => media.pictureOf(props.part.mediaId)?.seen ?? null)
const ownSound = computed(() => media.pictureOf(props.part.mediaId)?.ownSound ?? null)
/** What of the file is laid out, in its pixels. */
const extent = computed(() => (props.part.extent === 'ink' && seen.value?.ink) || file.value)
const fitWords = { contain: 'whole inside the box', cover: 'fills the box', stretch: 'stretched to the box' }
const fitChoices = pictureFits.map((value) => ({ value, label: fitWords[value] }))
const sides = ['left', 'top', 'right', 'bottom'] as const

/** Another file has another colour: what was to be recoloured is measured anew. */
function setFile(mediaId: string | null): void {
  const dominant = media.pictureOf(mediaId)?.seen?.dominant ?? null
  edit('picture', (draft) => {
    draft.mediaId = mediaId
    if (draft.colour.mode === 'recolour' || draft.colour.mode === 'wash')
      draft.colour = dominant ? { ...draft.colour, from: dominant } : { mode: 'asIs' }
  })
}
function actualSize(): void {
  const { widthPx, heightPx } = extent.value ?? {}
  if (widthPx && heightPx) edit('actual size', (draft) => void Object.assign(draft, { widthPx, heightPx }))
}
</script>

<template>
  <div class="space-y-2">
    <FieldRow label="File" path="mediaId"
      ><MediaField label="Picture" kind="picture" :media-id="part.mediaId" :disabled="disabled" @change="setFile"
    /></FieldRow>
    <ChosenRow :part="part" :disabled="disabled" />
    <SizeRow :part="part" label="Box" :disabled="disabled" />
    <FieldRow label="Fits"
      ><ChoiceField
        label="Fits"
        :value="part.fit"
        :choices="fitChoices"
        :disabled="disabled"
        @change="(fit) => edit('fit', (draft) => void (draft.fit = fit))"
    /></FieldRow>
    <p v-if="extent?.widthPx && !disabled" class="pl-24">
      <button type="button" class="link text-deep-sky" @click="actualSize">
        Its own size, {{ extent.widthPx }} × {{ extent.heightPx }}
      </button>
    </p>
    <CheckRow
      v-if="seen?.hasAlpha"
      label="Margins"
      words="laid out by the artwork, without its empty margins"
      :checked="part.extent === 'ink'"
      :disabled="disabled"
      @change="(byInk) => edit('margins', (draft) => void (draft.extent = byInk ? 'ink' : 'file'))"
    />
    <CheckRow
      label="Mirrored"
      words="left to right"
      :checked="part.isMirrored"
      :disabled="disabled"
      @change="(isMirrored) => edit('mirrored', (draft) => void (draft.isMirrored = isMirrored))"
    />
    <CheckRow
      v-if="file && file.durationMs !== null"
      label="At its end"
      words="begins again"
      :checked="part.repeats === 'loop'"
      :disabled="disabled"
      @change="(loops) => edit('repeats', (draft) => void (draft.repeats = loops ? 'loop' : 'hold'))"
    />
    <HeardSection
      v-if="ownSound?.heard"
      title="Its sound"
      path="ownSound."
      :heard="part.ownSound"
      :media-id="part.mediaId"
      :look="look"
      :disabled="disabled"
      @change="(what, changes) => edit(`its sound: ${what}`, (draft) => void Object.assign(draft.ownSound, changes))"
    />
    <p v-else-if="ownSound" class="text-faded">
      {{ ownSound.fault ?? 'A browser has not heard its sound yet; it is heard as soon as one has.' }}
    </p>
    <PictureColourSection :part="part" :look="look" :disabled="disabled" />
    <InspectorSection title="Crop" is-folded :note="sides.some((side) => part.crop[side] > 0) ? 'cropped' : 'whole'">
      <FieldRow label="Cut away">
        <div class="grid grid-cols-2 gap-2">
          <NumberField
            v-for="side in sides"
            :key="side"
            :label="`Cut away ${side}`"
            :value="part.crop[side] * 100"
            :unit="side"
            :min="0"
            :max="95"
            :disabled="disabled"
            @change="(percent) => edit('crop', (draft) => void (draft.crop[side] = percent / 100))"
          />
        </div>
      </FieldRow>
    </InspectorSection>
  </div>
</template>
