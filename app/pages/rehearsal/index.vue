<script setup lang="ts">
import { useHead, useRoute } from '#imports'
import { watchDebounced } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { toast } from 'vue-sonner'
import type { BroadcastsView, BroadcastView } from '../../../contract/broadcasts.ts'
import type { NightChannel } from '../../../contract/nights.ts'
import { caseNames } from '../../../core/edit/differences/describeDifferences.ts'
import { takePolicy } from '../../../core/edit/policyEdits.ts'
import { isSame } from '../../../core/isSame.ts'
import { withChanges, type AdviceStep } from '../../../core/rehearsal/advise.ts'
import { request, wordsOf } from '../../api/request.ts'
import BoxChoice from '../../components/frame/BoxChoice.vue'
import ConflictDialog from '../../components/publish/ConflictDialog.vue'
import AdvicePaper from '../../components/rehearsal/AdvicePaper.vue'
import BoxesPaper from '../../components/rehearsal/BoxesPaper.vue'
import CalledPaper from '../../components/rehearsal/CalledPaper.vue'
import EventLook from '../../components/rehearsal/EventLook.vue'
import NightCharts from '../../components/rehearsal/NightCharts.vue'
import NightDialog, { type ChosenNight } from '../../components/rehearsal/NightDialog.vue'
import NightPlayer from '../../components/rehearsal/NightPlayer.vue'
import TwoPolicies from '../../components/rehearsal/TwoPolicies.vue'
import { useChosenNight } from '../../components/rehearsal/useChosenNight.ts'
import { useNightNames } from '../../components/rehearsal/useNightNames.ts'
import { usePlaying } from '../../components/rehearsal/usePlaying.ts'
import { useRehearsal } from '../../components/rehearsal/useRehearsal.ts'
import { usualRate } from '../../components/rehearsal/useNightPlayer.ts'
import { useSides } from '../../components/rehearsal/useSides.ts'
import { useBoxOfAddress } from '../../composables/useBoxOfAddress.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { useLastRehearsal } from '../../composables/useLastRehearsal.ts'
import { counted } from '../../format/counted.ts'
import { useUndoNotice } from '../../composables/useUndoNotice.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useMediaStore } from '../../stores/media.ts'
import { useSessionStore } from '../../stores/session.ts'

useHead({ title: 'Rehearsal · Thundercrest' })
const boxes = useBoxesStore()
const draft = useDraftStore()
const media = useMediaStore()
const session = useSessionStore()
const channel = useChannel()
const rehearsal = useRehearsal()
const { night, compared, advice, looked, programme, progress } = rehearsal
const route = useRoute()

const isChoosing = ref(false)
const broadcasts = ref<readonly BroadcastView[]>([])
const known = shallowRef<NightChannel | null>(null)
const { chosen, title, choiceOf } = useChosenNight()
const targetS = ref(30)
const isGivenUp = ref(false)

const { box, refusal } = useBoxOfAddress()
const document = computed(() => (draft.view?.id === box.value?.id ? draft.document : null))
const air = computed(() => draft.view?.airDocument ?? null)
const clock = computed(() => {
  const format = new Intl.DateTimeFormat('en-GB', { timeZone: channel.value.timeZone, timeStyle: 'short' })
  return (atMs: number) => format.format(atMs)
})

const isAll = computed(() => route.query.box === 'all' && (boxes.boxes?.length ?? 0) > 1)
const sides = useSides(
  computed(() => box.value?.id ?? null),
  isAll,
  known,
)
const { beside, sideA, sideB, hasAir, share } = sides
const startPoints = ref(1_000)
const nameOfA = computed(() => ({ air: 'on air', usual: 'as a new box', none: 'one by one' })[beside.value])
const number = (value: number) => new Intl.NumberFormat(channel.value.locale).format(value)
const facts = computed(() => {
  if (!night.value) return ''
  const { count, fromMs, untilMs, repeated, tests } = night.value
  if (count === 0) return 'Nothing happened in it.'
  const took = compared.value ? `run in ${(compared.value.tookMs / 1000).toFixed(2)} s` : ''
  return [
    `${number(count)} events from ${clock.value(fromMs)} to ${clock.value(untilMs)}`,
    repeated > 0 ? `${number(repeated)} told twice` : '',
    tests > 0 ? `${counted(tests, 'test')} left out` : '',
    isAll.value ? 'all boxes' : (box.value?.name ?? ''),
    took,
  ]
    .filter(Boolean)
    .join(' · ')
})

async function take(of: ChosenNight): Promise<void> {
  if (!known.value) return
  refusal.value = ''
  chosen.value = of
  isGivenUp.value = false
  try {
    rehearsal.take(await choiceOf(of), known.value)
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
/** More than so many are not tried again and again without being asked. */
const manyEvents = 5_000
function compare(): void {
  if (!sideA.value || !sideB.value) return
  isGivenUp.value = false
  rehearsal.compare(sideA.value, sideB.value, { studio: sides.studio.value, startPoints: startPoints.value })
}
function seekAdvice(): void {
  if (box.value) rehearsal.adviseWithin(box.value.id, targetS.value * 1000)
}
watch(night, (taken) => taken && taken.count > 0 && compare())
watchDebounced([sideA, sideB, startPoints], () => compare(), { debounce: 250 })
const last = useLastRehearsal()
watch(compared, (came) => {
  if (came) last.value = { worstMs: came.b.all.worstMs }
  // What is looked at has become of under these policies.
  if (came && looked.value) rehearsal.look(looked.value.at)
})
watch([compared, targetS], () => {
  const isLate = (compared.value?.b.all.p95Ms ?? 0) > targetS.value * 1000
  if (isLate && !isAll.value && (night.value?.count ?? 0) <= manyEvents) seekAdvice()
})
watch(
  () => [document.value?.policy, air.value?.policy] as const,
  ([own, onAir], before) => {
    // Only where a box is opened: what was chosen stays.
    if (before?.[0] === undefined && own) beside.value = onAir && !isSame(own, onAir) ? 'air' : 'none'
  },
)
const { playFromMs, playedMs, fromWordsMs, playFrom, closePlayer } = usePlaying(rehearsal)
const player = useTemplateRef('player')
/** Where the charts are pressed: what came then, and where it is played, from there on. */
function lookNear(atMs: number): void {
  if (playFromMs.value !== null) player.value?.jump(atMs)
  rehearsal.lookNear(atMs)
}
const { sourceOf, boxNames, triggerNames, asksPoints } = useNightNames(known)
const lookedBox = computed(() => sides.known.value.find(({ boxId }) => boxId === looked.value?.boxId))
function cancel(): void {
  isGivenUp.value = rehearsal.cancel()
}

const notice = useUndoNotice()
function makeDraft(steps: readonly AdviceStep[]): void {
  const policy = document.value?.policy
  if (!policy) return
  const changed = draft.edit(
    takePolicy(
      withChanges(
        policy,
        steps.map(({ change }) => change),
      ),
    ),
  )
  // Beside what it was before.
  if (changed && air.value) beside.value = 'air'
  if (changed) notice('It is the draft now. On air it changes with “Put on air”, under Policy.')
  else toast.error('The draft could not be changed.')
}

onMounted(async () => {
  try {
    const [, , list, told] = await Promise.all([
      media.ensureLoaded(),
      boxes.load(),
      request<BroadcastsView>('GET', '/api/broadcasts'),
      request<NightChannel>('GET', '/api/nights/channel'),
    ])
    broadcasts.value = list.broadcasts
    known.value = told
    await sides.load()
    await take(chosen.value)
  } catch (error) {
    refusal.value = wordsOf(error)
  }
})
</script>

<template>
  <main class="flex h-full min-h-0 flex-col">
    <BoxChoice :box-id="isAll ? 'all' : (box?.id ?? null)" path="/rehearsal" with-all />
    <div
      v-if="box"
      class="grid min-h-0 flex-1 grid-cols-1 overflow-y-auto lg:grid-cols-[minmax(0,1fr)_27rem] lg:overflow-hidden"
    >
      <section class="flex min-h-0 flex-col px-6 py-4 lg:overflow-y-auto" aria-labelledby="night">
        <div class="flex flex-wrap items-start justify-between gap-x-6 gap-y-2">
          <div class="min-w-0">
            <h1 id="night" class="font-display text-2xl font-semibold">{{ title }}</h1>
            <p v-if="progress" class="flex items-center gap-3 text-mist" role="status">
              <progress class="h-1.5 w-40 accent-glow" :value="progress.share" max="1" :aria-label="progress.words" />
              {{ progress.words }}
              <button type="button" class="link hover:text-snow" @click="cancel">Give it up</button>
            </p>
            <p v-else-if="isGivenUp" class="text-mist" role="status">
              It was given up.
              <button type="button" class="link hover:text-snow" @click="compare">Rehearse it again</button>
            </p>
            <p v-else class="text-mist" role="status">{{ facts }}</p>
          </div>
          <div class="flex gap-2">
            <button type="button" class="button" :disabled="!known" @click="isChoosing = true">Another night</button>
            <button
              v-if="compared && night && night.count > 0 && playFromMs === null"
              id="play-night"
              type="button"
              class="button button-bolt"
              @click="playFrom"
            >
              Play from {{ clock(fromWordsMs) }}, ×{{ usualRate }}
            </button>
          </div>
        </div>
        <p v-if="refusal || rehearsal.refusal.value" role="alert" class="mt-2 text-wrong">
          {{ refusal || rehearsal.refusal.value }}
        </p>
        <NightPlayer
          v-if="programme && playFromMs !== null"
          ref="player"
          :programme="programme"
          :boxes="sides.rehearsed.value"
          :studio="sides.studio.value"
          :source-of="sourceOf"
          :came="rehearsal.came.value"
          :clock="clock"
          :start-ms="playFromMs"
          :score-of="rehearsal.scoreOf"
          @came="rehearsal.askCame"
          @moment="playedMs = $event"
          @close="closePlayer"
        />
        <NightCharts
          v-if="compared && night && night.count > 0"
          class="mt-4"
          :a="compared.a"
          :b="compared.b"
          :name-of-a="nameOfA"
          :share="share"
          :clock="clock"
          :played-ms="playedMs"
          @look="lookNear"
        />
        <p v-else-if="night?.count === 0" class="max-w-prose text-mist">
          There is nothing to rehearse in this night. Choose another, or make one: under <b>Another night</b>.
        </p>
      </section>
      <aside
        class="on-paper relative min-h-0 border-l border-seam px-5 py-5 lg:overflow-y-auto"
        aria-label="What it comes to"
      >
        <EventLook
          v-if="looked && lookedBox && night"
          :looked="looked"
          :canvas="lookedBox.draft.canvas"
          :box-name="isAll ? lookedBox.name : undefined"
          :triggers="triggerNames"
          :clock="clock"
          :count="night.count"
          @go="rehearsal.look"
          @close="rehearsal.looked.value = null"
        />
        <template v-if="compared && document">
          <TwoPolicies
            v-model:beside="beside"
            :a="compared.a"
            :b="compared.b"
            :viewers="compared.viewers"
            :viewer-count="compared.viewerCount"
            :has-air="hasAir"
            :clock="clock"
            @look="rehearsal.look"
          />
          <BoxesPaper v-if="isAll" class="mt-6" :a="compared.a" :b="compared.b" :names="boxNames" />
          <AdvicePaper
            v-else
            v-model:target-s="targetS"
            class="mt-6"
            :advice="advice?.advice ?? null"
            :p95-ms="compared.b.all.p95Ms"
            :is-busy="progress !== null"
            :can-edit="session.canEdit"
            :names="{ ...channel, cases: caseNames(document) }"
            @take="makeDraft"
            @look="seekAdvice"
          />
          <CalledPaper
            v-if="compared.b.triggers.length > 0"
            v-model:start-points="startPoints"
            class="mt-6"
            :triggers="compared.b.triggers"
            :names="triggerNames"
            :points="known?.calls.points.name ?? { one: 'point', many: 'points' }"
            :clock="clock"
            :asks-points="asksPoints"
          />
        </template>
        <p v-else class="text-faded">
          A night is played through the box as it would be on air, in a moment and without a source: how long people
          wait, what is shared, what is let go.
        </p>
      </aside>
    </div>
    <p v-else-if="boxes.boxes?.length === 0" class="p-8 text-mist">
      A rehearsal needs a box. Make one first, under <b>Boxes</b>.
    </p>
    <p v-else-if="refusal" role="alert" class="p-8 text-wrong">{{ refusal }}</p>
    <p v-else class="p-8 text-mist">Loading…</p>
    <NightDialog v-model:open="isChoosing" :broadcasts="broadcasts" @choose="take" />
    <ConflictDialog />
  </main>
</template>
