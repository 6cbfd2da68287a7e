<script setup lang="ts">
import { computed } from 'vue'
import { kindNames } from '../../../core/events/kindNames.ts'
import type { Edit } from '../../../core/edit/change.ts'
import { mediaUses } from '../../../core/library/mediaUses.ts'
import { goesWith, letGoOfPack, removePack } from '../../../core/pack/takePack.ts'
import { handChanges } from '../../../core/pack/turnTaken.ts'
import type { TakenDesign } from '../../composables/useTakenPacks.ts'
import { useUndoNotice } from '../../composables/useUndoNotice.ts'
import { counted } from '../../format/counted.ts'
import { useDraftStore } from '../../stores/draft.ts'
import PaperDialog from '../frame/PaperDialog.vue'

/** What goes with a pack that is taken out of a box, and what stays. */
const props = defineProps<{ taken: TakenDesign }>()
const isOpen = defineModel<boolean>('open', { required: true })
const draft = useDraftStore()
const notify = useUndoNotice()
const changes = computed(() =>
  isOpen.value && draft.document ? handChanges(props.taken.pack, draft.document, props.taken.entry.id) : {},
)
const goes = computed(() => (isOpen.value && draft.document ? goesWith(draft.document, props.taken.entry.id) : []))
const dialCount = computed(() => props.taken.pack.dials.length)
/** Files that nothing else in the box shows or sounds. */
const files = computed(() => {
  if (!isOpen.value || !draft.document) return 0
  const ids = new Set(goes.value.map(({ alert }) => alert.id))
  const uses = mediaUses(draft.document)
  const stays = new Set(uses.filter(({ alertId }) => !ids.has(alertId)).map(({ mediaId }) => mediaId))
  return new Set(
    uses.filter(({ alertId, mediaId }) => ids.has(alertId) && !stays.has(mediaId)).map(({ mediaId }) => mediaId),
  ).size
})
function act(edit: Edit, said: string): void {
  if (!draft.edit(edit)) return
  isOpen.value = false
  notify(said)
}
</script>

<template>
  <PaperDialog v-model:open="isOpen" :title="`Remove ${taken.entry.name}`">
    <p><b class="font-semibold">Goes:</b> {{ counted(goes.length, 'alert') }} and {{ counted(dialCount, 'dial') }}.</p>
    <ul class="my-2 space-y-0.5 pl-4">
      <li v-for="{ alert, kind } in goes" :key="alert.id" class="list-disc">
        {{ kindNames[kind] }}, {{ counted(alert.variations.length, 'case')
        }}<span v-if="(changes[alert.id] ?? 0) > 0" class="text-brick"
          >, with {{ counted(changes[alert.id] ?? 0, 'change') }} of yours</span
        >
      </li>
    </ul>
    <p>
      <b class="font-semibold">Stays:</b> the look{{ taken.entry.wearsLook ? ' as it is now, as this box’s own' : '' }},
      and the pack’s files in the library{{
        files > 0 ? `: ${counted(files, 'file')} that nothing else here uses` : ''
      }}. The pack stays on the shelf.
    </p>
    <p class="mt-2 text-faded">
      Or let go of its dials only: all alerts stay as they are, as your own, and newer releases do not reach them any
      more.
    </p>
    <template #actions>
      <button type="button" class="button" @click="isOpen = false">Keep it</button>
      <button
        type="button"
        class="button"
        @click="act(letGoOfPack(taken.entry.id), `The alerts of ${taken.entry.name} are your own now.`)"
      >
        Let go of its dials
      </button>
      <button
        type="button"
        class="button text-brick"
        @click="act(removePack(taken.entry.id), `${taken.entry.name} was removed.`)"
      >
        Remove {{ counted(goes.length, 'alert') }}
      </button>
    </template>
  </PaperDialog>
</template>
