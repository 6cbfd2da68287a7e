<script setup lang="ts">
import { navigateTo, useHead, useRoute } from '#imports'
import { Link } from '@lucide/vue'
import { onMounted, ref, watch } from 'vue'
import { toast } from 'vue-sonner'
import type { FeedView } from '../../contract/views.ts'
import { request, wordsOf } from '../api/request.ts'
import FeedRow from '../components/feeds/FeedRow.vue'
import LinkDialog from '../components/feeds/LinkDialog.vue'
import { useBoxesStore } from '../stores/boxes.ts'
import { useLiveStore } from '../stores/live.ts'
import { useSessionStore } from '../stores/session.ts'

useHead({ title: 'Feeds · Thundercrest' })
const live = useLiveStore()
const session = useSessionStore()
const boxes = useBoxesStore()
const route = useRoute()
const isLinking = ref(false)
const feeds = ref<FeedView[] | null>(null)
const refusal = ref('')

async function load(): Promise<void> {
  try {
    feeds.value = (await request<{ feeds: FeedView[] }>('GET', '/api/channel/feeds')).feeds
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
/** What became of a linking that led to the platform's own page and back. */
async function sayLinked(): Promise<void> {
  const { linked, link } = route.query
  const name = feeds.value?.find(({ id }) => id === linked)?.name
  if (name) toast.success(`${name} is linked. What happens there is heard from now on.`)
  if (link === 'refused') toast('Consent was not given. Nothing was linked.')
  if (link === 'failed') toast.error('The platform did not answer as it should. Nothing was linked; try again.')
  if (linked || link) await navigateTo('/feeds', { replace: true })
}
onMounted(async () => {
  await load()
  await sayLinked()
  // For what viewers may choose in the simulator.
  await boxes.load().catch(() => undefined)
})
watch(() => live.live?.ridge.feeds.lastDeliveryAtMs, load)
</script>

<template>
  <main class="h-full overflow-y-auto px-8 py-6">
    <div class="mb-5 flex items-start justify-between gap-6">
      <div>
        <h1 class="font-display text-3xl font-semibold">Feeds</h1>
        <p class="mt-1 text-mist">
          Each feed is one platform account that tells Thundercrest what happens. What it sends is checked, kept, and
          only then acknowledged.
        </p>
      </div>
      <button v-if="session.isOwner" type="button" class="button shrink-0" @click="isLinking = true">
        <Link :size="15" aria-hidden="true" />Link a platform
      </button>
    </div>
    <LinkDialog v-model:open="isLinking" @linked="load" />
    <p v-if="refusal" role="alert" class="text-wrong">{{ refusal }}</p>
    <div v-else-if="feeds?.length" class="space-y-4">
      <FeedRow v-for="feed in feeds" :key="feed.id" :feed="feed" @changed="load" />
    </div>
    <section v-else-if="feeds" class="on-paper mx-auto mt-16 max-w-lg rounded-sm p-8 text-center">
      <h2 class="font-display text-2xl font-semibold">No feed is linked yet</h2>
      <p v-if="session.isOwner" class="mt-3">
        <button type="button" class="button button-bolt" @click="isLinking = true">Link your first platform</button>
      </p>
      <p class="mt-3 text-faded">
        Until one is, events can come in through <code class="font-mono text-xs">POST /api/events</code>, and
        <b>Send a test</b> in a box shows its alerts on your sources.
      </p>
    </section>
    <p v-else class="text-mist">Loading…</p>
  </main>
</template>
