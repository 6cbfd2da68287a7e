<script setup lang="ts">
import { useHead } from '#imports'
import { formatTimeAgo } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import { toast } from 'vue-sonner'
import type { Keeping } from '../../contract/channelSettings.ts'
import type { OlderView, RoomView } from '../../contract/keeping.ts'
import { request, wordsOf } from '../api/request.ts'
import KeptFor from '../components/channel/KeptFor.vue'
import RoomBar from '../components/channel/RoomBar.vue'
import { counted } from '../format/counted.ts'
import { bytesInWords } from '../format/bytesInWords.ts'
import { useSessionStore } from '../stores/session.ts'

useHead({ title: 'Backup and room · Thundercrest' })
const session = useSessionStore()
const room = ref<RoomView | null>(null)
const refusal = ref('')
const isWorking = ref(false)
/** How long things are to be kept, as it was chosen and is not so yet, and what would go. */
const wanted = ref<{ keeping: Keeping; older: OlderView } | null>(null)

async function tried(work: () => Promise<unknown>): Promise<void> {
  refusal.value = ''
  isWorking.value = true
  try {
    await work()
  } catch (error) {
    refusal.value = wordsOf(error)
  } finally {
    isWorking.value = false
  }
}
onMounted(() => tried(async () => void (room.value = await request<RoomView>('GET', '/api/channel/room'))))

const isSame = (a: Keeping, b: Keeping) => a.historyDays === b.historyDays && a.versionDays === b.versionDays
/** What is kept longer is so at once; what would go is shown before it goes. */
const choose = (change: Partial<Keeping>) =>
  tried(async () => {
    if (!room.value) return
    const keeping = { ...(wanted.value?.keeping ?? room.value.keeping), ...change }
    if (isSame(keeping, room.value.keeping)) {
      wanted.value = null
      return
    }
    const asked = Object.entries(keeping).filter(([, days]) => days !== null)
    const query = new URLSearchParams(asked.map(([name, days]) => [name, String(days)])).toString()
    const older = await request<OlderView>('GET', `/api/channel/room/older?${query}`)
    if (older.events + older.versions === 0) await keep(keeping)
    else wanted.value = { keeping, older }
  })
async function keep(keeping: Keeping): Promise<void> {
  room.value = await request<RoomView>('PUT', '/api/channel/room/keeping', keeping)
  wanted.value = null
  toast.success('Kept so from now on.')
}
const cleanUp = () =>
  tried(async () => {
    const before = room.value?.unused
    room.value = await request<RoomView>('DELETE', '/api/channel/room/unused')
    if (before) toast.success(`${counted(before.count, 'file')} removed, ${bytesInWords(before.bytes)} free again.`)
  })
const parts = computed(() =>
  room.value
    ? [
        { name: 'Media', count: counted(room.value.media.count, 'file'), bytes: room.value.media.bytes },
        { name: 'History', count: counted(room.value.history.count, 'event'), bytes: room.value.history.bytes },
        { name: 'Versions', count: counted(room.value.versions.count, 'version'), bytes: room.value.versions.bytes },
        {
          name: 'Recordings',
          count: counted(room.value.recordings.count, 'recording'),
          bytes: room.value.recordings.bytes,
        },
      ]
    : [],
)
const goes = computed(() => {
  const older = wanted.value?.older
  if (!older) return ''
  const listed = [
    older.events > 0 ? counted(older.events, 'event') : '',
    older.versions > 0 ? counted(older.versions, 'version') : '',
  ]
  return listed.filter((each) => each !== '').join(' and ')
})
const chosen = computed(() => wanted.value?.keeping ?? room.value?.keeping)
</script>

<template>
  <main class="h-full overflow-y-auto px-8 py-6">
    <h1 class="font-display text-3xl font-semibold">Backup and room</h1>
    <p class="mt-1 text-mist">A way out and back for {{ session.session?.channel.name }}, and what it takes.</p>
    <p v-if="refusal" role="alert" class="mt-3 text-wrong">{{ refusal }}</p>
    <div v-if="room" class="mt-4 grid max-w-6xl items-start gap-6 lg:grid-cols-2">
      <section class="on-paper rounded-sm p-5" aria-labelledby="backup">
        <h2 id="backup" class="font-display text-xl font-semibold">Backup</h2>
        <p class="mt-1 text-faded">
          One file with everything: boxes, packs, media, triggers, goals, the whole history, and people without their
          passwords. It is taken while the channel is live.
        </p>
        <p class="mt-2 text-faded">
          Addresses of sources and secrets of feeds are in it, so that everything goes on where it is restored. Keep it
          as you keep a key.
        </p>
        <a class="button button-bolt mt-3" href="/api/channel/backup" download>Save a backup</a>
        <h3 class="caps mt-5 text-faded">Back again</h3>
        <p class="mt-1 text-faded">Whoever runs a server puts it into an empty one:</p>
        <pre class="mt-1 rounded-sm bg-rule/40 p-2 text-2xs" tabindex="0" aria-label="To restore">
npm run restore -- FILE</pre>
        <h3 class="caps mt-5 text-faded">By night</h3>
        <p v-if="!room.hasNights" class="mt-1 text-faded">
          This server keeps its data in a PostgreSQL server of its own: whoever runs that backs it up.
        </p>
        <p v-else-if="room.nights.length === 0" class="mt-1 text-faded">
          The server backs itself up once a day and keeps seven. The first comes within a day.
        </p>
        <p v-else class="mt-1 text-faded">
          The server backs itself up once a day and keeps seven. The newest is from
          {{ formatTimeAgo(new Date(room.nights[0]?.atMs ?? 0)) }}; there are {{ room.nights.length }}.
        </p>
      </section>
      <section class="on-paper rounded-sm p-5" aria-labelledby="room">
        <h2 id="room" class="font-display text-xl font-semibold">Room</h2>
        <RoomBar :parts="parts" :free-bytes="room.freeBytes" :quota-bytes="room.quotaBytes" />
        <h3 class="caps mt-5 text-faded">Nothing uses them</h3>
        <template v-if="room.unused.count > 0">
          <p class="mt-1">
            {{ counted(room.unused.count, 'file') }} out of the library, {{ bytesInWords(room.unused.bytes) }}: no
            draft, no version and no trigger has them.
          </p>
          <p class="mt-1 truncate text-faded">{{ room.unused.names.join(', ') }}</p>
          <button type="button" class="button mt-2" :disabled="isWorking" @click="cleanUp">
            Remove {{ room.unused.count === 1 ? 'it' : 'them' }} for good
          </button>
        </template>
        <p v-else class="mt-1 text-faded">
          No file is out of the library and unused. What you take out of the library comes here once no version has it.
        </p>
        <h3 class="caps mt-5 text-faded">How long things are kept</h3>
        <div v-if="chosen" class="mt-1 space-y-2">
          <KeptFor label="The history" :days="chosen.historyDays" @change="choose({ historyDays: $event })" />
          <KeptFor
            label="Versions that are not on air"
            :days="chosen.versionDays"
            @change="choose({ versionDays: $event })"
          />
        </div>
        <div v-if="wanted" class="mt-3 rounded-sm bg-rule/40 p-3">
          <p>
            {{ goes }} {{ wanted.older.events + wanted.older.versions === 1 ? 'is' : 'are' }} older and would go now,
            for good. Points and broadcasts stay; a goal that is counted anew counts only what is left.
          </p>
          <div class="mt-2 flex flex-wrap gap-2">
            <button type="button" class="button" @click="wanted = null">Keep everything</button>
            <button
              type="button"
              class="button button-bolt"
              :disabled="isWorking"
              @click="tried(async () => wanted && (await keep(wanted.keeping)))"
            >
              Remove {{ goes }}
            </button>
          </div>
        </div>
      </section>
    </div>
    <p v-else-if="!refusal" class="mt-4 text-mist">Weighing everything…</p>
  </main>
</template>
