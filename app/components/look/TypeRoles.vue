<script setup lang="ts">
import { plainShadow } from '../../../core/look/lanternLook.ts'
import { typeRoles, type Look } from '../../../core/look/schema.ts'
import { useTypefaces } from '../../library/useTypefaces.ts'
import NumberField from '../fields/NumberField.vue'
import TypefaceField from '../fields/TypefaceField.vue'
import DialKnob from '../dials/DialKnob.vue'
import InspectorSection from '../inspector/InspectorSection.vue'
import MissingLetters from './MissingLetters.vue'
import ShadowFields from '../inspector/ShadowFields.vue'

/** The typefaces of a look, and how large, how wide apart and how outlined its texts are. */
defineProps<{ look: Look; disabled: boolean }>()
const emit = defineEmits<{ change: [what: string, recipe: (look: Look) => void] }>()
const { typefaceOf } = useTypefaces()
const words: Record<(typeof typeRoles)[number], string> = { display: 'headlines', text: 'other words' }

function setFamily(role: (typeof typeRoles)[number], family: string): void {
  const typeface = typefaceOf(family)
  if (typeface) emit('change', `${role} type`, (look) => void Object.assign(look.type[role], typeface))
}
</script>

<template>
  <InspectorSection title="Type">
    <div v-for="role in typeRoles" :key="role" class="mb-2 space-y-1">
      <div class="flex items-center gap-2">
        <span class="w-22 shrink-0 text-faded">{{ words[role] }}</span><TypefaceField
          class="min-w-0 flex-1"
          :label="`Typeface of ${role}`"
          :value="look.type[role].family"
          :disabled="disabled"
          @change="(family) => setFamily(role, family)"
        /><DialKnob :path="`type.${role}.family`" :label="`typeface of ${words[role]}`" />
      </div>
      <MissingLetters :family="look.type[role].family" :weight="look.type[role].weight" />
      <div class="grid grid-cols-2 gap-1">
        <NumberField
          :label="`Weight of ${role}`"
          :value="look.type[role].weight"
          unit="weight"
          :min="100"
          :max="900"
          :step="100"
          :disabled="disabled"
          @change="
            (weight) =>
              emit('change', `${role} weight`, (changed) => void (changed.type[role].weight = Math.round(weight)))
          "
        />
        <NumberField
          :label="`Size of ${role}`"
          :value="look.type[role].sizeRatio * 100"
          unit="% size"
          :min="40"
          :max="200"
          :step="5"
          :disabled="disabled"
          @change="
            (percent) =>
              emit('change', `${role} size`, (changed) => void (changed.type[role].sizeRatio = percent / 100))
          "
        />
        <NumberField
          :label="`Tracking of ${role}`"
          :value="look.type[role].trackingEm * 100"
          unit="% apart"
          :min="-20"
          :max="60"
          :disabled="disabled"
          @change="
            (percent) =>
              emit('change', `${role} tracking`, (changed) => void (changed.type[role].trackingEm = percent / 100))
          "
        />
        <NumberField
          :label="`Outline of ${role}`"
          :value="look.type[role].outlineRatio * 100"
          unit="% outline"
          :min="0"
          :max="300"
          :step="10"
          :disabled="disabled"
          @change="
            (percent) =>
              emit('change', `${role} outline`, (changed) => void (changed.type[role].outlineRatio = percent / 100))
          "
        />
      </div>
      <label class="flex items-center gap-2 pt-0.5"
        ><input
          type="checkbox"
          class="size-4 accent-deep-sky"
          :checked="look.type[role].shadow !== null"
          :disabled="disabled"
          @change="
            emit(
              'change',
              `${role} shadow`,
              (changed) =>
                void (changed.type[role].shadow = ($event.target as HTMLInputElement).checked
                  ? { ...plainShadow }
                  : null),
            )
          "
        />a shadow under {{ words[role] }}</label
      >
      <ShadowFields
        v-if="look.type[role].shadow"
        :label="`Shadow of ${role}`"
        :shadow="look.type[role].shadow"
        :look="look"
        :disabled="disabled"
        @change="(shadow) => emit('change', `${role} shadow`, (changed) => void (changed.type[role].shadow = shadow))"
      />
    </div>
  </InspectorSection>
</template>
