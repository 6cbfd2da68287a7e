<script setup lang="ts">
import { onBeforeRouteLeave, useHead, useRoute } from '#imports'
import { useEventListener } from '@vueuse/core'
import { computed, onMounted, ref, shallowRef, toRef } from 'vue'
import { restingMs } from '../../../core/score/restingMs.ts'
import { scoreRows } from '../../../core/score/rows.ts'
import { solveComposition } from '../../../core/score/solveComposition.ts'
import { wordsOf } from '../../api/request.ts'
import PartInspector from '../../components/inspector/PartInspector.vue'
import PublishDialog from '../../components/publish/PublishDialog.vue'
import CasePaper from '../../components/roll/CasePaper.vue'
import RoomBar from '../../components/roll/RoomBar.vue'
import ScoreLanes from '../../components/score/ScoreLanes.vue'
import SourceDialog from '../../components/source/SourceDialog.vue'
import PartTools from '../../components/stage/PartTools.vue'
import StageSide from '../../components/stage/StageSide.vue'
import StageView from '../../components/stage/StageView.vue'
import { faultWords } from '../../components/stage/faultWords.ts'
import { useRoomKeys } from '../../components/stage/useRoomKeys.ts'
import { useSampleScore } from '../../composables/useSampleScore.ts'
import { useStage } from '../../composables/useStage.ts'
import { useDraftStore } from '../../stores/draft.ts'
import { useMediaStore } from '../../stores/media.ts'
import { useScoreRoomStore } from '../../stores/scoreRoom.ts'
import { useSessionStore } from '../../stores/session.ts'

const boxId = String(useRoute().params.id)
const draft = useDraftStore()
const room = useScoreRoomStore()
const media = useMediaStore()
const session = useSessionStore()
const refusal = ref('')
const isPublishOpen = ref(false)
const isSourceOpen = ref(false)
const isHeard = ref(true)
const host = shallowRef<HTMLElement>()
useHead({ title: () => `${draft.view?.name ?? 'Box'} · Thundercrest` })

const document = toRef(() => draft.document)
const alert = toRef(() => room.alert)
const { score, fault } = useSampleScore(document, alert, toRef(() => room.variation?.id ?? null), toRef(() => room.viewer))
const stage = useStage(host, score, { isHeard, restingMs })
const solved = computed(() => (room.variation ? solveComposition(room.variation.composition, media.facts) : null))
const rows = computed(() => (room.variation && solved.value?.ok ? scoreRows(room.variation.composition, solved.value.value.clips) : []))
const lengthMs = computed(() => score.value?.lengthMs ?? 0)

useRoomKeys({ play: () => (stage.isPlaying.value ? stage.stop() : void stage.play()), undo: draft.undo, redo: draft.redo })
useEventListener(window, 'pagehide', () => void draft.save(true))
onBeforeRouteLeave(() => draft.save())

onMounted(async () => {
  try {
    await Promise.all([media.ensureLoaded(), draft.open(boxId)])
    room.alertId = null
    room.partId = room.variation?.composition.parts.find((part) => part.kind === 'line')?.id ?? null
  } catch (error) {
    refusal.value = wordsOf(error)
  }
})
</script>

<template>
  <main v-if="refusal" class="p-8"><p role="alert" class="text-wrong">{{ refusal }}</p></main>
  <main v-else class="grid h-full grid-rows-[auto_auto_minmax(0,1fr)_minmax(0,auto)]">
    <RoomBar :can-edit="session.canEdit" @publish="isPublishOpen = true" @source="isSourceOpen = true" />
    <CasePaper :can-edit="session.canEdit" />
    <div class="grid min-h-0 grid-cols-[3.75rem_minmax(0,1fr)_13rem_19rem]">
      <div class="py-3 pl-3"><PartTools v-if="session.canEdit && draft.document" :canvas="draft.document.canvas" /></div>
      <div class="grid min-h-0 p-3">
        <StageView v-if="draft.document" :canvas="draft.document.canvas" :scene="stage.scene.value" :is-playing="stage.isPlaying.value" :is-loading="stage.isLoading.value" :can-edit="session.canEdit" :fault="fault ? faultWords(fault) : null" @host="host = $event" @step="(frames) => stage.seek(stage.tMs.value + (frames * 1000) / (draft.document?.canvas.framesPerSecond ?? 60))" />
      </div>
      <StageSide :t-ms="stage.tMs.value" :length-ms="lengthMs" :is-playing="stage.isPlaying.value" :is-heard="isHeard" @play="stage.play()" @stop="stage.stop()" @sound="isHeard = !isHeard" />
      <PartInspector :can-edit="session.canEdit" />
    </div>
    <ScoreLanes class="max-h-60" :rows="rows" :length-ms="lengthMs" :t-ms="stage.tMs.value" :selected-id="room.partId" @seek="stage.seek" @select="room.partId = $event" />
    <PublishDialog v-model:open="isPublishOpen" />
    <SourceDialog v-if="draft.document" v-model:open="isSourceOpen" :box-id="boxId" :canvas="draft.document.canvas" />
  </main>
</template>
