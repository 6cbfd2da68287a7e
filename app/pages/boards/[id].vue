<script setup lang="ts">
import { navigateTo, onBeforeRouteLeave, useHead, useRoute } from '#imports'
import { useEventListener, useIntervalFn } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef, toRef, watch } from 'vue'
import type { SlicesView } from '../../../contract/boards.ts'
import { boardStates, type BoardState } from '../../../core/board/boardStates.ts'
import type { Slice } from '../../../core/board/slice.ts'
import type { CanvasBox } from '../../../core/composition/canvasBox.ts'
import { restingBox } from '../../../core/remarks/restingBox.ts'
import { isSeenPart } from '../../../core/score/resolved.ts'
import { isBounded } from '../../../core/score/shownKinds.ts'
import { request, wordsOf } from '../../api/request.ts'
import BoardSide from '../../components/boards/BoardSide.vue'
import { stateWords } from '../../components/boards/stateWords.ts'
import StateStrip from '../../components/boards/StateStrip.vue'
import PaneEdge from '../../components/frame/PaneEdge.vue'
import PartInspector from '../../components/inspector/PartInspector.vue'
import RoomDialogs from '../../components/publish/RoomDialogs.vue'
import RoomBar from '../../components/roll/RoomBar.vue'
import { faultWords } from '../../components/stage/faultWords.ts'
import PartTools from '../../components/stage/PartTools.vue'
import StageView from '../../components/stage/StageView.vue'
import { useRoomCommands } from '../../components/stage/useRoomCommands.ts'
import {
  boardStandsMs,
  playedMs,
  redrawOn,
  restOf,
  useBoardPlay,
  useBoardScore,
} from '../../composables/useBoardScore.ts'
import { useOwnScene } from '../../composables/useOwnScene.ts'
import { useRemarks } from '../../composables/useRemarks.ts'
import { useShownDress } from '../../composables/useShownLook.ts'
import { useStage } from '../../composables/useStage.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useMediaStore } from '../../stores/media.ts'
import { usePanesStore } from '../../stores/panes.ts'
import { useRoomViewStore } from '../../stores/roomView.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import { useSessionStore } from '../../stores/session.ts'
import { useToolNamesStore } from '../../stores/toolNames.ts'

const route = useRoute()
const boardId = String(route.params.id)
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
const areKeysShown = ref(false)
const host = shallowRef<HTMLElement>()
useHead({ title: () => `${draft.view?.name ?? 'Board'} · Thundercrest` })

const state = ref<BoardState>('usual')
const isReal = ref(false)
const real = shallowRef<ReadonlyMap<string, Slice> | null>(null)
const { score, wants, fault } = useBoardScore(
  toRef(() => draft.document),
  useShownDress(),
)
const { board, told } = useBoardPlay(wants, state, real)
const restMs = computed(() => restOf(state.value))
const stage = useStage(host, score, {
  isHeard: ref(false),
  restingMs: () => restMs.value,
  board,
  untilMs: computed(() => boardStandsMs + playedMs[state.value]),
})
redrawOn(told, () => (stage.isPlaying.value ? undefined : stage.seek(restMs.value)))
const ownScene = useOwnScene(
  boardId,
  toRef(() => draft.document?.canvas ?? null),
)
const remarks = useRemarks(
  stage.prepared,
  toRef(() => (ownScene.hasPixels.value && view.showsScene ? ownScene.coloursUnder : null)),
)
/** Where parts stand: something new goes beside them. */
const taken = computed<CanvasBox[]>(() => {
  const ready = stage.prepared.value
  if (!ready) return []
  return ready.score.parts.flatMap((part) =>
    isSeenPart(part) && isBounded(part) && part.kind !== 'backdrop'
      ? (restingBox(ready.score, ready.layouts, part) ?? [])
      : [],
  )
})

/** What is true is asked for while it is shown, and when the board wants to know something else. */
async function readReal(): Promise<void> {
  if (!isReal.value || wants.value.size === 0) return
  const asked = await request<SlicesView>('POST', `/api/boxes/${boardId}/slices`, { wants: [...wants.value.values()] })
  if (isReal.value) real.value = new Map(asked.slices.map(({ key, slice }) => [key, slice]))
}
const keepReading = useIntervalFn(() => void readReal().catch(() => undefined), 2000, { immediate: false })
watch([isReal, wants], async ([is]) => {
  if (!is) {
    keepReading.pause()
    real.value = null
    return
  }
  keepReading.resume()
  await readReal().catch((error: unknown) => (refusal.value = wordsOf(error)))
})
function play(): void {
  isReal.value = false
  real.value = null
  void stage.play(boardStandsMs)
}

const columns = computed(() =>
  view.isAlone
    ? 'minmax(0, 1fr)'
    : `${toolNames.areShown ? '8.25rem' : '5.25rem'} minmax(0, 1fr) 11.5rem ${panes.inspector.px}px`,
)

useRoomCommands({
  canEdit: () => session.canEdit,
  play: () => (stage.isPlaying.value ? stage.stop() : play()),
  seek: () => undefined,
  tMs: () => stage.tMs.value,
  lengthMs: () => restMs.value,
  clips: () => null,
  showKeys: () => (areKeysShown.value = true),
  publish: () => (isPublishOpen.value = true),
  toggleSound: () => undefined,
})
useEventListener(window, 'pagehide', () => void draft.save(true))
useEventListener(window, 'visibilitychange', draft.keep)
onBeforeRouteLeave(() => draft.save())

onMounted(async () => {
  try {
    view.reset()
    room.alertId = null
    room.select(null)
    await Promise.all([media.ensureLoaded(), draft.open(boardId)])
    if (draft.document && !draft.document.stays) return void navigateTo(`/boxes/${boardId}`, { replace: true })
    if (boardStates.some((each) => each === route.query.state)) state.value = route.query.state as BoardState
    if (room.partIds.length === 0) room.select(room.parts.find((part) => part.kind === 'bar')?.id ?? null)
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
    :class="view.isAlone ? 'grid-rows-[minmax(0,1fr)]' : 'grid-rows-[auto_minmax(0,1fr)_auto]'"
  >
    <RoomBar
      v-show="!view.isAlone"
      :can-edit="session.canEdit"
      @publish="isPublishOpen = true"
      @source="isSourceOpen = true"
    />
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
        />
      </div>
      <BoardSide
        v-show="!view.isAlone"
        v-model:is-real="isReal"
        :state-name="stateWords[state].name"
        :is-playing="stage.isPlaying.value"
        :remarks="remarks"
        @play="play"
        @stop="stage.stop()"
      />
      <div v-show="!view.isAlone" class="relative grid min-h-0">
        <PartInspector :can-edit="session.canEdit" :remarks="remarks" :start-ms="0" :t-ms="stage.tMs.value" />
        <PaneEdge name="Width of the inspector" side="left" :size="panes.inspector" @change="panes.setInspector" />
      </div>
    </div>
    <StateStrip v-if="draft.document" v-show="!view.isAlone" v-model="state" :document="draft.document" @play="play" />
    <RoomDialogs
      v-model:publish="isPublishOpen"
      v-model:source="isSourceOpen"
      v-model:keys="areKeysShown"
      :box-id="boardId"
    />
  </main>
</template>
