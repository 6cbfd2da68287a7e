<script setup lang="ts">
import { useHead } from '#imports'
import { useClipboard } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import { toast } from 'vue-sonner'
import type { StudioLinkView } from '../../../contract/triggers.ts'
import { request } from '../../api/request.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import { tried } from '../../composables/tried.ts'
import { useLiveStore } from '../../stores/live.ts'
import { useSessionStore } from '../../stores/session.ts'
import { useTriggersStore } from '../../stores/triggers.ts'

useHead({ title: 'Studio and chat · Thundercrest' })
const live = useLiveStore()
const session = useSessionStore()
const triggers = useTriggersStore()
const boxes = useBoxesStore()
const { copy, copied } = useClipboard({ legacy: true })
const link = ref<StudioLinkView | null>(null)
const isShown = ref(false)
const feeds = ref<{ id: string; name: string; platform: string; unlinkedAtMs: number | null }[]>([])
const studio = computed(() => live.live?.calls.studio ?? null)

onMounted(() =>
  tried(
    Promise.all([
      triggers.load(),
      boxes.load(),
      request<{ feeds: typeof feeds.value }>('GET', '/api/channel/feeds').then(
        (answer) => (feeds.value = answer.feeds),
      ),
      session.canEdit && request<StudioLinkView>('GET', '/api/studio/link').then((answer) => (link.value = answer)),
    ]),
  ),
)
async function replace(): Promise<void> {
  await tried(request<StudioLinkView>('POST', '/api/studio/link').then((answer) => (link.value = answer)))
  toast.success('The link has another secret. Whoever had the one before is cut off: enter the new one there.')
}
/** Browser sources in the studio that came from here, and whether they are as large as their canvases. */
const placed = computed(() =>
  (studio.value?.sources ?? []).flatMap(({ name, key, scenes, widthPx, heightPx }) => {
    const box = boxes.boxes?.find(({ id }) => `box:${id}` === key)
    if (!box) return []
    const { canvas } = box.document
    const isOther = widthPx !== canvas.widthPx || heightPx !== canvas.heightPx
    return [
      {
        name,
        scenes,
        size: `${widthPx} × ${heightPx}`,
        wanted: isOther ? `${canvas.widthPx} × ${canvas.heightPx}` : null,
      },
    ]
  }),
)
const chats = computed(() =>
  feeds.value.filter(({ platform, unlinkedAtMs }) => unlinkedAtMs === null && ['alder', 'birch'].includes(platform)),
)
const turn = (isOn: boolean) =>
  tried(
    request('PUT', '/api/stand-ins', { isOn })
      .then(() => triggers.load())
      .then(() =>
        toast.success(
          isOn ? 'Simulated platforms answer now.' : 'Simulated platforms are off: none of their addresses answers.',
        ),
      ),
  )
</script>

<template>
  <main class="grid h-full min-h-0 grid-cols-1 gap-6 overflow-y-auto px-8 py-6 lg:grid-cols-[minmax(0,1fr)_25rem]">
    <section aria-labelledby="studio">
      <h1 id="studio" class="font-display text-3xl font-semibold">Studio</h1>
      <p class="mt-1 text-mist">
        The broadcast program at the other end of the link: run sheets switch its scenes, show its sources, and give
        back what they held.
      </p>
      <div v-if="studio?.isLinked" class="on-paper mt-4 rounded-sm p-4">
        <p class="flex items-center gap-2 font-display text-xl font-semibold">
          <span class="size-2.5 rounded-full bg-moss" aria-hidden="true" />{{ studio.name }}
          <span
            v-if="studio.name === 'Simulated studio'"
            class="rounded-full border border-dashed border-faded px-2 font-sans text-2xs font-normal text-faded"
            >simulated</span
          >
        </p>
        <h2 class="caps mt-3 text-faded">Scenes</h2>
        <ul class="mt-1 flex flex-wrap gap-2">
          <li
            v-for="scene in studio.scenes"
            :key="scene"
            class="rounded-sm border px-2.5 py-1"
            :class="scene === studio.programme ? 'border-bolt bg-bolt text-char' : 'border-rule'"
          >
            {{ scene }}<span v-if="scene === studio.programme" class="sr-only"> (shown now)</span>
          </li>
        </ul>
        <h2 class="caps mt-3 text-faded">Sources</h2>
        <ul class="mt-1 divide-y divide-rule border-y border-rule">
          <li
            v-for="source in studio.sources"
            :key="source.name"
            class="flex items-baseline justify-between gap-4 py-1.5"
          >
            <span class="min-w-0 truncate">{{ source.name }}</span>
            <span class="shrink-0 text-faded"
              >{{ source.isShown ? 'shown' : 'hidden' }} in {{ source.scenes.join(', ') }}</span
            >
          </li>
        </ul>
        <p v-for="each in placed.filter(({ wanted }) => wanted)" :key="each.name" role="alert" class="mt-2 text-brick">
          “{{ each.name }}” is {{ each.size }} there and {{ each.wanted }} here: put the box into the studio once more,
          and it has its size.
        </p>
        <template v-if="studio.held.length > 0">
          <h2 class="caps mt-3 text-faded">Held</h2>
          <p v-for="hold in studio.held" :key="`${hold.thing} ${hold.untilMs}`">
            {{ hold.thing === 'programme' ? 'the programme' : hold.thing.slice(7) }} on {{ hold.value }}
          </p>
        </template>
      </div>
      <div v-else class="on-paper mt-4 rounded-sm p-4">
        <p class="font-display text-xl font-semibold">No studio is linked</p>
        <p class="mt-1 text-faded">
          Give the plug-in of your broadcast program the address and the secret at the right. In the demo a simulated
          studio comes along: its address is printed where the demo starts.
        </p>
      </div>
    </section>
    <div class="space-y-6">
      <section v-if="session.canEdit" aria-labelledby="link">
        <h2 id="link" class="font-display text-xl font-semibold">The link</h2>
        <div v-if="link" class="on-paper mt-2 space-y-3 rounded-sm p-4">
          <p>Whoever knows the secret can say what your studio shows. Keep it off your stream.</p>
          <div>
            <span class="caps text-faded">Address</span>
            <output class="field block truncate font-mono text-xs leading-6" aria-label="Address of the link">{{
              link.url
            }}</output>
          </div>
          <div>
            <span class="caps text-faded">Secret</span>
            <div class="flex gap-2">
              <output class="field block flex-1 truncate font-mono text-xs leading-6" aria-label="Secret of the link">{{
                isShown ? link.secret : '•'.repeat(24)
              }}</output>
              <button type="button" class="button" @click="isShown = !isShown">{{ isShown ? 'Hide' : 'Show' }}</button>
              <button type="button" class="button" @click="copy(link.secret)">{{ copied ? 'Copied' : 'Copy' }}</button>
            </div>
          </div>
          <button type="button" class="link text-brick" @click="replace">
            Give it another secret: the one before stops at once
          </button>
          <p class="text-faded">
            How a plug-in speaks to it stands in <code class="text-xs">docs/studio-link.md</code>.
          </p>
        </div>
      </section>
      <section aria-labelledby="chat">
        <h2 id="chat" class="font-display text-xl font-semibold">Simulated chat</h2>
        <div class="on-paper mt-2 space-y-2 rounded-sm p-4">
          <template v-if="triggers.view?.hasStandIns">
            <p>Be a viewer: say commands, redeem rewards, see what is answered. Nothing leaves this machine.</p>
            <p v-for="feed in chats" :key="feed.id">
              <a class="link text-deep-sky" :href="`/stand-ins/chat/${feed.id}`" target="_blank" rel="noopener"
                >Open the chat of {{ feed.name }}</a
              >
            </p>
          </template>
          <p v-else class="text-faded">Simulated platforms, chat and studio are switched off on this server.</p>
          <button
            v-if="session.isOwner && triggers.view"
            type="button"
            class="button"
            @click="turn(!triggers.view.hasStandIns)"
          >
            {{ triggers.view.hasStandIns ? 'Switch simulated platforms off' : 'Switch simulated platforms on' }}
          </button>
        </div>
      </section>
    </div>
  </main>
</template>
