<script setup lang="ts">
import { useHead } from '#imports'
import { onMounted, ref, watch } from 'vue'
import type { FeedView } from '../../contract/views.ts'
import { request, wordsOf } from '../api/request.ts'
import FeedRow from '../components/feeds/FeedRow.vue'
import { useLiveStore } from '../stores/live.ts'

useHead({ title: 'Feeds · Thundercrest' })
const live = useLiveStore()
const feeds = ref<FeedView[] | null>(null)
const refusal = ref('')

async function load(): Promise<void> {
  try {
    feeds.value = (await request<{ feeds: FeedView[] }>('GET', '/api/channel/feeds')).feeds
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
onMounted(load)
watch(() => live.live?.ridge.feeds.lastDeliveryAtMs, load)
</script>

<template>
  <main class="h-full overflow-y-auto px-8 py-6">
    <h1 class="font-display text-3xl font-semibold">Feeds</h1>
    <p class="mt-1 mb-5 text-mist">Each feed is one platform account that tells Thundercrest what happens. What it sends is checked, kept, and only then acknowledged.</p>
    <p v-if="refusal" role="alert" class="text-wrong">{{ refusal }}</p>
    <div v-else-if="feeds?.length" class="space-y-4"><FeedRow v-for="feed in feeds" :key="feed.id" :feed="feed" /></div>
    <section v-else-if="feeds" class="on-paper mx-auto mt-16 max-w-lg rounded-sm p-8 text-center">
      <h2 class="font-display text-2xl font-semibold">No feed is linked yet</h2>
      <p class="mt-2 text-faded">Until one is, events can come in through <code class="font-mono text-xs">POST /api/events</code>, and <b>Send a test</b> in a box shows its alerts on your sources.</p>
    </section>
    <p v-else class="text-mist">Loading…</p>
  </main>
</template>
