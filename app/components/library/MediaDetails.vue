<script setup lang="ts">
import { NuxtLink } from '#components'
import { Replace, Trash2 } from '@lucide/vue'
import { computed, ref, watch } from 'vue'
import { toast } from 'vue-sonner'
import type { MediaView } from '../../../contract/views.ts'
import { mediaUses } from '../../../core/library/mediaUses.ts'
import { usualLevel } from '../../../core/audio/level.ts'
import { wordsOf } from '../../api/request.ts'
import { counted } from '../../format/counted.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { gainFor } from '../../library/gainFor.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import { useMediaStore } from '../../stores/media.ts'
import LevelMeter from './LevelMeter.vue'
import ListenPair from './ListenPair.vue'
import MediaFacts from './MediaFacts.vue'
import MediaPicker from './MediaPicker.vue'
import MediaThumb from './MediaThumb.vue'

/** All about one file: what was measured, where it is used, and what can be done with it. */
const props = defineProps<{ file: MediaView; canEdit: boolean }>()
const emit = defineEmits<{ removed: [] }>()
const media = useMediaStore()
const boxes = useBoxesStore()
const name = ref(props.file.name)
const tags = ref(props.file.tags.join(', '))
const isReplacing = ref(false)
// What others change is shown, but never in the place of what is being typed here.
watch(
  () => props.file.name,
  (now, before) => {
    if (name.value === before) name.value = now
  },
)
watch(
  () => props.file.tags.join(', '),
  (now, before) => {
    if (tags.value === before) tags.value = now
  },
)

const level = computed(() => media.measuredSounds.get(props.file.id)?.level ?? null)
const uses = computed(() =>
  [...(boxes.boxes ?? []), ...(boxes.boards ?? [])].flatMap((box) =>
    mediaUses(box.document)
      .filter((use) => use.mediaId === props.file.id)
      .map((use) => ({ ...use, box })),
  ),
)

async function attempt(act: () => Promise<void>): Promise<void> {
  await act().catch((error: unknown) => toast.error(wordsOf(error)))
}
const rename = () =>
  attempt(async () => {
    const wanted = name.value.trim()
    if (wanted && wanted !== props.file.name) await media.change(props.file.id, { name: wanted })
    else name.value = props.file.name
  })
const retag = () =>
  attempt(() =>
    media.change(props.file.id, {
      tags: [
        ...new Set(
          tags.value
            .split(',')
            .map((tag) => tag.trim().slice(0, 40))
            .filter(Boolean),
        ),
      ].slice(0, 12),
    }),
  )
const remove = () =>
  attempt(async () => {
    const { id, name: gone } = props.file
    const usedIn = uses.value.length
    await media.remove(id)
    emit('removed')
    toast(
      `“${gone}” is out of the library.${usedIn > 0 ? ` The ${counted(usedIn, 'place')} that use it go on showing it.` : ''}`,
      { duration: 12_000, action: { label: 'Undo', onClick: () => void attempt(() => media.restore(id)) } },
    )
  })
const replaceBy = (other: MediaView) =>
  attempt(async () => {
    const { id, name: before } = props.file
    const places = await media.replace(id, other.id)
    const count = Object.values(places).flat().length
    await boxes.load()
    const undo = async () => {
      await media.replace(other.id, id, places)
      await boxes.load()
    }
    toast(
      `“${other.name}” takes the place of “${before}” in ${counted(count, 'part')} of the drafts. Put the boxes on air to show it.`,
      { duration: 12_000, action: { label: 'Undo', onClick: () => void attempt(undo) } },
    )
  })
</script>

<template>
  <aside class="on-paper flex h-full min-h-0 flex-col rounded-sm border border-rule" aria-label="The chosen file">
    <div class="min-h-0 flex-1 space-y-3 overflow-y-auto p-4">
      <div class="h-36 shrink-0 overflow-hidden rounded-sm"><MediaThumb :file="file" is-looked-at /></div>
      <label class="block"
        ><span class="text-faded">Name</span
        ><input v-model="name" class="field mt-0.5" maxlength="120" :disabled="!canEdit" @change="rename"
      /></label>
      <label class="block"
        ><span class="text-faded">Tags, with commas between</span
        ><input v-model="tags" class="field mt-0.5" maxlength="300" :disabled="!canEdit" @change="retag"
      /></label>
      <section v-if="level" class="space-y-2 border-t border-rule pt-2">
        <h2 class="caps text-faded">Level</h2>
        <LevelMeter :level="level" :gain-db="gainFor(file)" :wanted="usualLevel" />
        <ListenPair :url="file.url" :gain-db="gainFor(file)" />
      </section>
      <MediaFacts :file="file" />
      <section class="border-t border-rule pt-2">
        <h2 class="caps mb-1 text-faded">Used in</h2>
        <ul v-if="uses.length > 0" class="space-y-0.5">
          <li v-for="use in uses" :key="`${use.box.id}/${use.variationId}/${use.partId}`">
            <NuxtLink
              :to="
                use.box.isBoard ? `/boards/${use.box.id}` : `/boxes/${use.box.id}${use.kind ? `?kind=${use.kind}` : ''}`
              "
              class="link text-deep-sky"
              >{{ use.box.name
              }}{{
                use.box.isBoard ? '' : `: ${use.kind ? `${kindNames[use.kind]}, ` : ''}${use.variationName}`
              }}</NuxtLink
            >{{ ' ' }}
            <span class="text-faded">as {{ use.partName }}</span>
          </li>
        </ul>
        <p v-else class="text-faded">{{ boxes.boxes ? 'Nothing uses it.' : 'Looking…' }}</p>
      </section>
    </div>
    <div v-if="canEdit" class="flex gap-2 border-t border-rule px-4 py-3">
      <button
        type="button"
        class="button flex-1 px-2!"
        :disabled="uses.length === 0"
        :title="uses.length === 0 ? 'Nothing uses it' : ''"
        @click="isReplacing = true"
      >
        <Replace :size="14" aria-hidden="true" />Replace everywhere
      </button>
      <button type="button" class="button px-2! text-brick" @click="remove">
        <Trash2 :size="14" aria-hidden="true" />Delete
      </button>
    </div>
    <MediaPicker
      v-if="canEdit"
      v-model:open="isReplacing"
      :kind="file.kind"
      :chosen-id="file.id"
      :title="`In the place of “${file.name}”`"
      @choose="replaceBy"
    />
  </aside>
</template>
