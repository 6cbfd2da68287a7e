<script setup lang="ts">
import { definePageMeta, useHead, useRoute } from '#imports'
import { Printer } from '@lucide/vue'
import { computed, onMounted, ref } from 'vue'
import type { ListView } from '../../../contract/triggers.ts'
import { lanternLook } from '../../../core/look/lanternLook.ts'
import { pageInks } from '../../../core/tip/pageInks.ts'
import { request, wordsOf } from '../../api/request.ts'

definePageMeta({ layout: false })
/** What viewers of a channel can set off: a page for anybody, like a menu card. */
const route = useRoute()
const view = ref<ListView | null>(null)
const refusal = ref('')
const words = ref('')
useHead({ title: () => (view.value ? `What you can set off · ${view.value.channel}` : 'What you can set off') })
onMounted(async () => {
  try {
    view.value = await request<ListView>('GET', `/api/list/${String(route.params.channelId)}`)
  } catch (error) {
    refusal.value = wordsOf(error)
  }
})
const listed = computed(() => {
  const wanted = words.value.trim().toLocaleLowerCase()
  return (view.value?.triggers ?? []).filter(({ name, about, how }) =>
    `${name} ${about} ${how.join(' ')}`.toLocaleLowerCase().includes(wanted),
  )
})
const print = () => window.print()
/** The page's paper, as the channel has its pages coloured. */
const paper = computed(() => {
  const colours = view.value?.colours
  if (!colours) return {}
  const { light } = pageInks({ ...lanternLook.palette, ...colours })
  return {
    ...{ '--color-paper': light.ground, '--color-ink': light.ink, '--color-faded': light.faded },
    ...{ '--color-rule': light.edge, '--color-sheet': light.field },
  }
})
</script>

<template>
  <main class="on-paper h-full overflow-y-auto print:h-auto print:overflow-visible" :style="paper">
    <div class="mx-auto max-w-3xl px-6 py-10">
      <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
      <template v-else-if="view">
        <header class="flex flex-wrap items-end justify-between gap-4 border-b-4 border-double border-ink pb-4">
          <div>
            <p class="caps text-faded">{{ view.channel }}</p>
            <h1 class="font-display text-4xl leading-tight font-semibold">What you can set off</h1>
          </div>
          <div class="flex items-center gap-2 print:hidden">
            <input
              v-model="words"
              type="search"
              class="field w-44"
              placeholder="Find…"
              aria-label="Find something by its words"
            />
            <button type="button" class="button" @click="print"><Printer :size="15" aria-hidden="true" />Print</button>
          </div>
        </header>
        <ul v-if="listed.length > 0">
          <li
            v-for="each in listed"
            :key="each.name"
            class="border-b border-rule py-4 break-inside-avoid"
            :class="each.left === 0 ? 'text-faded' : ''"
          >
            <div class="flex items-baseline gap-3">
              <h2 class="font-display text-xl font-semibold">
                <bdi>{{ each.name }}</bdi>
              </h2>
              <span class="min-w-4 flex-1 self-end border-b border-dotted border-faded" aria-hidden="true" />
              <span class="shrink-0 text-right font-mono text-sm font-semibold">{{ each.price }}</span>
            </div>
            <p v-if="each.about" class="mt-0.5 text-base">{{ each.about }}</p>
            <p class="mt-1 flex flex-wrap gap-x-4 text-sm text-faded">
              <span v-for="way in each.how" :key="way">{{ way }}</span>
              <span v-if="each.who !== 'everyone'">for {{ each.who }}</span>
              <span v-if="each.again">again after {{ each.again }}</span>
              <span v-if="each.left !== null" :class="each.left === 0 ? 'font-semibold text-brick' : ''">{{
                each.left === 0 ? 'out of stock' : `${each.left} left`
              }}</span>
            </p>
          </li>
        </ul>
        <p v-else class="py-10 text-center text-faded">
          {{ words ? 'Nothing here has these words.' : 'There is nothing to set off at the moment. Come back later.' }}
        </p>
      </template>
      <p v-else class="text-faded">Loading…</p>
    </div>
  </main>
</template>
