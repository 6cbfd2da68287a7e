<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { PackSummary } from '../../../contract/packs.ts'
import { replaceBox } from '../../../core/edit/replaceBox.ts'
import { placeWords } from '../../../core/pack/placeWords.ts'
import { conflictKey, takeRelease } from '../../../core/pack/takeRelease.ts'
import type { TakenDesign } from '../../composables/useTakenPacks.ts'
import { wordsOf } from '../../api/request.ts'
import { useUndoNotice } from '../../composables/useUndoNotice.ts'
import { counted } from '../../format/counted.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { usePacksStore } from '../../stores/packs.ts'
import PaperDialog from '../frame/PaperDialog.vue'

/** A newer release of a pack: what it brings, and where both sides changed the same. */
const props = defineProps<{ taken: TakenDesign; release: PackSummary }>()
const isOpen = defineModel<boolean>('open', { required: true })
const draft = useDraftStore()
const notify = useUndoNotice()
const packs = usePacksStore()
const refusal = ref('')
const isTaking = ref(false)
/** Where the release's is taken. */
const takes = ref<string[]>([])
watch(isOpen, (open) => {
  takes.value = []
  refusal.value = ''
  if (open) packs.open(props.release.shelfId).catch((error: unknown) => (refusal.value = wordsOf(error)))
})
const next = computed(() => packs.opened.get(props.release.shelfId)?.manifest ?? null)
const merged = computed(() =>
  isOpen.value && draft.document && next.value
    ? takeRelease(draft.document, props.taken.pack, next.value, props.release.shelfId, new Set(takes.value))
    : null,
)
function shown(value: unknown): string {
  if (value === undefined) return 'not there'
  return typeof value === 'object' ? 'as it stands' : String(value)
}

async function take(): Promise<void> {
  isTaking.value = true
  try {
    await packs.takeFiles(props.release.shelfId)
    const result = merged.value
    if (
      result?.ok &&
      draft.edit(replaceBox(result.value.document, `release ${props.release.release} of ${props.release.name}`))
    ) {
      isOpen.value = false
      notify(`${props.release.name} is at release ${props.release.release} now.`)
    }
  } catch (error) {
    refusal.value = wordsOf(error)
  }
  isTaking.value = false
}
</script>

<template>
  <PaperDialog v-model:open="isOpen" :title="`${release.name}: release ${release.release}`" is-wide>
    <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
    <p v-else-if="!merged" role="status" class="text-faded">Looking at what it changes…</p>
    <p v-else-if="!merged.ok" role="alert" class="text-brick">It cannot be taken: {{ merged.error }}</p>
    <template v-else>
      <p>
        This box has {{ taken.entry.release }}. What you changed stays, dials stand as you turned them, everything else
        is as the designer has it now.
      </p>
      <ul v-if="merged.value.notes.length > 0" class="my-2 pl-4">
        <li v-for="note in merged.value.notes" :key="note" class="list-disc">{{ note }}</li>
      </ul>
      <section v-if="merged.value.conflicts.length > 0" class="mt-3" aria-label="Changed by both">
        <h3 class="font-semibold">
          Changed by you and by the designer: {{ counted(merged.value.conflicts.length, 'place') }}
        </h3>
        <ul class="mt-1 divide-y divide-rule border-y border-rule">
          <li
            v-for="conflict in merged.value.conflicts"
            :key="conflictKey(conflict)"
            class="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-3 py-1.5"
          >
            <span>{{ placeWords(draft.document?.alerts ?? [], conflict.path) }}</span>
            <fieldset class="flex gap-3">
              <legend class="sr-only">{{ placeWords(draft.document?.alerts ?? [], conflict.path) }}</legend>
              <label class="flex items-center gap-1"
                ><input
                  v-model="takes"
                  type="checkbox"
                  class="size-4 accent-deep-sky"
                  :value="conflictKey(conflict)"
                />take the designer’s: {{ shown(conflict.theirs) }}</label
              >
              <span class="text-faded">yours: {{ shown(conflict.mine) }}</span>
            </fieldset>
          </li>
        </ul>
      </section>
      <p v-else class="mt-2 text-faded">Nowhere did both of you change the same.</p>
    </template>
    <template #actions>
      <button type="button" class="button" @click="isOpen = false">Not now</button>
      <button type="button" class="button button-bolt" :disabled="!merged?.ok || isTaking" @click="take">
        Take release {{ release.release }}
      </button>
    </template>
  </PaperDialog>
</template>
