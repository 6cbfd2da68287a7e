<script setup lang="ts">
import { useHead } from '#imports'
import { computed, onMounted, ref, watch } from 'vue'
import { toast } from 'vue-sonner'
import { boardStates } from '../../../core/board/boardStates.ts'
import { applyRemedy } from '../../../core/edit/applyRemedy.ts'
import { proofSamples } from '../../../core/proof/proofCases.ts'
import type { Remark } from '../../../core/remarks/remark.ts'
import type { RemarkType } from '../../../core/remarks/remarkTypes.ts'
import { wordsOf } from '../../api/request.ts'
import BoxChoice from '../../components/frame/BoxChoice.vue'
import ProofCaseRow from '../../components/proofs/ProofCaseRow.vue'
import ProofFilter from '../../components/proofs/ProofFilter.vue'
import { proofGrounds } from '../../components/proofs/grounds.ts'
import { isWrong, proofRows, type ProofView } from '../../components/proofs/proofRows.ts'
import { namedCases, sheetOf, shownWords } from '../../components/proofs/sheetOf.ts'
import ConflictDialog from '../../components/publish/ConflictDialog.vue'
import { useBoxOfAddress } from '../../composables/useBoxOfAddress.ts'
import { useUndoNotice } from '../../composables/useUndoNotice.ts'
import { saveFile } from '../../format/saveFile.ts'
import { proofFiles } from '../../proof/proofFiles.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useMediaStore } from '../../stores/media.ts'
import { useProofsStore } from '../../stores/proofs.ts'
import { useSessionStore } from '../../stores/session.ts'

useHead({ title: 'Proof sheet · Thundercrest' })
const boxes = useBoxesStore()
const draft = useDraftStore()
const media = useMediaStore()
const session = useSessionStore()
const proofs = useProofsStore()
const { box, refusal } = useBoxOfAddress({ withBoards: true })

const view = ref<ProofView>('wrong')
const type = ref<RemarkType | null>(null)
const ground = ref<string>(proofGrounds.dark)
const isSaving = ref('')

const document = computed(() => (draft.view?.id === box.value?.id ? draft.document : null))
const isOwn = computed(() => proofs.boxId === box.value?.id)
watch(
  () => box.value?.id,
  (id) => {
    if (id !== undefined) proofs.want(id)
    type.value = null
  },
  { immediate: true },
)

const named = computed(() => (document.value ? namedCases(document.value, box.value?.name ?? '') : []))
const drawn = computed(() =>
  isOwn.value
    ? named.value.flatMap(({ key }) => {
        const pictures = proofs.drawn.get(key)?.made
        return pictures ? [{ key, pictures }] : []
      })
    : [],
)
const pictures = computed(() => drawn.value.flatMap((each) => each.pictures))
const rows = computed(() =>
  proofRows(drawn.value, view.value, type.value).flatMap((row) => {
    const names = named.value.find(({ key }) => key === row.key)
    return names ? [{ ...names, row }] : []
  }),
)
// A first look is at what is to be mended; where nothing is, at all of it.
const hasChosen = ref(false)
watch(
  () => [proofs.isRunning, pictures.value.length] as const,
  ([isRunning, count]) => {
    if (!isRunning && count > 0 && !hasChosen.value && !pictures.value.some(isWrong)) view.value = 'all'
  },
)
function choose(next: ProofView): void {
  hasChosen.value = true
  view.value = next
}

const wordsOfSample = (shownWith: string) => (document.value ? shownWords(document.value, shownWith) : '')
const picturesInAll = computed(
  () => named.value.length * (document.value?.stays ? boardStates.length : proofSamples.length),
)
const facts = computed(() => {
  const wrong = pictures.value.filter(isWrong).length
  const of = `${pictures.value.length.toLocaleString('en')} pictures`
  const took = proofs.tookMs === null ? '' : ` · drawn in ${Math.max(1, Math.round(proofs.tookMs / 1000))} s`
  return `${wrong === 0 ? `${of}, nothing to mend` : `${wrong.toLocaleString('en')} of ${of} have something to mend`}${took}`
})
const share = computed(() => proofs.progress.done / Math.max(1, proofs.progress.all))

const notice = useUndoNotice()
function mend(key: string, { remedy }: Remark): void {
  const of = named.value.find((each) => each.key === key)
  if (!of?.alert || !remedy) return
  if (draft.edit(applyRemedy({ alertId: of.alert.id, variationId: of.variationId }, remedy)))
    notice(`${remedy.label}: it is in the draft.`)
  else toast.error('The draft could not be changed.')
}

async function save(as: 'html' | 'png'): Promise<void> {
  if (!document.value) return
  isSaving.value = as
  try {
    const sheet = sheetOf(document.value, box.value?.name ?? '', proofs.drawn, ground.value)
    const { file, name } = await proofFiles[as]({ ...sheet, print: proofs.print })
    saveFile(file, name)
  } catch {
    toast.error('The sheet could not be saved. Try it once more.')
  }
  isSaving.value = ''
}

onMounted(async () => {
  try {
    await Promise.all([media.ensureLoaded(), boxes.load()])
  } catch (error) {
    refusal.value = wordsOf(error)
  }
})
</script>

<template>
  <main class="flex h-full min-h-0 flex-col">
    <BoxChoice :box-id="box?.id ?? null" path="/rehearsal/proofs" with-boards />
    <div v-if="box" class="on-paper grid min-h-0 flex-1 grid-cols-1 lg:grid-cols-[15rem_minmax(0,1fr)]">
      <ProofFilter
        :view="view"
        :pictures="pictures"
        :type="type"
        :ground="ground"
        class="border-r border-rule px-5 py-5 lg:overflow-y-auto"
        @view="choose"
        @type="type = $event"
        @ground="ground = $event"
      />
      <section class="min-h-0 px-6 py-5 lg:overflow-y-auto" aria-labelledby="proofs">
        <div class="mb-3 flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
          <div class="min-w-0">
            <h1 id="proofs" class="font-display text-2xl font-semibold">Proof sheet</h1>
            <p v-if="proofs.refusal || refusal" role="alert" class="text-brick">{{ proofs.refusal || refusal }}</p>
            <p v-else-if="proofs.isRunning && isOwn" class="flex items-center gap-3 text-faded" role="status">
              <progress class="h-1.5 w-40 accent-moss" :value="share" max="1" aria-label="How far it is" />
              {{ pictures.length }} of {{ picturesInAll }} pictures drawn{{
                pictures.length >= picturesInAll ? ', looking for flashes' : ''
              }}; go on with something else meanwhile
            </p>
            <p v-else class="text-faded" role="status">{{ pictures.length > 0 ? facts : 'Getting ready…' }}</p>
          </div>
          <div class="flex flex-wrap gap-2">
            <button
              type="button"
              class="button"
              :disabled="pictures.length === 0 || isSaving !== ''"
              @click="save('html')"
            >
              {{ isSaving === 'html' ? 'Saving…' : 'Save as a page' }}
            </button>
            <button
              type="button"
              class="button"
              :disabled="pictures.length === 0 || isSaving !== ''"
              @click="save('png')"
            >
              {{ isSaving === 'png' ? 'Saving…' : 'Save as pictures' }}
            </button>
          </div>
        </div>
        <ProofCaseRow
          v-for="each in rows"
          :key="each.key"
          :row="each.row"
          :kind="each.kind"
          :alert-name="each.alertName"
          :case-name="each.caseName"
          :words-of="wordsOfSample"
          :address-of="
            (shownWith) =>
              document?.stays
                ? `/boards/${box?.id}?state=${shownWith}`
                : `/boxes/${box?.id}?alert=${each.alert?.id}&case=${each.variationId}&with=${shownWith}`
          "
          :ground="ground"
          :can-edit="session.canEdit"
          @remedy="mend(each.key, $event)"
        />
        <p v-if="rows.length === 0 && pictures.length > 0" class="max-w-prose text-faded">
          <template v-if="view === 'changed'">Nothing looks otherwise than on air.</template>
          <template v-else-if="proofs.isRunning">Nothing to mend so far.</template>
          <template v-else>Nothing to mend: all of it can be read, nothing is cut, nothing flashes.</template>
        </p>
        <p v-else-if="document && named.length === 0" class="max-w-prose text-faded">
          This box has no alerts yet. Make one on its page: here you see then how it looks with long names, emoji, large
          sums, and what is to be mended before viewers see it.
        </p>
      </section>
    </div>
    <p v-else-if="boxes.boxes?.length === 0" class="p-8 text-mist">
      A proof sheet needs a box. Make one first, under <b>Boxes</b>.
    </p>
    <p v-else-if="refusal" role="alert" class="p-8 text-wrong">{{ refusal }}</p>
    <p v-else class="p-8 text-mist">Loading…</p>
    <ConflictDialog />
  </main>
</template>
