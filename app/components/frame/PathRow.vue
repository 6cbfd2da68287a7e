<script setup lang="ts">
import { NuxtLink } from '#components'
import { useRoute } from '#imports'
import { computed } from 'vue'
import { useSessionStore } from '../../stores/session.ts'
import { channelPaths, pathsOf, stationOf } from './stations.ts'

/** Where the station leads, or what the channel has of its own, as a quiet row of links. In the score room the roll of kinds takes its place. */
const route = useRoute()
const station = computed(() => stationOf(route.path))
const session = useSessionStore()
const ofChannel = computed(() => channelPaths.filter(({ isOwners }) => !isOwners || session.isOwner))
const paths = computed<readonly { to: string; name: string }[]>(() => {
  if (session.isDeskOnly) return []
  if (station.value) return pathsOf[station.value]
  return channelPaths.some(({ to }) => to === route.path) ? ofChannel.value : []
})
/** The longest path that begins the page's own: `/boxes/new` is no page of `/boxes`. */
const current = computed(
  () =>
    paths.value
      .filter(({ to }) => route.path === to || route.path.startsWith(`${to}/`))
      .sort((a, b) => b.to.length - a.to.length)[0],
)
</script>

<template>
  <nav
    v-if="paths.length > 1"
    :aria-label="`Paths of ${station ?? 'the channel'}`"
    class="flex shrink-0 justify-center gap-1 border-b border-seam bg-night px-4 py-0.5"
  >
    <NuxtLink
      v-for="path in paths"
      :key="path.to"
      :to="path.to"
      class="rounded-sm px-2.5 py-0.5 text-mist hover:text-snow"
      :class="path === current ? 'text-snow underline decoration-glow decoration-2 underline-offset-4' : ''"
      :aria-current="path === current ? 'page' : undefined"
      >{{ path.name }}</NuxtLink
    >
  </nav>
</template>
