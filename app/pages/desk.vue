<script setup lang="ts">
import { useHead, useRoute } from '#imports'
import { useNow } from '@vueuse/core'
import { computed, onMounted } from 'vue'
import { toast } from 'vue-sonner'
import type { PlayView, SourceView } from '../../contract/views.ts'
import { request } from '../api/request.ts'
import BoxChoice from '../components/frame/BoxChoice.vue'
import CallsStrip from '../components/desk/CallsStrip.vue'
import LogColumn from '../components/desk/LogColumn.vue'
import OnAirColumn from '../components/desk/OnAirColumn.vue'
import SourceStrip from '../components/desk/SourceStrip.vue'
import WaitingColumn from '../components/desk/WaitingColumn.vue'
import { counted } from '../format/counted.ts'
import { lastShown } from '../components/desk/waitWords.ts'
import { useKeys } from '../composables/useKeys.ts'
import { useBoxesStore } from '../stores/boxes.ts'
import { tried } from '../composables/tried.ts'
import { useLiveStore } from '../stores/live.ts'
import { useSpeechStore } from '../stores/speech.ts'

useHead({ title: 'Desk · Thundercrest' })
const route = useRoute()
const boxes = useBoxesStore()
const live = useLiveStore()
const speech = useSpeechStore()
const clock = useNow({ interval: 500 })
const serverNow = () => Date.now() + live.serverAheadMs
const nowMs = computed(() => clock.value.getTime() + live.serverAheadMs)

const box = computed(() => boxes.boxes?.find((each) => each.id === route.query.box) ?? boxes.boxes?.[0] ?? null)
const desk = computed(() => (box.value ? live.deskOf(box.value.id) : null))

const path = (rest: string) => `/api/boxes/${box.value?.id}/${rest}`
const hold = () => desk.value && tried(request('PUT', path('held'), { isHeld: !desk.value.isHeld }))
const skip = (play: PlayView | null | undefined) =>
  play &&
  tried(request('DELETE', path(`plays/${play.id}`)), `Skipped ${play.name}. It stays in the log and can be replayed.`)
const replay = (play: PlayView | undefined) =>
  play && tried(request('POST', path(`plays/${play.id}/replay`)), `${play.name} plays again.`)
const read = (play: PlayView, isRead: boolean) =>
  tried(
    request('PUT', path(`plays/${play.id}/voice`), { isRead }),
    isRead ? `What ${play.name} wrote is read.` : `What ${play.name} wrote is not read.`,
  )
const next = (play: PlayView) => tried(request('POST', path(`plays/${play.id}/next`)), `${play.name} is next.`)
const show = (play: PlayView, isLet: boolean) =>
  tried(
    request('PUT', path(`plays/${play.id}/shown`), { isLet }),
    isLet ? `${play.name} is shown in its turn.` : `${play.name} is not shown. It stays in the log.`,
  )
const silence = () =>
  desk.value?.current && tried(request('PUT', path(`plays/${desk.value.current.id}/voice`), { isRead: false }))
/** Differs with whatever somebody may have done. */
const changed = computed(() => {
  const { isHeld = false, log = [], waitingCount = 0, current = null, cleared = null, sources = [] } = desk.value ?? {}
  const heard = sources.map(({ isHeard, isSilenced }) => `${isHeard}${isSilenced}`)
  return [isHeld, log[0]?.id, waitingCount, current?.id, current?.speech?.verdict, cleared?.untilMs, heard].join(' ')
})
/** Has no source of the box be heard; where none is, it is taken back. */
function mute(): void {
  const { sources = [] } = desk.value ?? {}
  if (sources.length === 0) return
  const isHeard = sources.every(({ isSilenced }) => isSilenced)
  void tried(request('PUT', path('sound'), { isHeard }))
}
const hear = (source: SourceView, isHeard: boolean) =>
  tried(request('PUT', path(`sources/${source.id}/sound`), { isHeard }))
/** Empties the screen and holds; where that is so already, it is taken back. */
function panic(): void {
  if (!desk.value) return
  const isOn = !desk.value.isHeld || desk.value.current !== null
  void tried(request('PUT', path('panic'), { isOn }))
}
const replayExpired = async () => {
  await tried(
    request<{ count: number }>('POST', path('replays')).then(({ count }) =>
      toast.success(
        count === 0 ? 'Nothing was let go within the last hour.' : `${counted(count, 'alert')} play again.`,
      ),
    ),
  )
}
const replayLast = () => replay(desk.value ? lastShown(desk.value) : undefined)

onMounted(() => void tried(boxes.load()))
const key = (run: () => unknown) => (event: KeyboardEvent) => {
  if (event.target instanceof HTMLElement && event.target.closest('input, textarea, [role=dialog], [role=menu]')) return
  run()
}
useKeys({
  h: key(hold),
  s: key(() => skip(desk.value?.current)),
  r: key(replayLast),
  v: key(silence),
  m: key(mute),
  p: key(panic),
})
</script>

<template>
  <main class="flex h-full flex-col">
    <h1 class="sr-only">Desk</h1>
    <BoxChoice :box-id="box?.id ?? null" path="/desk" says-playing />
    <CallsStrip :now-ms="nowMs" />
    <template v-if="box && desk">
      <div
        class="grid min-h-0 flex-1 auto-rows-max grid-cols-1 overflow-y-auto lg:auto-rows-fr lg:grid-cols-[22rem_minmax(0,1fr)_24rem] lg:overflow-hidden"
      >
        <WaitingColumn
          :desk="desk"
          :now-ms="nowMs"
          @skip="skip"
          @clear="(isCleared) => tried(request('PUT', path('cleared'), { isCleared }))"
          @next="next"
          @show="show"
          @read="read"
          @voices="
            (isOn) =>
              tried(
                speech.turn(isOn),
                isOn ? 'Messages are read aloud again.' : 'All voices are off. Alerts play without them.',
              )
          "
        />
        <OnAirColumn
          :key="box.id"
          :desk="desk"
          :box-name="box.name"
          :canvas="box.document.canvas"
          :now-ms="serverNow"
          @hold="hold"
          @skip="skip(desk.current)"
          @replay="replayLast"
          @silence="silence"
          @mute="mute"
          @panic="panic"
        />
        <LogColumn
          :key="`log-${box.id}`"
          :box-id="box.id"
          :log="desk.log"
          :changed="changed"
          @replay="replay"
          @replay-expired="replayExpired"
        />
      </div>
      <SourceStrip :desk="desk" :canvas="box.document.canvas" :now-ms="nowMs" @hear="hear" />
    </template>
    <div v-else-if="boxes.boxes?.length === 0" class="grid flex-1 place-items-center text-mist">
      <p>The desk shows what a box plays. Make a box first, under <b>Boxes</b>.</p>
    </div>
    <p v-else class="p-8 text-mist">Connecting…</p>
  </main>
</template>
