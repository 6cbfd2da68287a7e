<script setup lang="ts">
import { computed } from 'vue'
import type { RunView } from '../../../contract/triggers.ts'
import { request } from '../../api/request.ts'
import { useKeys } from '../../composables/useKeys.ts'
import { span } from '../../format/time.ts'
import { tried } from '../../composables/tried.ts'
import { useLiveStore } from '../../stores/live.ts'
import { useTriggersStore } from '../../stores/triggers.ts'

/** What viewers set off, at the desk: what runs, what is to be done by hand, and buttons of the channel's own. */
defineProps<{ nowMs: number }>()
const live = useLiveStore()
const triggers = useTriggersStore()
const calls = computed(() => live.live?.calls ?? null)
const running = computed(() => calls.value?.runs.filter(({ progress }) => progress === 'running') ?? [])

const press = (id: string) => tried(triggers.press(id))
const settle = ({ id, viewerName, triggerName }: RunView, task: 'fulfilled' | 'refunded') =>
  tried(
    request('PUT', `/api/runs/${id}/task`, { task }),
    task === 'fulfilled' ? `“${triggerName}” for ${viewerName} is done.` : `${viewerName} has it all back.`,
  )
/** Keys of the desk itself are not for buttons. */
const taken = new Set(['h', 's', 'r', 'v'])
function pressed(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return
  if (
    event.target instanceof HTMLElement &&
    event.target.closest('input, textarea, select, [role=dialog], [role=menu]')
  )
    return
  const found = calls.value?.buttons.find(({ key }) => key !== null && key === event.key.toLowerCase())
  if (found && !taken.has(event.key.toLowerCase())) void press(found.id)
}
useKeys(Object.fromEntries([...'abcdefgijklmnopqtuwxyz0123456789'].map((key) => [key, pressed])))
const isShown = computed(
  () => calls.value && (calls.value.buttons.length > 0 || running.value.length > 0 || calls.value.tasks.length > 0),
)
</script>

<template>
  <section
    v-if="calls && isShown"
    class="flex shrink-0 flex-wrap items-center gap-x-5 gap-y-2 border-b border-seam bg-ridge px-4 py-2"
    aria-label="What viewers set off"
  >
    <div v-if="calls.buttons.length > 0" class="flex flex-wrap items-center gap-2" role="group" aria-label="Buttons">
      <button v-for="button in calls.buttons" :key="button.id" type="button" class="button" @click="press(button.id)">
        {{ button.name }}<span v-if="button.key" class="key">{{ button.key }}</span>
      </button>
    </div>
    <ul v-if="calls.tasks.length > 0" class="flex flex-wrap items-center gap-2" aria-label="To be done by hand">
      <li
        v-for="task in calls.tasks.slice(0, 3)"
        :key="task.id"
        class="on-paper flex items-center gap-2 rounded-sm px-2.5 py-1"
      >
        <span class="max-w-64 truncate"
          ><b>{{ task.triggerName }}</b
          >: <bdi>{{ task.input || task.viewerName }}</bdi><span class="text-faded">
            ({{ span(Math.max(0, nowMs - task.askedAtMs)) }})</span
          ></span
        >
        <button type="button" class="link text-moss" @click="settle(task, 'fulfilled')">Done</button>
        <button type="button" class="link text-brick" @click="settle(task, 'refunded')">Give back</button>
      </li>
      <li v-if="calls.tasks.length > 3" class="text-mist">and {{ calls.tasks.length - 3 }} more</li>
    </ul>
    <ul v-if="running.length > 0" class="ml-auto flex flex-wrap items-center gap-2" aria-label="Running">
      <li
        v-for="run in running"
        :key="run.id"
        class="flex items-center gap-2 rounded-sm border border-glow px-2.5 py-1"
      >
        <span class="size-2 rounded-full bg-bolt" aria-hidden="true" /><span
          >{{ run.triggerName
          }}<template v-if="run.viewerName"
            >, <bdi>{{ run.viewerName }}</bdi></template
          ></span
        >
        <button
          type="button"
          class="link"
          :aria-label="`Stop ${run.triggerName}`"
          @click="tried(triggers.stop(run.id))"
        >
          Stop
        </button>
      </li>
    </ul>
  </section>
</template>
