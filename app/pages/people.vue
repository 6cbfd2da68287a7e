<script setup lang="ts">
import { navigateTo, useHead } from '#imports'
import { useClipboard } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import { toast } from 'vue-sonner'
import {
  roleName,
  type InvitationView,
  type MadeInvitation,
  type MemberView,
  type PeopleView,
} from '../../contract/people.ts'
import { roles, type Role } from '../../contract/views.ts'
import { request, wordsOf } from '../api/request.ts'
import { useChannel } from '../composables/useChannel.ts'
import { roleWords } from '../format/roleWords.ts'
import { useSessionStore } from '../stores/session.ts'

useHead({ title: 'People · Thundercrest' })
const session = useSessionStore()
const channel = useChannel()
const people = ref<PeopleView | null>(null)
const refusal = ref('')
const role = ref<Role>('moderator')
const note = ref('')
const made = ref<MadeInvitation | null>(null)
const isMaking = ref(false)
const { copy, copied } = useClipboard({ legacy: true })

const owners = computed(() => people.value?.members.filter((each) => each.role === 'owner').length ?? 0)
const isLastOwner = (member: MemberView) => member.role === 'owner' && owners.value === 1
const day = (ms: number) =>
  new Intl.DateTimeFormat('en-GB', {
    timeZone: channel.value.timeZone,
    ...{ weekday: 'long', day: 'numeric', month: 'long', hour: '2-digit', minute: '2-digit' },
  }).format(ms)

async function tried(work: () => Promise<void>): Promise<void> {
  refusal.value = ''
  try {
    await work()
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
const load = () => tried(async () => void (people.value = await request<PeopleView>('GET', '/api/people')))
onMounted(load)

const give = (member: MemberView, to: Role) =>
  tried(async () => {
    const before = member.role
    people.value = await request<PeopleView>('PATCH', `/api/people/${member.personId}`, { role: to })
    if (member.isYou) await session.load()
    else
      toast.success(`${member.name} is ${roleName(to)} now. It holds at once, on every screen of theirs.`, {
        action: { label: 'Undo', onClick: () => void give({ ...member, role: to }, before) },
      })
  })
const choose = (member: MemberView, event: Event) => {
  const select = event.target as HTMLSelectElement
  const to = select.value as Role
  // What is shown is what is so: it changes when the server has said so.
  select.value = member.role
  return give(member, to)
}
const invite = () =>
  tried(async () => {
    isMaking.value = true
    made.value = await request<MadeInvitation>('POST', '/api/people/invitations', {
      role: role.value,
      note: note.value,
    })
    note.value = ''
    await load()
  }).finally(() => (isMaking.value = false))
const takeBack = ({ id }: InvitationView) =>
  tried(async () => {
    await request('DELETE', `/api/people/invitations/${id}`)
    if (made.value?.invitation.id === id) made.value = null
    await load()
  })
/** Whom the page asks about once more: taking somebody out cannot be undone from here. */
const leaving = ref<MemberView | null>(null)
const takeOut = (member: MemberView) =>
  tried(async () => {
    await request('DELETE', `/api/people/${member.personId}`)
    leaving.value = null
    if (!member.isYou) return load()
    await session.load()
    await navigateTo('/')
  })
</script>

<template>
  <main class="grid h-full min-h-0 grid-cols-1 gap-6 overflow-y-auto px-8 py-6 lg:grid-cols-[minmax(0,1fr)_25rem]">
    <section aria-labelledby="people">
      <h1 id="people" class="font-display text-3xl font-semibold">People</h1>
      <p class="mt-1 text-mist">Who works on {{ session.session?.channel.name }}, and what each of them may do.</p>
      <p v-if="refusal" role="alert" class="mt-3 text-wrong">{{ refusal }}</p>
      <ul v-if="people" class="on-paper mt-4 divide-y divide-rule rounded-sm px-5" aria-label="Members">
        <li v-for="member in people.members" :key="member.personId" class="py-3">
          <div class="flex flex-wrap items-center gap-x-4 gap-y-1">
            <p class="min-w-0 flex-1">
              <span class="block truncate font-semibold"
                ><bdi>{{ member.name }}</bdi
                ><span v-if="member.isYou" class="ml-2 font-normal text-faded">you</span></span
              >
              <span v-if="member.email" class="block truncate text-faded">{{ member.email }}</span>
            </p>
            <template v-if="session.isOwner">
              <select
                class="field w-auto!"
                :value="member.role"
                :disabled="isLastOwner(member)"
                :aria-label="`Role of ${member.name}`"
                @change="choose(member, $event)"
              >
                <option v-for="each in roles" :key="each" :value="each">{{ roleName(each) }}</option>
              </select>
            </template>
            <span v-else>{{ roleName(member.role) }}</span>
            <button
              v-if="(session.isOwner || member.isYou) && !isLastOwner(member)"
              type="button"
              class="button"
              @click="leaving = leaving?.personId === member.personId ? null : member"
            >
              {{ member.isYou ? 'Leave' : 'Take out' }}
            </button>
          </div>
          <p class="text-faded">
            {{ roleWords[member.role]
            }}<template v-if="isLastOwner(member)">; somebody has to own the channel</template>
          </p>
          <div
            v-if="leaving?.personId === member.personId"
            class="mt-2 flex flex-wrap items-center gap-3 rounded-sm bg-rule/40 px-3 py-2"
          >
            <p class="min-w-0 flex-1">
              {{
                member.isYou
                  ? 'You lose this channel at once, and come back only by a new invitation.'
                  : `${member.name} loses the channel at once, on every screen. What they made stays.`
              }}
            </p>
            <button type="button" class="button" @click="leaving = null">Stay</button>
            <button type="button" class="button button-bolt" @click="takeOut(member)">
              {{ member.isYou ? 'Leave the channel' : `Take ${member.name} out` }}
            </button>
          </div>
        </li>
      </ul>
      <p v-else-if="!refusal" class="mt-4 text-mist">Loading…</p>
    </section>
    <section v-if="session.isOwner" aria-labelledby="invite">
      <h2 id="invite" class="font-display text-xl font-semibold">Invite somebody</h2>
      <form class="on-paper mt-2 space-y-3 rounded-sm p-4" @submit.prevent="invite">
        <label class="block">
          <span class="mb-1 block font-medium">They will be</span>
          <select v-model="role" class="field">
            <option v-for="each in roles" :key="each" :value="each">{{ roleName(each) }}: {{ roleWords[each] }}</option>
          </select>
        </label>
        <label class="block">
          <span class="mb-1 block font-medium">For whom</span>
          <input v-model="note" class="field" maxlength="80" placeholder="so that you know which link is whose" />
        </label>
        <button type="submit" class="button button-bolt w-full" :disabled="isMaking">Make a link</button>
        <div v-if="made" class="border-t border-rule pt-3">
          <p>Send this link to them yourself: it is shown only now, works once, and for a week.</p>
          <div class="mt-2 flex gap-2">
            <output
              class="field block flex-1 truncate font-mono text-xs leading-6"
              aria-label="Link of the invitation"
              >{{ made.url }}</output
            >
            <button type="button" class="button" @click="copy(made.url)">{{ copied ? 'Copied' : 'Copy' }}</button>
          </div>
        </div>
      </form>
      <template v-if="people && people.invitations.length > 0">
        <h3 class="caps mt-5 text-mist">Not used yet</h3>
        <ul class="mt-1 divide-y divide-seam border-y border-seam" aria-label="Open invitations">
          <li v-for="each in people.invitations" :key="each.id" class="flex items-center gap-3 py-2">
            <span class="min-w-0 flex-1"
              ><span class="block truncate">{{ each.note || 'Somebody' }}, as {{ roleName(each.role) }}</span
              ><span class="block text-mist">until {{ day(each.expiresAtMs) }}</span></span
            >
            <button
              type="button"
              class="button"
              :aria-label="`Take back: ${each.note || each.role}`"
              @click="takeBack(each)"
            >
              Take back
            </button>
          </li>
        </ul>
      </template>
    </section>
    <p v-else class="text-mist">Owners invite others and give roles. Ask one of them.</p>
  </main>
</template>
