<script setup lang="ts">
import { NuxtLink } from '#components'
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { ChevronDown } from '@lucide/vue'
import { computed } from 'vue'
import { useLiveStore } from '../../stores/live.ts'
import { useSessionStore } from '../../stores/session.ts'
import { channelPaths } from './stations.ts'
import ThunderMark from './ThunderMark.vue'

/** The channel's name, and behind it what is the channel's own. */
const session = useSessionStore()
const live = useLiveStore()
const pages = computed(() =>
  session.isDeskOnly ? [] : channelPaths.filter(({ isOwners }) => !isOwners || session.isOwner),
)
</script>

<template>
  <Menu as="div" class="relative min-w-0">
    <MenuButton
      class="flex max-w-full items-center gap-3 rounded-sm py-0.5 pr-2 text-left enabled:hover:bg-ridge"
      :disabled="pages.length === 0"
      :aria-label="`${session.session?.channel.name}: people, settings and what else is the channel’s own`"
    >
      <ThunderMark />
      <span class="hidden min-w-0 md:block">
        <span class="block truncate font-display text-base font-semibold">{{ session.session?.channel.name }}</span>
        <span class="block text-2xs" :class="live.isConnected ? 'text-mist' : 'text-wrong'">{{
          live.isConnected ? 'Thundercrest' : 'no connection to the server'
        }}</span>
      </span>
      <ChevronDown v-if="pages.length > 0" :size="14" class="hidden shrink-0 text-mist md:block" aria-hidden="true" />
    </MenuButton>
    <MenuItems
      class="on-paper absolute left-0 z-40 mt-1 w-56 rounded-sm border border-rule py-1 shadow-lg focus:outline-none"
    >
      <MenuItem v-for="page in pages" :key="page.to" v-slot="{ active, close }">
        <NuxtLink :to="page.to" class="block px-3 py-1.5" :class="active ? 'bg-rule/60' : ''" @click="close">{{
          page.name
        }}</NuxtLink>
      </MenuItem>
    </MenuItems>
  </Menu>
</template>
