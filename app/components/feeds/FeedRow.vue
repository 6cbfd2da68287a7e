<script setup lang="ts">
import { useClipboard } from '@vueuse/core'
import { ref } from 'vue'
import { toast } from 'vue-sonner'
import type { FeedView } from '../../../contract/views.ts'
import { request, wordsOf } from '../../api/request.ts'
import { span } from '../../format/time.ts'
import { useSessionStore } from '../../stores/session.ts'
import SimulatorBar from './SimulatorBar.vue'

const props = defineProps<{ feed: FeedView }>()
const emit = defineEmits<{ changed: [] }>()
const session = useSessionStore()
const { copy, copied } = useClipboard({ legacy: true, copiedDuring: 1500 })
const keys = ref<{ secret: string; url: string } | null>(null)
const refusal = ref('')

async function reveal(): Promise<void> {
  try {
    keys.value = keys.value ? null : await request('GET', `/api/feeds/${props.feed.id}/secret`)
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
async function setLinked(isLinked: boolean): Promise<void> {
  const { id, name } = props.feed
  try {
    await (isLinked ? request('POST', `/api/feeds/${id}/restore`) : request('DELETE', `/api/feeds/${id}`))
    if (!isLinked)
      toast(`${name} is not heard any more. What it said stays.`, {
        duration: 12_000,
        action: { label: 'Undo', onClick: () => void setLinked(true) },
      })
  } catch (error) {
    refusal.value = wordsOf(error)
  }
  emit('changed')
}
/** As far as it is JSON, with line breaks. */
function pretty(raw: string): string {
  try {
    return JSON.stringify(JSON.parse(raw), null, 2)
  } catch {
    return raw
  }
}

const sampleLines = `SECRET=…   # the signing secret of this feed
NOW=$(date -u +%FT%TZ); TS=$(date +%s); ID=try-$TS
BODY='{"notices":[{"what":"new_follow","at":"'$NOW'","who":{"ref":"cu-1","shown_as":"pip_rye"}}]}'
KEY=$(printf %s "\${SECRET#whsec_}" | base64 -d | od -An -tx1 | tr -d ' \\n')
SIG=$(printf %s "$ID.$TS.$BODY" | openssl dgst -sha256 -mac HMAC -macopt "hexkey:$KEY" -binary | base64)
curl ${location.origin}/api/feeds/${props.feed.id}/deliveries -d "$BODY" -H 'content-type: application/json' \\
  -H "webhook-id: $ID" -H "webhook-timestamp: $TS" -H "webhook-signature: v1,$SIG"`
const figures = [
  { name: 'events', of: (feed: FeedView) => feed.acceptedCount },
  { name: 'repeats caught', of: (feed: FeedView) => feed.repeatedCount },
  { name: 'not understood', of: (feed: FeedView) => feed.rejectedCount },
  { name: 'wrongly signed', of: (feed: FeedView) => feed.refusedCount },
]
</script>

<template>
  <article class="on-paper rounded-sm p-6">
    <div class="grid items-center gap-6 md:grid-cols-[14rem_minmax(0,1fr)_auto]">
      <div>
        <h2 class="font-display text-2xl font-semibold">
          {{ feed.name }} <span v-if="feed.account" class="text-base font-normal text-faded">{{ feed.account }}</span>
        </h2>
        <p v-if="feed.unlinkedAtMs" class="text-brick">
          unlinked {{ span(Date.now() - feed.unlinkedAtMs) }} ago: nothing is heard
        </p>
        <p v-else class="text-faded">
          {{
            feed.lastDeliveryAtMs
              ? `last delivery ${span(Date.now() - feed.lastDeliveryAtMs)} ago`
              : 'nothing has arrived yet'
          }}{{ feed.lagMs !== null ? `, events ${span(feed.lagMs)} old` : '' }}
        </p>
      </div>
      <dl class="grid grid-cols-4 gap-3">
        <div v-for="figure in figures" :key="figure.name">
          <dd class="font-display text-2xl">{{ figure.of(feed) }}</dd>
          <dt class="text-faded">{{ figure.name }}</dt>
        </div>
      </dl>
      <div v-if="session.isOwner" class="flex flex-col items-stretch gap-1.5">
        <button v-if="feed.unlinkedAtMs" type="button" class="button" @click="setLinked(true)">Link it again</button>
        <template v-else>
          <button type="button" class="button" @click="reveal">
            {{ keys ? 'Hide address and secret' : 'Show address and secret' }}
          </button>
          <button
            type="button"
            class="link self-end text-faded"
            :aria-label="`Unlink ${feed.name}${feed.account ? ` ${feed.account}` : ''}`"
            @click="setLinked(false)"
          >
            Unlink
          </button>
        </template>
      </div>
    </div>
    <p v-if="refusal" role="alert" class="mt-3 text-brick">{{ refusal }}</p>
    <dl
      v-if="keys"
      class="mt-4 grid grid-cols-[7rem_minmax(0,1fr)_auto] items-center gap-x-3 gap-y-2 border-t border-rule pt-4"
    >
      <dt class="text-faded">Address</dt>
      <dd class="truncate font-mono text-xs">{{ keys.url }}</dd>
      <dd><button type="button" class="button" @click="copy(keys.url)">Copy</button></dd>
      <dt class="text-faded">Signing secret</dt>
      <dd class="truncate font-mono text-xs">{{ keys.secret }}</dd>
      <dd>
        <button type="button" class="button" @click="copy(keys.secret)">{{ copied ? 'Copied' : 'Copy' }}</button>
      </dd>
      <dd class="col-span-3 text-faded">
        Enter both on the platform. Deliveries are signed after the Standard Webhooks specification; unsigned and stale
        ones are refused and counted above.
      </dd>
    </dl>
    <SimulatorBar v-if="session.canEdit && !feed.unlinkedAtMs" :feed="feed" />
    <div v-if="feed.lastHeard" class="mt-4 grid gap-4 border-t border-rule pt-3 md:grid-cols-2">
      <div class="min-w-0">
        <h3 class="caps text-faded">The last delivery, as it was sent</h3>
        <pre
          class="mt-1 h-64 overflow-auto rounded-sm border border-rule bg-sheet p-3 font-mono text-2xs break-words whitespace-pre-wrap"
          tabindex="0"
          aria-label="As sent"
          >{{ pretty(feed.lastHeard.raw) }}</pre>
      </div>
      <div class="min-w-0">
        <h3 class="caps text-faded">As it was understood</h3>
        <pre
          class="mt-1 h-64 overflow-auto rounded-sm border border-rule bg-sheet p-3 font-mono text-2xs break-words whitespace-pre-wrap"
          tabindex="0"
          aria-label="As understood"
          >{{ feed.lastHeard.understood }}</pre>
      </div>
    </div>
    <div v-else-if="feed.platform === 'cedar'" class="mt-4 border-t border-rule pt-3">
      <h3 class="caps text-faded">Nothing heard since the server started</h3>
      <p class="mt-1 max-w-prose text-faded">
        Let the simulated platform send something, or send a follow yourself from a terminal. The next delivery is shown
        here as it was sent, beside what was understood of it.
      </p>
      <pre
        class="mt-2 overflow-auto rounded-sm border border-rule bg-sheet p-3 font-mono text-2xs"
        tabindex="0"
        aria-label="Lines for a terminal"
        >{{ sampleLines }}</pre>
    </div>
    <div v-if="feed.notUnderstood.length > 0" class="mt-4 border-t border-rule pt-3">
      <h3 class="caps text-faded">Kept for inspection: signed, but not understood</h3>
      <details v-for="kept in feed.notUnderstood" :key="kept.id" class="mt-1">
        <summary class="cursor-pointer">{{ span(Date.now() - kept.receivedAtMs) }} ago: {{ kept.note }}</summary>
        <pre
          class="mt-1 max-h-48 overflow-auto rounded-sm border border-rule bg-sheet p-3 font-mono text-2xs break-words whitespace-pre-wrap"
          >{{ kept.raw }}</pre>
      </details>
    </div>
  </article>
</template>
