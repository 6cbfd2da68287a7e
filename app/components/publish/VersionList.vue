<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { toast } from 'vue-sonner'
import type { VersionView } from '../../../contract/views.ts'
import type { BoxDocument } from '../../../core/composition/box.ts'
import { replaceBox } from '../../../core/edit/replaceBox.ts'
import { request, wordsOf } from '../../api/request.ts'
import { useDraftStore } from '../../stores/draft.ts'
import AirCompare from './AirCompare.vue'

/** What was on air before: looked at beside the draft, and brought back as an edit that can be undone. */
const draft = useDraftStore()
const versions = ref<VersionView[]>([])
const shown = ref<{ version: VersionView; document: BoxDocument } | null>(null)
const refusal = ref('')
const when = (ms: number) => new Date(ms).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' })

async function attempt(act: () => Promise<void>): Promise<void> {
  refusal.value = ''
  await act().catch((error: unknown) => (refusal.value = wordsOf(error)))
}
onMounted(() =>
  attempt(
    async () =>
      void (versions.value = (
        await request<{ versions: VersionView[] }>('GET', `/api/boxes/${draft.view?.id}/versions`)
      ).versions),
  ),
)
const look = (version: VersionView) =>
  attempt(
    async () =>
      void (shown.value = {
        version,
        document: (
          await request<{ document: BoxDocument }>('GET', `/api/boxes/${draft.view?.id}/versions/${version.id}`)
        ).document,
      }),
  )

function bringBack(): void {
  if (!shown.value || !draft.edit(replaceBox(shown.value.document, `bring back version ${shown.value.version.number}`)))
    return
  toast.success(
    `The draft is version ${shown.value.version.number} again. Put it on air when you are ready; undo brings your draft back.`,
  )
}
</script>

<template>
  <div>
    <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
    <p v-else-if="versions.length === 0" class="text-faded">Nothing was on air yet.</p>
    <ul class="divide-y divide-rule border-y border-rule">
      <li v-for="version in versions" :key="version.id" class="flex items-center gap-4 py-1.5">
        <b class="w-24 font-semibold">Version {{ version.number }}</b
        ><span class="w-44 text-faded">{{ when(version.publishedAtMs) }}</span
        ><span class="flex-1">{{ version.byName }}</span>
        <span v-if="version.number === draft.view?.onAir?.number" class="text-moss">on air now</span>
        <button
          type="button"
          class="link text-deep-sky"
          :aria-pressed="shown?.version.id === version.id"
          @click="look(version)"
        >
          Look at it
        </button>
      </li>
    </ul>
    <div v-if="shown" class="mt-3">
      <AirCompare :air="shown.document" :air-label="`Version ${shown.version.number}`" />
      <button type="button" class="button mt-2" @click="bringBack">
        Bring version {{ shown.version.number }} back into the draft
      </button>
    </div>
  </div>
</template>
