<script setup lang="ts">
import { computed } from 'vue'
import { swapInSeason } from '../../../core/edit/changeLook.ts'
import { mediaUses } from '../../../core/library/mediaUses.ts'
import type { Season } from '../../../core/look/seasons.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useMediaStore } from '../../stores/media.ts'
import InspectorSection from '../inspector/InspectorSection.vue'
import MediaField from '../library/MediaField.vue'

/** Which files others take the place of while it is this season, in every alert that uses them. */
const props = defineProps<{ season: Season; disabled: boolean }>()
const draft = useDraftStore()
const media = useMediaStore()
/** The pictures and sounds of the box, each once, with how often it is used. */
const files = computed(() => {
  const counts = new Map<string, number>()
  for (const { mediaId, kind } of draft.document ? mediaUses(draft.document) : [])
    if (kind !== null) counts.set(mediaId, (counts.get(mediaId) ?? 0) + 1)
  return [...counts].flatMap(([id, count]) => {
    const file = media.find(id)
    return file && (file.kind === 'picture' || file.kind === 'sound')
      ? [{ id, name: file.name, kind: file.kind, count }]
      : []
  })
})
const insteadOf = (id: string) => props.season.swaps.find(({ from }) => from === id)?.to ?? null
</script>

<template>
  <InspectorSection
    title="Other files"
    is-folded
    :note="season.swaps.length > 0 ? `${season.swaps.length} instead` : 'the same'"
  >
    <p class="text-faded">What stands in for a file while it is this season, wherever the file is used.</p>
    <ul class="space-y-1.5">
      <li v-for="file in files" :key="file.id">
        <p class="truncate">
          {{ file.name }}
          <span class="text-faded">in {{ file.count }} {{ file.count === 1 ? 'place' : 'places' }}</span>
        </p>
        <MediaField
          :kind="file.kind"
          :label="`Instead of ${file.name}`"
          none-words="itself"
          :media-id="insteadOf(file.id)"
          :disabled="disabled"
          @change="(to) => draft.edit(swapInSeason(season.id, file.id, to))"
        />
      </li>
    </ul>
  </InspectorSection>
</template>
