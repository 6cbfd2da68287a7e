<script setup lang="ts">
import { useRoute } from '#imports'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import ChannelMenu from '../components/frame/ChannelMenu.vue'
import CommandPalette from '../components/frame/CommandPalette.vue'
import PathRow from '../components/frame/PathRow.vue'
import PersonMenu from '../components/frame/PersonMenu.vue'
import RidgeLine from '../components/frame/RidgeLine.vue'
import TroubleBar from '../components/frame/TroubleBar.vue'
import { useMembership } from '../composables/useMembership.ts'
import { useScheme } from '../composables/useScheme.ts'
import { useLiveStore } from '../stores/live.ts'
import { useSessionStore } from '../stores/session.ts'

const live = useLiveStore()
const session = useSessionStore()
const route = useRoute()
/** In the score room the roll of kinds stands where the paths are elsewhere. */
const isInRoom = computed(() => /^\/boxes\/(?!new$)/.test(route.path))
const palette = ref<InstanceType<typeof CommandPalette>>()
useScheme()
useMembership()
onMounted(() => live.open())
onBeforeUnmount(() => live.close())
</script>

<template>
  <div class="flex h-full flex-col">
    <header
      class="z-30 grid shrink-0 grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-2 border-b border-seam bg-deep px-2 py-1 md:grid-cols-[minmax(0,1fr)_minmax(0,42rem)_minmax(0,1fr)] md:gap-4 md:px-4"
    >
      <ChannelMenu />
      <RidgeLine v-if="!session.isDeskOnly" />
      <span v-else />
      <div class="flex items-center justify-end gap-2">
        <button
          type="button"
          class="key hidden py-1 text-mist hover:text-snow md:block"
          aria-label="Open the command palette, Control K"
          @click="palette?.open()"
        >
          Ctrl K
        </button>
        <PersonMenu />
      </div>
    </header>
    <TroubleBar v-if="live.live?.databaseTrouble" :trouble="live.live.databaseTrouble" />
    <PathRow v-if="!isInRoom" />
    <div class="min-h-0 flex-1"><slot /></div>
    <CommandPalette ref="palette" />
  </div>
</template>
