<script setup lang="ts">
import { Download } from '@lucide/vue'
import { until } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { packHead, type Design } from '../../../core/pack/design.ts'
import { sceneOf } from '../../../core/board/resolveBoard.ts'
import { changeDesign, plainDesign } from '../../../core/pack/designEdits.ts'
import { hasShapeOf } from '../../../core/pack/hasShapeOf.ts'
import { neededMedia } from '../../../core/pack/manifest.ts'
import { triggersOfBox } from '../../../core/pack/packedTriggers.ts'
import type { DialProblem } from '../../../core/pack/turnDials.ts'
import { counted } from '../../format/counted.ts'
import { saveFile } from '../../format/saveFile.ts'
import { packWithProof } from '../../proof/packWithProof.ts'
import { htmlOf } from '../../proof/proofFiles.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useMediaStore } from '../../stores/media.ts'
import { useProofsStore } from '../../stores/proofs.ts'
import { useTriggersStore } from '../../stores/triggers.ts'
import { useSessionStore } from '../../stores/session.ts'
import PaperDialog from '../frame/PaperDialog.vue'
import ChoiceField from '../fields/ChoiceField.vue'
import TickBox from '../fields/TickBox.vue'
import TypedField from '../fields/TypedField.vue'
import ProofLine from '../proofs/ProofLine.vue'
import { proofGrounds } from '../proofs/grounds.ts'
import { sheetOf } from '../proofs/sheetOf.ts'
import CheckTile from './CheckTile.vue'

/** Saving the box as a pack: what it is called, what is worth mending first, and the file. */
const props = defineProps<{ problems: readonly DialProblem[] }>()
const isOpen = defineModel<boolean>('open', { required: true })
const draft = useDraftStore()
const media = useMediaStore()
const session = useSessionStore()
const faultOf = ref<Record<string, string>>({})
/** What was typed and is not possible: it stays, to be put right. */
const refused = ref<Record<string, string | undefined>>({})
const isSaving = ref(false)
const proofs = useProofsStore()
const triggers = useTriggersStore()
/** Triggers that stay here. */
const without = ref<string[]>([])
/** The board that goes along; null: none. */
const boardId = ref<string | null>(null)
const boxes = useBoxesStore()
const boardChoices = computed(() => [
  { value: null, label: 'no board' },
  ...(boxes.boards ?? [])
    .filter(({ document }) => draft.document && hasShapeOf(draft.document.canvas, document.canvas))
    .map(({ id, name }) => ({ value: id, label: name })),
])
const board = computed(() => boxes.boards?.find(({ id }) => id === boardId.value)?.document ?? null)
const notSaved = ref('')
/** Whether its proof sheet goes along, which is drawn for that. */
const isProved = ref(false)
const isProofDrawn = computed(() => proofs.boxId === draft.view?.id && !proofs.isRunning && proofs.pictures.length > 0)
const savedWithinMs = 10_000
const start = computed(() => plainDesign(draft.view?.name ?? '', session.session?.person.name ?? ''))
const design = computed<Design>(() => draft.document?.design ?? start.value)
const along = computed(() =>
  draft.view
    ? triggersOfBox(
        (triggers.view?.triggers ?? []).map(({ trigger }) => trigger),
        draft.view.id,
      )
    : [],
)
const files = computed(() =>
  draft.document
    ? neededMedia(
        draft.document,
        design.value.dials,
        along.value.filter(({ id }) => !without.value.includes(id)),
        (board.value && sceneOf(board.value)) ?? undefined,
      )
    : [],
)
const missing = computed(() => files.value.filter((id) => !media.find(id)))
const unlicensed = computed(() =>
  files.value
    .flatMap((id) => media.find(id) ?? [])
    .filter(({ licence }) => licence === '' || licence === 'own' || licence === 'unknown'),
)
const cases = computed(() =>
  (draft.document?.alerts ?? []).flatMap((alert) => alert.variations.map((variation) => ({ alert, variation }))),
)
/** What is wrong with cases, as their tiles find it. */
const wrongCounts = ref<Record<string, number>>({})
const wrongCount = computed(() => Object.values(wrongCounts.value).reduce((sum, count) => sum + count, 0))
const fields = [
  { name: 'id', label: 'Id', note: 'the same for all its releases' },
  { name: 'release', label: 'Release', note: 'count it up for a newer one' },
  { name: 'author', label: 'By', note: '' },
  { name: 'licence', label: 'Licence', note: 'what others may do with it, like CC0-1.0' },
  { name: 'about', label: 'About', note: 'one or two sentences' },
] as const

function put(name: (typeof fields)[number]['name'], value: string): void {
  const checked = packHead[name].safeParse(value)
  faultOf.value = {
    ...faultOf.value,
    [name]: checked.success ? '' : (checked.error.issues[0]?.message ?? 'that does not fit'),
  }
  refused.value = { ...refused.value, [name]: checked.success ? undefined : value }
  if (checked.success) draft.edit(changeDesign(name, start.value, (changed) => void (changed[name] = value)))
}
watch(isOpen, (open) => {
  // Without them a pack is made all the same.
  if (!open) return
  void triggers.load().catch(() => undefined)
  void boxes.load().catch(() => undefined)
})
async function download(): Promise<void> {
  isSaving.value = true
  notSaved.value = ''
  await draft.save()
  // A save that was under way already is waited for: the pack is made of what the server has.
  await until(() => draft.saveState).toMatch((state) => state !== 'saving' && state !== 'waiting', {
    timeout: savedWithinMs,
  })
  isSaving.value = false
  if (draft.saveState !== 'saved' || !draft.view) {
    notSaved.value = 'The last edits are not saved yet, and a pack is made of what is. Try again in a moment.'
    return
  }
  const query = new URLSearchParams({
    ...(without.value.length > 0 ? { without: without.value.join(',') } : {}),
    ...(boardId.value === null ? {} : { board: boardId.value }),
  })
  const href = `/api/boxes/${draft.view.id}/pack${query.size > 0 ? `?${query}` : ''}`
  const { document, view } = draft
  if (!isProved.value || !document) {
    Object.assign(globalThis.document.createElement('a'), { href, download: '' }).click()
    return
  }
  isSaving.value = true
  try {
    const answer = await fetch(href)
    if (!answer.ok) throw new Error(String(answer.status))
    const pack = new Uint8Array(await answer.arrayBuffer())
    const page = await htmlOf(sheetOf(document, view.name, proofs.drawn, proofGrounds.dark))
    saveFile(new Blob([(await packWithProof(pack, page)) as BlobPart]), `${design.value.id}.pack.zip`)
  } catch {
    notSaved.value = 'The pack could not be saved with its proof sheet. Try again, or save it without.'
  }
  isSaving.value = false
}
</script>

<template>
  <PaperDialog v-model:open="isOpen" title="Save as a pack" is-wide>
    <div class="grid grid-cols-2 gap-x-6 gap-y-2">
      <label
        v-for="{ name, label, note } in fields"
        :key="name"
        class="block"
        :class="name === 'about' ? 'col-span-2' : ''"
      >
        <span class="font-medium">{{ label }}</span><span v-if="note" class="ml-2 text-2xs text-faded">{{ note }}</span>
        <TypedField
          type="text"
          class="field mt-0.5"
          :value="refused[name] ?? design[name]"
          :aria-label="`${label} of the pack`"
          @change="(value) => put(name, value)"
        />
        <span v-if="faultOf[name]" role="alert" class="text-brick">{{ faultOf[name] }}</span>
      </label>
    </div>
    <fieldset v-if="along.length > 0" class="mt-4 border-t border-rule pt-3">
      <legend class="float-left font-semibold">What viewers can set off with it</legend>
      <p class="clear-both text-faded">
        Whoever takes the pack gets these unarmed and without a price. Rewards, keys, names of viewers and addresses on
        the web stay here.
      </p>
      <ul class="mt-1 grid grid-cols-3 gap-x-4 gap-y-1">
        <li v-for="each in along" :key="each.id">
          <TickBox
            :checked="!without.includes(each.id)"
            @change="(checked) => (without = checked ? without.filter((id) => id !== each.id) : [...without, each.id])"
            >{{ each.name }}</TickBox
          >
        </li>
      </ul>
    </fieldset>
    <section v-if="boardChoices.length > 1" class="mt-4 border-t border-rule pt-3" aria-label="A board with it">
      <div class="flex items-center gap-3">
        <span class="font-semibold">With a board</span
        ><span class="w-56"
          ><ChoiceField
            label="The board that goes along"
            :value="boardId"
            :choices="boardChoices"
            @change="boardId = $event"
        /></span>
      </div>
      <p class="mt-1 text-faded">
        Whoever makes a board in this look begins with it. Your goals and feeds stay here: its bar shows their goal.
      </p>
    </section>
    <section class="mt-4 border-t border-rule pt-3" aria-label="Before it leaves the house">
      <h3 class="font-semibold">Before it leaves the house</h3>
      <ul class="mt-1 space-y-0.5 pl-4">
        <li class="list-disc" :class="problems.length > 0 ? 'text-brick' : ''">
          {{
            problems.length > 0
              ? `${counted(problems.length, 'dial problem')}: ${problems
                  .slice(0, 3)
                  .map(({ words }) => words)
                  .join('; ')}`
              : `${counted(design.dials.length, 'dial')}, each tried at its ends`
          }}
        </li>
        <li class="list-disc" :class="missing.length > 0 ? 'text-brick' : ''">
          {{
            missing.length > 0
              ? `${counted(missing.length, 'file')} that the library does not have any more`
              : `${counted(files.length, 'file')}, all there`
          }}
        </li>
        <li v-if="unlicensed.length > 0" class="list-disc">
          {{ counted(unlicensed.length, 'file') }} without a licence that others can rely on:
          {{
            unlicensed
              .slice(0, 4)
              .map(({ name }) => name)
              .join(', ')
          }}. Say it in the library.
        </li>
        <li class="list-disc" :class="wrongCount > 0 ? 'text-brick' : ''">
          {{
            wrongCount > 0
              ? `${counted(wrongCount, 'remark')} that should be mended, marked below`
              : 'nothing wrong in the cases below that have been looked at'
          }}
        </li>
      </ul>
      <div class="mt-2">
        <TickBox :checked="isProved" @change="(checked) => (isProved = checked)"
          >With its proof sheet, a page that shows every case with names and numbers of all sorts</TickBox
        >
        <ProofLine v-if="isProved" class="mt-1" />
      </div>
      <ul class="mt-3 grid grid-cols-5 gap-2">
        <CheckTile
          v-for="{ alert, variation } in cases"
          :key="`${alert.id}/${variation.id}`"
          :alert="alert"
          :variation="variation"
          @wrong="(count) => (wrongCounts[`${alert.id}/${variation.id}`] = count)"
        />
      </ul>
    </section>
    <p v-if="notSaved" role="alert" class="mt-3 text-brick">{{ notSaved }}</p>
    <template #actions>
      <button type="button" class="button" @click="isOpen = false">Close</button>
      <button
        type="button"
        class="button button-bolt"
        :disabled="isSaving || missing.length > 0 || props.problems.length > 0 || (isProved && !isProofDrawn)"
        @click="download"
      >
        <Download :size="15" aria-hidden="true" />Download {{ design.id }} {{ design.release }}
      </button>
    </template>
  </PaperDialog>
</template>
