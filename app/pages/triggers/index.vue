<script setup lang="ts">
import { NuxtLink } from '#components'
import { navigateTo, useHead, useRoute } from '#imports'
import { useNow } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import { toast } from 'vue-sonner'
import type { Trigger } from '../../../core/triggers/schema.ts'
import { wordsOf } from '../../api/request.ts'
import GateSentences from '../../components/triggers/GateSentences.vue'
import PriceList from '../../components/triggers/PriceList.vue'
import RunSheet from '../../components/triggers/RunSheet.vue'
import TryPaper from '../../components/triggers/TryPaper.vue'
import TitleField from '../../components/fields/TitleField.vue'
import { useUndoKey } from '../../composables/useUndoKey.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import { tried } from '../../composables/tried.ts'
import { useLiveStore } from '../../stores/live.ts'
import { useMediaStore } from '../../stores/media.ts'
import { useSessionStore } from '../../stores/session.ts'
import { useTriggersStore } from '../../stores/triggers.ts'

useHead({ title: 'Triggers · Thundercrest' })
const triggers = useTriggersStore()
const boxes = useBoxesStore()
const media = useMediaStore()
const session = useSessionStore()
const live = useLiveStore()
const route = useRoute()
const now = useNow({ interval: 100 })
const nowMs = computed(() => now.value.getTime() + live.serverAheadMs)

const chosenId = computed(() => {
  const wanted = String(route.query.trigger ?? '')
  const all = triggers.view?.triggers ?? []
  return (all.find(({ trigger }) => trigger.id === wanted) ?? all[0])?.trigger.id ?? null
})
const view = computed(() => (chosenId.value === null ? null : triggers.find(chosenId.value)))
const choose = (id: string) => navigateTo({ path: '/triggers', query: { trigger: id } }, { replace: true })

onMounted(() => {
  void tried(Promise.all([triggers.load(), triggers.loadRewards(), boxes.load(), media.ensureLoaded()]))
})
const change = (edit: (trigger: Trigger) => Trigger) =>
  chosenId.value !== null && tried(triggers.change(chosenId.value, edit))
async function create(): Promise<void> {
  try {
    await choose(await triggers.create('New trigger'))
  } catch (error) {
    toast.error(wordsOf(error))
  }
}
async function putAway(): Promise<void> {
  const away = view.value?.trigger
  if (!away || !(await tried(triggers.putAway(away.id)))) return
  toast.success(`“${away.name}” is put away. Nothing sets it off.`, {
    action: { label: 'Undo', onClick: () => void tried(triggers.restore(away.id)) },
  })
}
async function arm(isArmed: boolean): Promise<void> {
  const { name } = view.value?.trigger ?? { name: '' }
  if (await change((trigger) => ({ ...trigger, isArmed })))
    toast.success(isArmed ? `“${name}” is armed: viewers can set it off.` : `“${name}” is not armed any more.`)
}
const undo = useUndoKey(triggers.undo, choose)

const dry = ref<{ id: string; fromMs: number } | null>(null)
async function dryRun(): Promise<void> {
  const { id } = view.value?.trigger ?? {}
  if (id !== undefined && (await tried(triggers.dryRun(id)))) dry.value = { id, fromMs: Date.now() }
}
const running = computed(() =>
  live.live?.calls.runs.find((run) => run.triggerId === chosenId.value && run.progress === 'running'),
)
const playheadMs = computed(() => {
  if (running.value?.startedAtMs) return Math.max(0, nowMs.value - running.value.startedAtMs)
  if (dry.value?.id !== chosenId.value || !dry.value) return null
  const ms = now.value.getTime() - dry.value.fromMs
  return ms <= (view.value?.lengthMs ?? 0) ? Math.max(0, ms) : null
})
const isUnfinished = computed(() => {
  const trigger = view.value?.trigger
  return trigger !== undefined && !trigger.isArmed && (trigger.starts.length === 0 || view.value?.laid.length === 0)
})
const studioIsAway = computed(() => view.value?.needsStudio && !live.live?.calls.studio.isLinked)
</script>

<template>
  <main class="grid h-full min-h-0 grid-cols-1 overflow-y-auto lg:grid-cols-[minmax(0,1fr)_27.5rem] lg:overflow-hidden">
    <PriceList
      :chosen-id="chosenId"
      :now-ms="nowMs"
      @choose="choose"
      @create="create"
      @move="(id, before) => tried(triggers.move(id, before))"
    />
    <section v-if="view" :key="view.trigger.id" class="flex min-h-0 flex-col" aria-label="The chosen trigger">
      <div class="min-h-0 flex-1 space-y-4 overflow-y-auto px-6 py-5">
        <div>
          <TitleField
            label="Name of the trigger"
            :value="view.trigger.name"
            :most-letters="80"
            @change="(name) => change((trigger) => ({ ...trigger, name }))"
          />
          <p :class="view.trigger.isArmed ? 'text-fine' : 'text-mist'">
            {{ view.trigger.isArmed ? 'Armed: it can be set off now.' : 'Not armed: nothing sets it off.' }}
          </p>
        </div>
        <GateSentences :view="view" @change="change" />
        <TryPaper :view="view" :points-name="triggers.view?.settings.points.name.many ?? 'points'" />
        <div class="border-t border-seam pt-3">
          <RunSheet
            :view="view"
            :playhead-ms="playheadMs"
            @change="(edit) => change((trigger) => ({ ...trigger, sheet: edit(trigger.sheet) }))"
          />
        </div>
        <p v-if="studioIsAway" class="text-mist">
          It needs a studio, and none is linked. <NuxtLink to="/triggers/studio" class="link">Link one</NuxtLink>.
        </p>
        <p v-if="isUnfinished" class="text-mist">It can be armed once something starts it and something happens.</p>
      </div>
      <div v-if="session.canEdit" class="flex flex-wrap items-center gap-3 border-t border-seam px-6 py-3">
        <button v-if="running" type="button" class="button button-bolt" @click="tried(triggers.stop(running.id))">
          Stop it, and give back what it holds
        </button>
        <template v-else>
          <button
            type="button"
            class="button"
            :class="view.trigger.isArmed ? '' : 'button-bolt'"
            :disabled="isUnfinished"
            @click="arm(!view.trigger.isArmed)"
          >
            {{ view.trigger.isArmed ? 'Disarm' : 'Arm it' }}
          </button>
          <button
            type="button"
            class="button"
            :class="view.trigger.isArmed ? 'button-bolt' : ''"
            :disabled="view.laid.length === 0 || view.fault !== ''"
            title="Plays the plan against the simulated studio: nothing is charged, said or heard on air"
            @click="dryRun"
          >
            Dry run
          </button>
        </template>
        <button type="button" class="link text-mist hover:text-snow" @click="putAway">Put away</button>
        <button v-if="triggers.canUndo" type="button" class="link ml-auto text-mist hover:text-snow" @click="undo">
          Undo
        </button>
      </div>
    </section>
  </main>
</template>
