<script setup lang="ts">
import type { EventKind } from '../../../core/events/kinds.ts'
import type { Look } from '../../../core/look/schema.ts'
import type { DrawPart } from '../../../core/score/parts/draw/schema.ts'
import FieldRow from '../fields/FieldRow.vue'
import InkField from '../fields/InkField.vue'
import NumberField from '../fields/NumberField.vue'
import MediaField from '../library/MediaField.vue'
import CheckRow from './CheckRow.vue'
import InspectorSection from './InspectorSection.vue'
import PrizeList from './PrizeList.vue'
import SizeRow from './SizeRow.vue'
import TemplateField from './TemplateField.vue'
import TrimRow from './TrimRow.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: DrawPart; look: Look; kinds: readonly EventKind[]; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
type Ink = 'shelfInk' | 'frameInk' | 'peelInk' | 'packetInk' | 'rareInk' | 'labelInk' | 'ink'
const inks: { ink: Ink; label: string }[] = [
  { ink: 'shelfInk', label: 'Shelf' },
  { ink: 'frameInk', label: 'Frame' },
  { ink: 'peelInk', label: 'Peel' },
  { ink: 'packetInk', label: 'Packets' },
  { ink: 'rareInk', label: 'The rare one' },
  { ink: 'labelInk', label: 'Names' },
  { ink: 'ink', label: 'Words' },
]
type Stretch = 'slideMs' | 'openMs' | 'showMs'
const stretches: { stretch: Stretch; label: string; words: string; minS: number; maxS: number }[] = [
  { stretch: 'slideMs', label: 'Slides for', words: 'how long it slides', minS: 0.5, maxS: 30 },
  { stretch: 'openMs', label: 'Opens in', words: 'how long it opens', minS: 0.2, maxS: 10 },
  { stretch: 'showMs', label: 'Seen for', words: 'how long the prize is seen', minS: 0.2, maxS: 30 },
]
const sounds = [
  { name: 'stroke', label: 'Each stroke' },
  { name: 'open', label: 'Opening' },
  { name: 'rare', label: 'The rare one' },
] as const
</script>

<template>
  <div class="space-y-2">
    <PrizeList :part="part" :disabled="disabled" />
    <InspectorSection title="Motion" :note="`${((part.slideMs + part.openMs + part.showMs) / 1000).toFixed(2)} s`">
      <FieldRow v-for="{ stretch, label, words, minS, maxS } in stretches" :key="stretch" :label="label" :path="stretch"
        ><NumberField
          :label="label"
          :value="part[stretch] / 1000"
          unit="s"
          :min="minS"
          :max="maxS"
          :step="0.1"
          :decimals="2"
          :disabled="disabled"
          @change="(s) => edit(words, (draft) => void (draft[stretch] = Math.round(s * 1000)))"
      /></FieldRow>
      <FieldRow label="Strokes" path="strokes"
        ><NumberField
          label="Strokes of the peel"
          :value="part.strokes"
          unit="strokes"
          :min="1"
          :max="12"
          :disabled="disabled"
          @change="(strokes) => edit('strokes', (draft) => void (draft.strokes = strokes))"
      /></FieldRow>
      <CheckRow
        label="Mirrored"
        path="isMirrored"
        words="slides to the left"
        :checked="part.isMirrored"
        :disabled="disabled"
        @change="(isMirrored) => edit('mirrored', (draft) => void (draft.isMirrored = isMirrored))"
      />
      <FieldRow label="Lands at">
        <div class="grid grid-cols-2 gap-1">
          <NumberField
            label="Where it lands, to the right of the shelf’s middle"
            :value="part.landing.xPx"
            unit="x"
            :min="-8000"
            :max="8000"
            :step="10"
            :disabled="disabled"
            @change="(xPx) => edit('where the prize lands', (draft) => void (draft.landing.xPx = xPx))"
          />
          <NumberField
            label="Where it lands, below the shelf’s middle"
            :value="part.landing.yPx"
            unit="y"
            :min="-8000"
            :max="8000"
            :step="10"
            :disabled="disabled"
            @change="(yPx) => edit('where the prize lands', (draft) => void (draft.landing.yPx = yPx))"
          />
        </div>
      </FieldRow>
      <FieldRow label="Grows to"
        ><NumberField
          label="How much larger it is there"
          :value="part.landing.scaleRatio"
          unit="×"
          :min="0.5"
          :max="4"
          :step="0.1"
          :decimals="1"
          :disabled="disabled"
          @change="(ratio) => edit('how large the prize lands', (draft) => void (draft.landing.scaleRatio = ratio))"
      /></FieldRow>
    </InspectorSection>
    <InspectorSection title="Shelf">
      <SizeRow :part="part" label="Size" :disabled="disabled" />
      <FieldRow v-for="{ ink, label } in inks" :key="ink" :label="label" :path="ink"
        ><InkField
          :label="`Colour: ${label}`"
          :ink="part[ink]"
          :look="look"
          :disabled="disabled"
          @change="(chosen) => edit(`colour, ${label.toLowerCase()}`, (draft) => void (draft[ink] = chosen))"
      /></FieldRow>
      <TemplateField
        :value="part.face.template"
        :label="`Words on the face of ${part.name}`"
        :kinds="kinds"
        :disabled="disabled"
        @change="(template) => edit('words', (draft) => void (draft.face.template = template))"
      />
      <FieldRow label="They run"
        ><NumberField
          label="How fast the words run"
          :value="part.face.pxPerS"
          unit="px/s"
          :min="-2000"
          :max="2000"
          :step="10"
          :disabled="disabled"
          @change="(pxPerS) => edit('how fast the words run', (draft) => void (draft.face.pxPerS = pxPerS))"
      /></FieldRow>
    </InspectorSection>
    <InspectorSection title="Sounds" note="levelled">
      <FieldRow v-for="{ name, label } in sounds" :key="name" :label="label"
        ><MediaField
          :label="`Sound: ${label}`"
          kind="sound"
          :media-id="part.sounds[name]"
          :none-words="name === 'rare' ? 'as for the others' : 'silent'"
          :disabled="disabled"
          @change="(id) => edit(`sound, ${label.toLowerCase()}`, (draft) => void (draft.sounds[name] = id))"
      /></FieldRow>
      <TrimRow
        label="Volume"
        :trim-db="part.trimDb"
        :disabled="disabled"
        @change="(trimDb) => edit('volume', (draft) => void (draft.trimDb = trimDb))"
      />
    </InspectorSection>
  </div>
</template>
