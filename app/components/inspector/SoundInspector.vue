<script setup lang="ts">
import { computed } from 'vue'
import { soundRoles, type Look } from '../../../core/look/schema.ts'
import type { Sound } from '../../../core/score/parts/sound/schema.ts'
import { useMediaStore } from '../../stores/media.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import MediaField from '../library/MediaField.vue'
import ChosenRow from './ChosenRow.vue'
import HeardSection from './HeardSection.vue'
import { soundRoleWords } from './soundRoleWords.ts'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: Sound; look: Look; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
const media = useMediaStore()
/** What the look has in the place of the part's own file. */
const shared = computed(() => props.part.role && props.look.sounds[props.part.role])
const heardId = computed(() => shared.value ?? props.part.mediaId)
const file = computed(() => media.find(heardId.value))
const roleChoices = computed(() => [
  { value: null, label: 'no: its own file' },
  ...soundRoles.map((value) => ({ value, label: `as the look has it where ${soundRoleWords[value]}` })),
])
</script>

<template>
  <div class="space-y-2">
    <FieldRow label="File" path="mediaId"
      ><MediaField
        label="Sound"
        kind="sound"
        :media-id="part.mediaId"
        :disabled="disabled"
        @change="(mediaId) => edit('sound', (draft) => void (draft.mediaId = mediaId))"
    /></FieldRow>
    <FieldRow label="Shared"
      ><ChoiceField
        label="Shared sound"
        :value="part.role"
        :choices="roleChoices"
        :disabled="disabled"
        @change="
          (value) =>
            edit('shared sound', (draft) => void (draft.role = soundRoles.find((each) => each === value) ?? null))
        "
    /></FieldRow>
    <p v-if="shared" class="text-faded">
      The look has “{{ file?.name ?? 'a file that is gone' }}” for this; the part’s own file is heard once it has none.
    </p>
    <ChosenRow :part="part" :disabled="disabled" />
    <HeardSection
      title="Level"
      path=""
      :heard="part"
      :media-id="heardId"
      :look="look"
      :disabled="disabled"
      @change="(what, changes) => edit(what, (draft) => void Object.assign(draft, changes))"
    />
    <FieldRow label="Fades">
      <div class="grid grid-cols-2 gap-2">
        <NumberField
          label="Fades in over"
          :value="part.fadeInMs / 1000"
          unit="in"
          :min="0"
          :max="20"
          :step="0.05"
          :decimals="2"
          :disabled="disabled"
          @change="(s) => edit('fade in', (draft) => void (draft.fadeInMs = Math.round(s * 1000)))"
        />
        <NumberField
          label="Fades out over"
          :value="part.fadeOutMs / 1000"
          unit="out"
          :min="0"
          :max="20"
          :step="0.05"
          :decimals="2"
          :disabled="disabled"
          @change="(s) => edit('fade out', (draft) => void (draft.fadeOutMs = Math.round(s * 1000)))"
        />
      </div>
    </FieldRow>
  </div>
</template>
