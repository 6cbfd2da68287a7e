<script setup lang="ts">
import { definePageMeta, useHead, useRoute } from '#imports'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, useTemplateRef, watch } from 'vue'
import type { ChatLineView, ChatRoomView } from '../../../../contract/simulatedChat.ts'
import { messagePieces } from '../../../../core/text/messagePieces.ts'
import { request, wordsOf } from '../../../api/request.ts'

definePageMeta({ layout: false })
/** The chat of a simulated platform, from a viewer's chair. It is another program's page, and looks like one. */
const route = useRoute()
const path = `/stand-ins/rooms/${String(route.params.feedId)}`
const room = ref<ChatRoomView | null>(null)
const lines = ref<ChatLineView[]>([])
const who = ref('')
const roles = ref<('subscriber' | 'vip' | 'moderator')[]>([])
const text = ref('')
const typed = ref<Record<string, string>>({})
const refusal = ref('')
const isScripted = ref(false)
const log = useTemplateRef('log')
const field = useTemplateRef('field')
useHead({ title: () => `${room.value?.name ?? 'Platform'} (simulated): chat` })

const viewer = computed(() => ({
  id: room.value?.guests.find(({ name }) => name === who.value)?.id ?? `sim-${who.value}`,
  name: who.value || 'somebody',
  roles: roles.value,
}))
const linesKept = 200
let stream: EventSource | null = null
function listen(): void {
  stream?.close()
  const { id, name } = viewer.value
  stream = new EventSource(`${path}/lines?${new URLSearchParams({ id, name }).toString()}`)
  stream.onmessage = ({ data }) => {
    const heard = JSON.parse(String(data)) as { lines?: ChatLineView[]; line?: ChatLineView }
    const { line } = heard
    if (line?.isGone) lines.value = lines.value.filter(({ id: said }) => said !== line.id)
    else lines.value = heard.lines ?? [...lines.value.slice(1 - linesKept), ...(line ? [line] : [])]
    if (heard.line?.isOurs) void load()
    void nextTick(() => log.value?.scrollTo({ top: log.value.scrollHeight }))
  }
}
async function load(): Promise<void> {
  try {
    room.value = await request<ChatRoomView>('GET', path)
    who.value ||= room.value.guests[0]?.name ?? 'somebody'
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
let polling: ReturnType<typeof setInterval> | undefined
onMounted(async () => {
  await load()
  polling = setInterval(() => void load(), 3_000)
})
watch(who, listen)
onBeforeUnmount(() => {
  stream?.close()
  clearInterval(polling)
  clearInterval(scripted)
})
async function act(work: Promise<unknown>): Promise<void> {
  try {
    await work
    refusal.value = ''
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
function say(): void {
  const said = text.value.trim()
  if (said === '') return
  text.value = ''
  void act(request('POST', `${path}/say`, { viewer: viewer.value, text: said }))
}
/** An emote behind what is typed, and on with typing. */
function add(word: string): void {
  text.value = `${text.value.trimEnd()} ${word} `.trimStart()
  field.value?.focus()
}
const takeAway = (lineId: string) => act(request('POST', `${path}/take-away`, { viewer: viewer.value, lineId }))
async function redeem(rewardId: string): Promise<void> {
  await act(request('POST', `${path}/redeem`, { viewer: viewer.value, rewardId, input: typed.value[rewardId] ?? '' }))
  typed.value[rewardId] = ''
  await load()
}
const script = [
  'good evening',
  'it smells of rye from here warmLoaf',
  '!rise',
  'o pão já saiu?',
  '!crumb',
  'hello from the night bus',
  '!bell',
]
let scripted: ReturnType<typeof setInterval> | undefined
let turn = 0
watch(isScripted, (isOn) => {
  clearInterval(scripted)
  if (!isOn) return
  scripted = setInterval(() => {
    const guests = room.value?.guests ?? []
    const guest = guests[turn % Math.max(1, guests.length)]
    const said = script[turn % script.length]
    turn += 1
    if (guest && said) void act(request('POST', `${path}/say`, { viewer: { ...guest, roles: [] }, text: said }))
  }, 1_500)
})
const stateWords = { waiting: 'waiting', fulfilled: 'done', refunded: 'given back' }
function reply(line: ChatLineView): void {
  text.value = `@${line.by.name} ${text.value}`
  field.value?.focus()
}
</script>

<template>
  <main class="flex h-full flex-col bg-[#eef1ea] font-sans text-[#1d2a22] [color-scheme:light]">
    <header class="flex flex-wrap items-center gap-3 border-b border-[#b9c7b8] bg-[#dfe7de] px-5 py-2.5">
      <h1 class="text-lg font-semibold">{{ room?.name ?? 'Chat' }}</h1>
      <span class="rounded-full border border-dashed border-[#465a4c] px-2 text-xs text-[#3c4f42]">simulated</span>
      <p class="text-[#3c4f42]">A stand-in for a streaming platform. Nothing leaves this machine.</p>
      <label class="ml-auto flex items-center gap-2"
        ><input v-model="isScripted" type="checkbox" class="size-4 accent-[#1d5a38]" />others chat, too</label
      >
    </header>
    <p v-if="refusal" role="alert" class="bg-[#8a2f1d] px-5 py-1.5 text-white">{{ refusal }}</p>
    <div class="grid min-h-0 flex-1 grid-cols-1 md:grid-cols-[minmax(0,1fr)_22rem]">
      <section class="flex min-h-0 flex-col px-5 py-4" aria-label="Chat">
        <div ref="log" class="min-h-0 flex-1 overflow-y-auto pr-2" role="log" aria-label="What is said" tabindex="0">
          <ol class="space-y-1.5">
            <li v-if="lines.length === 0" class="text-[#3c4f42]">
              Nobody has said anything yet. Say something, call a command, or redeem a reward.
            </li>
            <li
              v-for="line in lines"
              :key="line.id"
              class="flex gap-2"
              :class="line.isOurs ? 'rounded bg-[#dbe6f3] px-2 py-1' : ''"
            >
              <button
                v-if="!line.isOurs"
                type="button"
                class="shrink-0 self-start font-semibold hover:underline"
                :aria-label="`Reply to ${line.by.name}`"
                @click="reply(line)"
              >
                <bdi>{{ line.by.name }}</bdi>
              </button>
              <span v-else class="shrink-0 font-semibold text-[#1f4a73]">{{ line.by.name }}</span>
              <span
                v-for="role in line.by.roles"
                :key="role"
                class="h-fit shrink-0 rounded border border-[#8ea393] px-1 text-[0.6875rem] text-[#3c4f42]"
                >{{ role }}</span
              >
              <span class="min-w-0 break-words" dir="auto"
                ><template v-for="(piece, at) in messagePieces(line.text, line.emotes)" :key="at"
                  ><img
                    v-if="piece.emoteUrl"
                    :src="piece.emoteUrl"
                    :alt="piece.text"
                    :title="piece.text"
                    class="inline-block size-6 align-middle"
                  /><template v-else>{{ piece.text }}</template></template
                ></span
              >
              <button
                v-if="roles.includes('moderator') && !line.isOurs"
                type="button"
                class="ml-auto shrink-0 self-start rounded border border-[#8a2f1d] px-1.5 text-xs text-[#8a2f1d]"
                :aria-label="`Take away what ${line.by.name} said: ${line.text}`"
                @click="takeAway(line.id)"
              >
                take away
              </button>
            </li>
          </ol>
        </div>
        <div v-if="room && room.emotes.length > 0" class="mt-3 flex gap-1" role="group" aria-label="Emotes">
          <button
            v-for="emote in room.emotes"
            :key="emote.word"
            type="button"
            class="rounded border border-transparent p-1 hover:border-[#6d8272]"
            :aria-label="`Add ${emote.word}`"
            :title="emote.word"
            @click="add(emote.word)"
          >
            <img :src="emote.url" alt="" class="size-6" />
          </button>
        </div>
        <form class="mt-2 flex gap-2" @submit.prevent="say">
          <input
            ref="field"
            v-model="text"
            class="min-h-9 flex-1 rounded border border-[#6d8272] bg-white px-3"
            aria-label="Say something"
            placeholder="Say something, or a command such as !crumb"
            maxlength="500"
            autocomplete="off"
          />
          <button type="submit" class="rounded bg-[#1d5a38] px-4 font-semibold text-white">Say it</button>
        </form>
      </section>
      <aside
        class="min-h-0 space-y-5 overflow-y-auto border-l border-[#b9c7b8] bg-[#f8faf6] px-5 py-4"
        aria-label="You"
      >
        <section>
          <h2 class="mb-1 font-semibold">You are</h2>
          <select
            v-model="who"
            class="min-h-9 w-full rounded border border-[#6d8272] bg-white px-2"
            aria-label="Who you are"
          >
            <option v-for="guest in room?.guests ?? []" :key="guest.id" :value="guest.name">{{ guest.name }}</option>
          </select>
          <div class="mt-2 flex flex-wrap gap-3">
            <label
              v-for="role in ['subscriber', 'vip', 'moderator'] as const"
              :key="role"
              class="flex items-center gap-1.5"
              ><input v-model="roles" type="checkbox" :value="role" class="size-4 accent-[#1d5a38]" />{{ role }}</label
            >
          </div>
        </section>
        <section v-if="room?.hasRewards">
          <h2 class="mb-1 font-semibold">Rewards</h2>
          <ul class="divide-y divide-[#cbd6ca] border-y border-[#cbd6ca]">
            <li v-for="reward in room.rewards" :key="reward.id" class="py-2">
              <div class="flex items-center gap-2">
                <span class="min-w-0 flex-1"
                  ><bdi>{{ reward.title }}</bdi
                  ><span class="block text-xs text-[#3c4f42]"
                    >{{ reward.cost }} points{{ reward.stock === null ? '' : `, ${reward.stock} left`
                    }}{{ reward.isPaused ? ', paused' : '' }}</span
                  ></span
                >
                <button
                  type="button"
                  class="shrink-0 rounded border border-[#1d5a38] px-2.5 py-1 text-[#1d5a38] disabled:opacity-50"
                  :disabled="reward.isPaused || reward.stock === 0"
                  :aria-label="`Redeem ${reward.title}`"
                  @click="redeem(reward.id)"
                >
                  Redeem
                </button>
              </div>
              <input
                v-if="reward.asksForInput"
                v-model="typed[reward.id]"
                class="mt-1 min-h-8 w-full rounded border border-[#6d8272] bg-white px-2"
                :aria-label="`What you type for ${reward.title}`"
                placeholder="asks for words"
                maxlength="500"
              />
            </li>
          </ul>
          <p v-if="room.rewards.length === 0" class="text-[#3c4f42]">The channel has no rewards yet.</p>
        </section>
        <section v-if="room && room.redemptions.length > 0">
          <h2 class="mb-1 font-semibold">Redeemed lately</h2>
          <ul class="space-y-1">
            <li v-for="each in room.redemptions" :key="each.id" class="flex items-baseline gap-2">
              <span class="min-w-0 flex-1 truncate"
                ><bdi>{{ each.viewerName }}</bdi
                >: {{ each.title }}</span
              >
              <span class="shrink-0 text-xs" :class="each.state === 'refunded' ? 'text-[#8a2f1d]' : 'text-[#1d5a38]'">{{
                stateWords[each.state]
              }}</span>
            </li>
          </ul>
        </section>
      </aside>
    </div>
  </main>
</template>
