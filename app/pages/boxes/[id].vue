<script setup lang="ts">
import { navigateTo, onBeforeRouteLeave, useHead, useRoute } from '#imports'
import { useEventListener } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, shallowRef, toRef, watchEffect } from 'vue'
import type { SampleName } from '../../../core/events/sampleEvent.ts'
import { proofSamples } from '../../../core/proof/proofCases.ts'
import { mainKind } from '../../../core/composition/box.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { restingMs } from '../../../core/score/restingMs.ts'
import type { CanvasBox } from '../../../core/composition/canvasBox.ts'
import { restingBox } from '../../../core/remarks/restingBox.ts'
import { isSeenPart } from '../../../core/score/resolved.ts'
import { isBounded } from '../../../core/score/shownKinds.ts'
import { scoreRows } from '../../../core/score/rows.ts'
import { wordsOf } from '../../api/request.ts'
import FilmDialog from '../../components/film/FilmDialog.vue'
import PaneEdge from '../../components/frame/PaneEdge.vue'
import PartInspector from '../../components/inspector/PartInspector.vue'
import RoomDialogs from '../../components/publish/RoomDialogs.vue'
import CasePaper from '../../components/roll/CasePaper.vue'
import RoomBar from '../../components/roll/RoomBar.vue'
import ScoreLanes from '../../components/score/ScoreLanes.vue'
import PartTools from '../../components/stage/PartTools.vue'
import StageSide from '../../components/stage/StageSide.vue'
import StageView from '../../components/stage/StageView.vue'
import { faultWords } from '../../components/stage/faultWords.ts'
import { useRoomCommands } from '../../components/stage/useRoomCommands.ts'
import { useOwnScene } from '../../composables/useOwnScene.ts'
import { useRemarks } from '../../composables/useRemarks.ts'
import { useRoomSound } from '../../composables/useRoomSound.ts'
import { useSampleScore } from '../../composables/useSampleScore.ts'
import { useShownDress } from '../../composables/useShownLook.ts'
import { useStage } from '../../composables/useStage.ts'
import { useMomentPicture } from '../../film/useMomentPicture.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useMediaStore } from '../../stores/media.ts'
import { usePanesStore } from '../../stores/panes.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import { useToolNamesStore } from '../../stores/toolNames.ts'
import { useSessionStore } from '../../stores/session.ts'

const route = useRoute()
const boxId = String(route.params.id)
const draft = useDraftStore()
const room = useScoreRoomStore()
const view = useRoomViewStore()
const media = useMediaStore()
const session = useSessionStore()
const toolNames = useToolNamesStore()
const panes = usePanesStore()
const refusal = ref('')
const isPublishOpen = ref(false)
const isSourceOpen = ref(false)
const isFilmOpen = ref(false)
const areKeysShown = ref(false)
const host = shallowRef<HTMLElement>()
useHead({ title: () => `${draft.view?.name ?? 'Box'} · Thundercrest` })

const dress = useShownDress()
const document = toRef(() => draft.document)
const alert = toRef(() => room.alert)
const { event, locale, score, fault, voices, spoken, settle, worn } = useSampleScore(
  document,
  alert,
  toRef(() => room.variation?.id ?? null),
  toRef(() => room.sample),
  dress,
  true,
)
watchEffect(() => (view.shownWith = event.value && { event: event.value, locale: locale.value }))
watchEffect(() => (view.voices = { sayings: voices.value, spoken: spoken.value }))
const { isHeard, hearsSource } = useRoomSound(boxId)
const stage = useStage(host, score, { isHeard, restingMs, loop: toRef(view, 'loop') })
const ownScene = useOwnScene(
  boxId,
  toRef(() => draft.document?.canvas ?? null),
)
const remarks = useRemarks(
  stage.prepared,
  toRef(() => (ownScene.hasPixels.value && view.showsScene ? ownScene.coloursUnder : null)),
)
const rows = computed(() =>
  worn.value && score.value ? scoreRows(worn.value, score.value.clips, score.value.lengthMs, media.facts) : [],
)
/** Where words, pictures and forms stand while they stay: something new goes beside them. */
const taken = computed<CanvasBox[]>(() => {
  const ready = stage.prepared.value
  if (!ready) return []
  return ready.score.parts.flatMap((part) => {
    if (!isSeenPart(part) || !isBounded(part) || part.kind === 'backdrop') return []
    return restingBox(ready.score, ready.layouts, part) ?? []
  })
})
const lengthMs = computed(() => score.value?.lengthMs ?? 0)
const framesPerSecond = computed(() => draft.document?.canvas.framesPerSecond ?? 60)

/** What files of the open case are named after. */
const called = computed(() =>
  [
    draft.view?.name ?? '',
    room.alert ? kindNames[mainKind(room.alert)] : '',
    (room.alert?.variations.length ?? 0) > 1 ? (room.variation?.name ?? '') : '',
  ]
    .filter(Boolean)
    .join(' · '),
)
const moment = useMomentPicture(score, stage.tMs, called)
const columns = computed(() =>
  view.isAlone
    ? 'minmax(0, 1fr)'
    : `${toolNames.areShown ? '8.25rem' : '5.25rem'} minmax(0, 1fr) 13.5rem ${panes.inspector.px}px`,
)

useRoomCommands({
  canEdit: () => session.canEdit,
  play: () => (stage.isPlaying.value ? stage.stop() : void stage.play()),
  seek: stage.seek,
  tMs: () => stage.tMs.value,
  lengthMs: () => lengthMs.value,
  clips: () => score.value?.clips ?? null,
  showKeys: () => (areKeysShown.value = true),
  publish: () => (isPublishOpen.value = true),
  toggleSound: () => (isHeard.value = !isHeard.value),
  savePicture: () => void moment.save(),
  saveFilm: () => (isFilmOpen.value = true),
})
useEventListener(window, 'pagehide', () => void draft.save(true))
useEventListener(window, 'visibilitychange', draft.keep)
onBeforeRouteLeave(() => draft.save())

/** An address may name the case and the sample too, as pictures of a proof sheet do. */
function openCase(): void {
  const { alert: alertId, case: variationId, with: viewer } = route.query
  const named = draft.document?.alerts.find(({ id }) => id === alertId)
  if (!named) return
  room.alertId = named.id
  if (proofSamples.some((each) => each === viewer)) room.viewer = viewer as SampleName
  // Another alert begins with its first case; which one is wanted is said after that.
  void nextTick(() => (room.variationId = named.variations.find(({ id }) => id === variationId)?.id ?? null))
}

onMounted(async () => {
  try {
    view.reset()
    room.alertId = null
    room.select(null)
    await Promise.all([media.ensureLoaded(), draft.open(boxId)])
    if (draft.document?.stays) return void navigateTo(`/boards/${boxId}`, { replace: true })
    // An address may name the kind that it wants to see; what a quick hand chose meanwhile is left alone.
    room.alertId ??=
      draft.document?.alerts.find((each) => each.kinds.some((kind) => kind === route.query.kind))?.id ?? null
    openCase()
    if (room.partIds.length === 0) room.select(room.parts.find((part) => part.kind === 'line')?.id ?? null)
  } catch (error) {
    refusal.value = wordsOf(error)
  }
})
</script>

<template>
  <main v-if="refusal" class="p-8">
    <p role="alert" class="text-wrong">{{ refusal }}</p>
  </main>
  <main
    v-else
    class="grid h-full"
    :class="view.isAlone ? 'grid-rows-[minmax(0,1fr)]' : 'grid-rows-[auto_auto_minmax(0,1fr)_minmax(0,auto)]'"
  >
    <RoomBar
      v-show="!view.isAlone"
      :can-edit="session.canEdit"
      @publish="isPublishOpen = true"
      @source="isSourceOpen = true"
    />
    <CasePaper v-show="!view.isAlone" :can-edit="session.canEdit" :length-ms="lengthMs" />
    <div class="grid min-h-0" :style="{ gridTemplateColumns: columns }">
      <div v-show="!view.isAlone" class="min-h-0 py-3 pl-3">
        <PartTools
          v-if="session.canEdit && draft.document"
          :canvas="draft.document.canvas"
          :taken="taken"
          @scene="ownScene.choose"
        />
      </div>
      <div class="grid min-h-0 p-3">
        <StageView
          v-if="draft.document"
          :canvas="draft.document.canvas"
          :scene="stage.scene.value"
          :is-playing="stage.isPlaying.value"
          :is-loading="stage.isLoading.value"
          :can-edit="session.canEdit"
          :fault="fault ? faultWords(fault) : null"
          :scene-url="ownScene.url.value"
          :scene-is-moving="ownScene.isMoving.value"
          @host="host = $event"
          @step="(frames) => stage.seek(stage.tMs.value + (frames * 1000) / framesPerSecond)"
        />
      </div>
      <StageSide
        v-show="!view.isAlone"
        :t-ms="stage.tMs.value"
        :length-ms="lengthMs"
        :is-playing="stage.isPlaying.value"
        :is-heard="isHeard"
        :hears-source="hearsSource"
        :remarks="remarks"
        :is-saving-picture="moment.isSaving.value"
        @play="stage.play()"
        @stop="stage.stop()"
        @sound="isHeard = !isHeard"
        @picture="moment.save()"
        @film="isFilmOpen = true"
      />
      <div v-show="!view.isAlone" class="relative grid min-h-0">
        <PartInspector
          :can-edit="session.canEdit"
          :remarks="remarks"
          :start-ms="score?.clips[room.partId ?? '']?.startMs ?? 0"
          :t-ms="stage.tMs.value"
          @seek="stage.seek"
        />
        <PaneEdge name="Width of the inspector" side="left" :size="panes.inspector" @change="panes.setInspector" />
      </div>
    </div>
    <div
      v-show="!view.isAlone"
      class="relative grid min-h-0"
      :style="panes.isScoreFree ? { maxHeight: `${panes.score.px}px` } : { height: `${panes.score.px}px` }"
    >
      <ScoreLanes
        :rows="rows"
        :length-ms="lengthMs"
        :t-ms="stage.tMs.value"
        :frames-per-second="framesPerSecond"
        :remarks="remarks"
        :can-edit="session.canEdit"
        :settle="settle"
        @seek="stage.scrub"
      />
      <PaneEdge name="Height of the score" side="top" :size="panes.score" @change="panes.setScore" />
    </div>
    <RoomDialogs
      v-model:publish="isPublishOpen"
      v-model:source="isSourceOpen"
      v-model:keys="areKeysShown"
      :box-id="boxId"
    />
    <FilmDialog v-if="score" v-model:open="isFilmOpen" :score="score" :called="called" />
  </main>
</template>
