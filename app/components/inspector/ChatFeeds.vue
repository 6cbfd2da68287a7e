<script setup lang="ts">
import { computed, onMounted, shallowRef } from 'vue'
import type { FeedView } from '../../../contract/views.ts'
import { feedSource } from '../../../core/events/feedSource.ts'
import { request } from '../../api/request.ts'
import TickBox from '../fields/TickBox.vue'

/** Whose chats are shown: of all feeds, those that are linked later too; or of some. */
const props = defineProps<{ sources: readonly string[] | null; disabled: boolean }>()
const emit = defineEmits<{ change: [sources: string[] | null] }>()
const feeds = shallowRef<FeedView[]>([])
onMounted(async () => {
  const answer = await request<{ feeds: FeedView[] }>('GET', '/api/channel/feeds').catch(() => null)
  feeds.value = answer?.feeds.filter(({ unlinkedAtMs }) => unlinkedAtMs === null) ?? []
})
const all = computed(() => feeds.value.map(({ id }) => feedSource(id)))
function set(source: string, isShown: boolean): void {
  const before = props.sources ?? all.value
  const after = isShown ? [...before, source] : before.filter((each) => each !== source)
  emit('change', all.value.every((each) => after.includes(each)) ? null : after)
}
</script>

<template>
  <fieldset class="space-y-1">
    <legend class="text-faded">Chats</legend>
    <TickBox
      v-for="feed in feeds"
      :key="feed.id"
      :checked="sources === null || sources.includes(feedSource(feed.id))"
      :disabled="disabled"
      @change="(isShown) => set(feedSource(feed.id), isShown)"
      >{{ feed.name }}</TickBox
    >
    <p v-if="feeds.length === 0" class="text-faded">All of them.</p>
  </fieldset>
</template>
