<script setup lang="ts">
import { computed } from 'vue'
import { levellingOf, type MeasuredLevel } from '../../../core/audio/level.ts'
import type { Look } from '../../../core/look/schema.ts'
import { useMediaStore } from '../../stores/media.ts'
import LevelMeter from '../library/LevelMeter.vue'
import ListenPair from '../library/ListenPair.vue'
import CheckRow from './CheckRow.vue'
import InspectorSection from './InspectorSection.vue'
import TrimRow from './TrimRow.vue'

interface Heard {
  isMuted: boolean
  isLevelled: boolean
  trimDb: number
}

/** How a sound is heard: a part of its own, or with the picture of a video. */
const props = defineProps<{
  title: string
  /** Where the values stand in the part, for what points at them. */
  path: string
  heard: Heard
  /** The file that is heard; null: none is chosen. */
  mediaId: string | null
  look: Look
  disabled: boolean
}>()
const emit = defineEmits<{ change: [what: string, changes: Partial<Heard>] }>()
const media = useMediaStore()
const file = computed(() => media.find(props.mediaId))
const wanted = computed(() => props.look.soundLevel)
const level = computed<MeasuredLevel | null | undefined>(() =>
  props.mediaId === null ? undefined : media.measuredSounds.get(props.mediaId)?.level,
)
const levelling = computed(() => (level.value ? levellingOf(level.value, wanted.value) : null))
const gainDb = computed(
  () => (props.heard.isLevelled ? (levelling.value?.gainDb ?? 0) : 0) + props.heard.trimDb + props.look.soundTrimDb,
)
const note = computed(() => {
  if (props.heard.isMuted) return 'muted'
  return props.heard.isLevelled ? `to ${wanted.value.targetLufs} LUFS` : 'as recorded'
})
const heldWords = {
  ceiling: 'Its peaks meet the ceiling before it is as loud as wanted.',
  lift: 'It was recorded so quietly that lifting it more would lift its noise.',
}
</script>

<template>
  <InspectorSection :title="title" :note="note">
    <CheckRow
      label="Levelled"
      words="as loud as this box wants"
      :checked="heard.isLevelled"
      :disabled="disabled"
      @change="(isLevelled) => emit('change', 'levelled', { isLevelled })"
    />
    <template v-if="level && file">
      <LevelMeter :level="level" :gain-db="gainDb" :wanted="wanted" />
      <p v-if="heard.isLevelled && levelling?.heldBy" class="text-faded">{{ heldWords[levelling.heldBy] }}</p>
      <ListenPair :url="file.url" :gain-db="gainDb" />
    </template>
    <p v-else-if="level === null" class="text-faded">The file is silent from beginning to end.</p>
    <p v-else-if="mediaId !== null" class="text-faded">
      {{
        file ? 'It is being measured; until then it is heard as recorded.' : 'The file is not in the library any more.'
      }}
    </p>
    <TrimRow
      label="Volume"
      :trim-db="heard.trimDb"
      :disabled="disabled"
      @change="(trimDb) => emit('change', 'volume', { trimDb })"
    />
    <CheckRow
      label="Muted"
      :path="`${path}isMuted`"
      words="not heard on air"
      :checked="heard.isMuted"
      :disabled="disabled"
      @change="(isMuted) => emit('change', 'muted', { isMuted })"
    />
  </InspectorSection>
</template>
