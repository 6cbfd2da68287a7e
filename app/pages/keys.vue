<script setup lang="ts">
import { useHead } from '#imports'
import { formatTimeAgo, useClipboard } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import { toast } from 'vue-sonner'
import { paces, scopes, scopeWords, type KeyView, type MadeKey, type Scope } from '../../contract/keys.ts'
import { request, wordsOf } from '../api/request.ts'
import TickBox from '../components/fields/TickBox.vue'
import { useSessionStore } from '../stores/session.ts'

useHead({ title: 'Keys · Thundercrest' })
const session = useSessionStore()
const keys = ref<KeyView[] | null>(null)
const refusal = ref('')
const name = ref('')
const chosen = ref<Scope[]>(['send'])
const perMinute = ref<number>(600)
const made = ref<MadeKey | null>(null)
const ending = ref<string | null>(null)
const isMaking = ref(false)
const { copy, copied } = useClipboard({ legacy: true })
const paceWords: Readonly<Record<number, string>> = {
  60: 'once a second',
  600: 'ten times a second',
  6000: 'a hundred times a second',
}
const ago = (ms: number) => formatTimeAgo(new Date(ms))
const mayWords = (of: readonly Scope[]) => of.map((each) => scopeWords[each].name.toLowerCase()).join(', ')

async function tried(work: () => Promise<void>): Promise<void> {
  refusal.value = ''
  try {
    await work()
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
const load = () => tried(async () => void (keys.value = (await request<{ keys: KeyView[] }>('GET', '/api/keys')).keys))
onMounted(load)
const make = () =>
  tried(async () => {
    isMaking.value = true
    const body = { name: name.value, scopes: chosen.value, perMinute: perMinute.value }
    made.value = await request<MadeKey>('POST', '/api/keys', body)
    name.value = ''
    await load()
  }).finally(() => (isMaking.value = false))
const end = ({ id, name: of }: KeyView) =>
  tried(async () => {
    await request('DELETE', `/api/keys/${id}`)
    if (made.value?.key.id === id) made.value = null
    ending.value = null
    await load()
    toast.success(`${of} is refused from now on.`)
  })
const tick = (scope: Scope, isOn: boolean) =>
  (chosen.value = isOn ? [...chosen.value, scope] : chosen.value.filter((each) => each !== scope))
/** What to type to see a key work, for what it may do. */
const trial = computed(() => {
  if (!made.value) return ''
  const { secret, key } = made.value
  const head = `curl -H "Authorization: Bearer ${secret}"`
  if (!key.scopes.includes('send')) return `${head} ${location.origin}/api/events`
  const attributes = `-H "ce-specversion: 1.0" -H "ce-id: first" -H "ce-source: curl" -H "ce-type: thundercrest.event.follow.v1"`
  const data = `{"viewer":{"id":"pip_rye","name":"pip_rye"}}`
  return `${head} -H "Content-Type: application/json" ${attributes} -d '${data}' ${location.origin}/api/events`
})
</script>

<template>
  <main class="grid h-full min-h-0 grid-cols-1 gap-6 overflow-y-auto px-8 py-6 lg:grid-cols-[minmax(0,1fr)_25rem]">
    <section aria-labelledby="keys">
      <h1 id="keys" class="font-display text-3xl font-semibold">Keys</h1>
      <p class="mt-1 text-mist">
        Programs that work with {{ session.session?.channel.name }} without anybody signed in: a bot, a script, a shop.
      </p>
      <p v-if="refusal" role="alert" class="mt-3 text-wrong">{{ refusal }}</p>
      <div v-if="made" class="on-paper mt-4 rounded-sm border-l-4 border-bolt p-4">
        <p>
          This is the key of <b>{{ made.key.name }}</b>. It is shown only now: put it where the program reads it.
        </p>
        <div class="mt-2 flex gap-2">
          <output class="field block flex-1 truncate font-mono text-xs leading-6" aria-label="The key">{{
            made.secret
          }}</output>
          <button type="button" class="button" @click="copy(made.secret)">{{ copied ? 'Copied' : 'Copy' }}</button>
        </div>
        <p class="mt-3 text-faded">To see it work, in a terminal:</p>
        <pre
          class="mt-1 rounded-sm bg-rule/40 p-2 text-2xs break-words whitespace-pre-wrap"
          aria-label="To see it work"
          tabindex="0"
          >{{ trial }}</pre>
      </div>
      <ul v-if="keys?.length" class="on-paper mt-4 divide-y divide-rule rounded-sm px-5" aria-label="Keys of programs">
        <li v-for="key in keys" :key="key.id" class="py-3">
          <div class="flex flex-wrap items-center gap-x-4 gap-y-1">
            <p class="min-w-0 flex-1">
              <span class="flex items-baseline gap-2"
                ><bdi class="truncate font-semibold">{{ key.name }}</bdi
                ><span v-if="key.hint" class="shrink-0 font-mono text-2xs text-faded">{{ key.hint }}…</span></span
              >
              <span class="block text-faded">may {{ mayWords(key.scopes) }}</span>
              <span class="block text-faded"
                >made {{ ago(key.madeAtMs) }}<template v-if="key.madeByName"> by {{ key.madeByName }}</template
                >, {{ key.usedAtMs === null ? 'never used' : `used ${ago(key.usedAtMs)}` }}</span
              >
            </p>
            <button
              type="button"
              class="button"
              :aria-label="`End ${key.name}`"
              @click="ending = ending === key.id ? null : key.id"
            >
              End
            </button>
          </div>
          <div v-if="ending === key.id" class="mt-2 flex flex-wrap items-center gap-3 rounded-sm bg-rule/40 px-3 py-2">
            <p class="min-w-0 flex-1">Whatever uses it is refused at once. It cannot be brought back, only replaced.</p>
            <button type="button" class="button" @click="ending = null">Keep it</button>
            <button type="button" class="button button-bolt" @click="end(key)">End {{ key.name }}</button>
          </div>
        </li>
      </ul>
      <div v-else-if="keys" class="on-paper mt-4 rounded-sm p-6">
        <h2 class="font-display text-xl font-semibold">No program yet</h2>
        <p class="mt-1 max-w-xl text-faded">
          Make a key at the right and give it to one program. It can send what happens elsewhere as events, and your
          alerts play for it. What is understood is said at
          <a class="link" href="/openapi.json">/openapi.json</a>.
        </p>
      </div>
      <p v-else-if="!refusal" class="mt-4 text-mist">Loading…</p>
    </section>
    <section aria-labelledby="make">
      <h2 id="make" class="font-display text-xl font-semibold">Make a key</h2>
      <form class="on-paper mt-2 space-y-3 rounded-sm p-4" @submit.prevent="make">
        <label class="block">
          <span class="mb-1 block font-medium">For which program</span>
          <input v-model="name" class="field" maxlength="80" placeholder="e.g. the bot in the chat" required />
        </label>
        <fieldset>
          <legend class="mb-1 font-medium">It may</legend>
          <div class="space-y-1.5">
            <TickBox
              v-for="scope in scopes"
              :key="scope"
              :checked="chosen.includes(scope)"
              @change="tick(scope, $event)"
              ><span
                >{{ scopeWords[scope].name.toLowerCase()
                }}<span class="block text-faded">{{ scopeWords[scope].means }}</span></span
              ></TickBox
            >
          </div>
        </fieldset>
        <label class="block">
          <span class="mb-1 block font-medium">At most</span>
          <select v-model="perMinute" class="field">
            <option v-for="pace in paces" :key="pace" :value="pace">{{ paceWords[pace] }}</option>
          </select>
        </label>
        <button type="submit" class="button button-bolt w-full" :disabled="isMaking || chosen.length === 0">
          Make the key
        </button>
      </form>
    </section>
  </main>
</template>
