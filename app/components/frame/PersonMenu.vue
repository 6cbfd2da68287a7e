<script setup lang="ts">
import { NuxtLink } from '#components'
import { navigateTo } from '#imports'
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { ChevronDown, CircleUserRound } from '@lucide/vue'
import { roleName } from '../../../contract/people.ts'
import { useScheme } from '../../composables/useScheme.ts'
import { useSessionStore } from '../../stores/session.ts'

const store = useSessionStore()
const { scheme, toggleScheme } = useScheme()

const pages = [{ to: '/account', name: 'Your account' }]

async function signOut(): Promise<void> {
  await store.signOut()
  await navigateTo('/sign-in')
}
</script>

<template>
  <Menu as="div" class="relative">
    <MenuButton
      :aria-label="`${store.session?.person.name}, ${store.session?.role}: account, scheme and sign-out`"
      class="flex items-center gap-1.5 rounded-sm px-2 py-1.5 text-left hover:bg-ridge"
    >
      <span class="hidden md:block">
        <span class="block max-w-36 truncate font-medium">{{ store.session?.person.name }}</span>
        <span class="block text-2xs text-mist">{{ store.session ? roleName(store.session.role) : '' }}</span>
      </span>
      <CircleUserRound :size="20" class="text-mist md:hidden" aria-hidden="true" />
      <ChevronDown :size="14" class="text-mist" aria-hidden="true" />
    </MenuButton>
    <MenuItems
      class="on-paper absolute right-0 z-40 mt-1 w-52 rounded-sm border border-rule py-1 shadow-lg focus:outline-none"
    >
      <MenuItem v-for="page in pages" :key="page.to" v-slot="{ active, close }">
        <NuxtLink :to="page.to" class="block px-3 py-1.5" :class="active ? 'bg-rule/60' : ''" @click="close">{{
          page.name
        }}</NuxtLink>
      </MenuItem>
      <MenuItem v-slot="{ active }">
        <button
          type="button"
          class="block w-full px-3 py-1.5 text-left"
          :class="active ? 'bg-rule/60' : ''"
          @click="toggleScheme"
        >
          {{ scheme === 'night' ? 'Daybreak: for bright rooms' : 'Night: for dark rooms' }}
        </button>
      </MenuItem>
      <MenuItem v-slot="{ active }">
        <button
          type="button"
          class="block w-full px-3 py-1.5 text-left"
          :class="active ? 'bg-rule/60' : ''"
          @click="signOut"
        >
          Sign out
        </button>
      </MenuItem>
    </MenuItems>
  </Menu>
</template>
