<script setup lang="ts">
import { computed } from 'vue'
import { levellingOf, type MeasuredLevel, type SoundLevel } from '../../../core/audio/level.ts'
import { soundRoles, type Look } from '../../../core/look/schema.ts'
import type { Sound } from '../../../core/score/parts/sound/schema.ts'
import { useMediaStore } from '../../stores/media.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import LevelMeter from '../library/LevelMeter.vue'
import ListenPair from '../library/ListenPair.vue'
import MediaField from '../library/MediaField.vue'
import CheckRow from './CheckRow.vue'
import ChosenRow from './ChosenRow.vue'
import InspectorSection from './InspectorSection.vue'
import { soundRoleWords } from './soundRoleWords.ts'
import TrimRow from './TrimRow.vue'
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
const wanted = computed<SoundLevel>(() => props.look.soundLevel)
const level = computed<MeasuredLevel | null | undefined>(() =>
  heardId.value === null ? undefined : media.measuredSounds.get(heardId.value)?.level,
)
const levelling = computed(() => (level.value ? levellingOf(level.value, wanted.value) : null))
const gainDb = computed(
  () => (props.part.isLevelled ? (levelling.value?.gainDb ?? 0) : 0) + props.part.trimDb + props.look.soundTrimDb,
)
const heldWords = {
  ceiling: 'Its peaks meet the ceiling before it is as loud as wanted.',
  lift: 'It was recorded so quietly that lifting it more would lift its noise.',
}
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
    <InspectorSection title="Level" :note="part.isLevelled ? `to ${wanted.targetLufs} LUFS` : 'as recorded'">
      <CheckRow
        label="Levelled"
        words="as loud as this box wants"
        :checked="part.isLevelled"
        :disabled="disabled"
        @change="(isLevelled) => edit('levelled', (draft) => void (draft.isLevelled = isLevelled))"
      />
      <template v-if="level && file">
        <LevelMeter :level="level" :gain-db="gainDb" :wanted="wanted" />
        <p v-if="part.isLevelled && levelling?.heldBy" class="text-faded">{{ heldWords[levelling.heldBy] }}</p>
        <ListenPair :url="file.url" :gain-db="gainDb" />
      </template>
      <p v-else-if="level === null" class="text-faded">The file is silent from beginning to end.</p>
      <p v-else-if="heardId !== null" class="text-faded">
        {{
          file
            ? 'It is being measured; until then it is heard as recorded.'
            : 'The file is not in the library any more.'
        }}
      </p>
      <TrimRow
        label="Volume"
        :trim-db="part.trimDb"
        :disabled="disabled"
        @change="(trimDb) => edit('volume', (draft) => void (draft.trimDb = trimDb))"
      />
      <CheckRow
        label="Muted"
        path="isMuted"
        words="not heard on air"
        :checked="part.isMuted"
        :disabled="disabled"
        @change="(isMuted) => edit('muted', (draft) => void (draft.isMuted = isMuted))"
      />
    </InspectorSection>
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
