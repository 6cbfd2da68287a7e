<script setup lang="ts">
import { soundRoles, type Look } from '../../../core/look/schema.ts'
import FieldRow from '../fields/FieldRow.vue'
import RangeField from '../fields/RangeField.vue'
import { soundRoleWords } from '../inspector/soundRoleWords.ts'
import InspectorSection from '../inspector/InspectorSection.vue'
import MediaField from '../library/MediaField.vue'

/** How loud everything is. */
defineProps<{ look: Look; disabled: boolean }>()
const emit = defineEmits<{ change: [what: string, recipe: (look: Look) => void] }>()
</script>

<template>
  <InspectorSection title="Sound">
    <p class="text-faded">
      Every levelled sound is brought to this loudness, measured after ITU-R BS.1770, and its peaks stay under the
      ceiling.
    </p>
    <FieldRow label="Loudness" path="soundLevel.targetLufs"
      ><RangeField
        label="Loudness of all sounds"
        :value="look.soundLevel.targetLufs"
        :shown="`${look.soundLevel.targetLufs} LUFS`"
        :min="-36"
        :max="-8"
        :step="1"
        :disabled="disabled"
        @change="
          (targetLufs) => emit('change', 'loudness', (changed) => void (changed.soundLevel.targetLufs = targetLufs))
        "
    /></FieldRow>
    <FieldRow label="Ceiling"
      ><RangeField
        label="Ceiling of all peaks"
        :value="look.soundLevel.ceilingDbtp"
        :shown="`${look.soundLevel.ceilingDbtp.toFixed(1)} dBTP`"
        :min="-9"
        :max="0"
        :step="0.5"
        :disabled="disabled"
        @change="
          (ceilingDbtp) => emit('change', 'ceiling', (changed) => void (changed.soundLevel.ceilingDbtp = ceilingDbtp))
        "
    /></FieldRow>
    <FieldRow label="All sounds" path="soundTrimDb"
      ><RangeField
        label="Level of all sounds"
        :value="look.soundTrimDb"
        :shown="`${look.soundTrimDb.toFixed(1)} dB`"
        :min="-40"
        :max="6"
        :step="0.5"
        :disabled="disabled"
        @change="(soundTrimDb) => emit('change', 'sound level', (changed) => void (changed.soundTrimDb = soundTrimDb))"
    /></FieldRow>
    <p class="pt-1 text-faded">Shared sounds: a part that follows one has this file, in every alert.</p>
    <FieldRow v-for="role in soundRoles" :key="role" :label="soundRoleWords[role]" :path="`sounds.${role}`"
      ><MediaField
        kind="sound"
        :label="`Shared sound ${soundRoleWords[role]}`"
        none-words="each its own"
        :media-id="look.sounds[role]"
        :disabled="disabled"
        @change="
          (id) => emit('change', `sound ${soundRoleWords[role]}`, (changed) => void (changed.sounds[role] = id))
        "
    /></FieldRow>
  </InspectorSection>
</template>
