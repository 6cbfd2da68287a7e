<script setup lang="ts">
import { useHead } from '#imports'
import { useForm } from '@tanstack/vue-form'
import { formatTimeAgo } from '@vueuse/core'
import { onMounted, ref } from 'vue'
import { toast } from 'vue-sonner'
import { accountForm, passwordBody, roleName, type AccountView } from '../../contract/people.ts'
import { request, wordsOf } from '../api/request.ts'
import PasskeyList from '../components/account/PasskeyList.vue'
import FormField from '../components/fields/FormField.vue'
import { firstError } from '../components/fields/firstError.ts'
import { useSessionStore } from '../stores/session.ts'

useHead({ title: 'Your account · Thundercrest' })
const session = useSessionStore()
const account = ref<AccountView | null>(null)
const refusal = ref('')
const passwordRefusal = ref('')
/** “2 minutes ago”, as it was when the page was opened. */
const ago = (ms: number) => formatTimeAgo(new Date(ms))

async function tried(work: () => Promise<unknown>, into = refusal): Promise<void> {
  into.value = ''
  try {
    await work()
  } catch (error) {
    into.value = wordsOf(error)
  }
}
const own = useForm({
  defaultValues: { name: '', email: '' },
  validators: { onSubmit: accountForm },
  onSubmit: ({ value }) =>
    tried(async () => {
      account.value = await request<AccountView>('PATCH', '/api/account', value)
      await session.load()
      toast.success('Saved. Everybody of the channel sees your name as it is now.')
    }),
})
const password = useForm({
  defaultValues: { now: '', then: '' },
  validators: { onSubmit: passwordBody },
  onSubmit: ({ value, formApi }) =>
    tried(async () => {
      await request('PUT', '/api/account/password', value)
      formApi.reset()
      await load()
      toast.success('Your password is another now. You are signed out everywhere else.')
    }, passwordRefusal),
})
const load = () =>
  tried(async () => {
    account.value = await request<AccountView>('GET', '/api/account')
    own.setFieldValue('name', account.value.name)
    own.setFieldValue('email', account.value.email)
  })
onMounted(load)
const end = (id: string) =>
  tried(async () => void (account.value = await request<AccountView>('DELETE', `/api/account/sessions/${id}`)))
const another = ref('')
const begin = () =>
  tried(async () => {
    await request('POST', '/api/channels', { name: another.value })
    // Nothing of the channel before stays on the page.
    location.assign('/')
  })
const isSaving = own.useStore((state) => state.isSubmitting)
const isChanging = password.useStore((state) => state.isSubmitting)
</script>

<template>
  <main class="h-full min-h-0 overflow-y-auto px-8 py-6">
    <h1 class="font-display text-3xl font-semibold">Your account</h1>
    <p v-if="refusal" role="alert" class="mt-2 text-wrong">{{ refusal }}</p>
    <div v-if="account" class="mt-4 grid max-w-5xl grid-cols-1 items-start gap-6 lg:grid-cols-2">
      <form
        class="on-paper space-y-3 rounded-sm p-5"
        novalidate
        aria-labelledby="who"
        @submit.prevent="own.handleSubmit()"
      >
        <h2 id="who" class="font-display text-xl font-semibold">Who you are</h2>
        <own.Field v-slot="{ field, state }" name="name">
          <FormField
            :model-value="state.value"
            label="Name"
            autocomplete="name"
            :error="firstError(state.meta.errors)"
            @update:model-value="field.handleChange"
          />
        </own.Field>
        <own.Field v-slot="{ field, state }" name="email">
          <FormField
            :model-value="state.value"
            label="E-mail address"
            type="email"
            autocomplete="username"
            hint="To sign in with. Nothing is sent to it."
            :error="firstError(state.meta.errors)"
            @update:model-value="field.handleChange"
          />
        </own.Field>
        <button type="submit" class="button button-bolt" :disabled="isSaving">Save</button>
      </form>
      <form
        class="on-paper space-y-3 rounded-sm p-5"
        novalidate
        aria-labelledby="password"
        @submit.prevent="password.handleSubmit()"
      >
        <h2 id="password" class="font-display text-xl font-semibold">Password</h2>
        <password.Field v-slot="{ field, state }" name="now">
          <FormField
            :model-value="state.value"
            label="As it is now"
            type="password"
            autocomplete="current-password"
            :error="firstError(state.meta.errors)"
            @update:model-value="field.handleChange"
          />
        </password.Field>
        <password.Field v-slot="{ field, state }" name="then">
          <FormField
            :model-value="state.value"
            label="From now on"
            type="password"
            autocomplete="new-password"
            hint="Ten characters or more."
            :error="firstError(state.meta.errors)"
            @update:model-value="field.handleChange"
          />
        </password.Field>
        <p v-if="passwordRefusal" role="alert" class="text-brick">{{ passwordRefusal }}</p>
        <button type="submit" class="button button-bolt" :disabled="isChanging">Change it</button>
      </form>
      <section class="on-paper rounded-sm p-5" aria-labelledby="where">
        <h2 id="where" class="font-display text-xl font-semibold">Where you are signed in</h2>
        <ul class="mt-2 divide-y divide-rule" aria-label="Browsers">
          <li v-for="each in account.sessions" :key="each.id" class="flex items-center gap-3 py-2">
            <span class="min-w-0 flex-1"
              ><span class="block">{{ each.browser || 'A browser' }}</span
              ><span class="block text-faded"
                >since {{ ago(each.madeAtMs)
                }}<template v-if="!each.isThis">, seen {{ ago(each.seenAtMs) }}</template></span
              ></span
            >
            <span v-if="each.isThis" class="text-moss">this one</span>
            <button v-else type="button" class="button" @click="end(each.id)">Sign out there</button>
          </li>
        </ul>
        <button v-if="account.sessions.length > 1" type="button" class="button mt-3" @click="end('others')">
          Sign out everywhere else
        </button>
      </section>
      <PasskeyList :passkeys="account.passkeys" @change="account = $event" />
      <section class="on-paper rounded-sm p-5" aria-labelledby="channels">
        <h2 id="channels" class="font-display text-xl font-semibold">Your channels</h2>
        <ul class="mt-2 divide-y divide-rule" aria-label="Channels">
          <li v-for="each in account.channels" :key="each.id" class="flex items-center gap-3 py-2">
            <span class="min-w-0 flex-1"
              ><span class="block truncate font-medium">{{ each.name }}</span
              ><span class="block text-faded">{{ roleName(each.role) }}</span></span
            >
            <span v-if="each.isHere" class="text-moss">you are here</span>
            <button v-else type="button" class="button" @click="tried(() => session.goTo(each.id))">Work here</button>
          </li>
        </ul>
        <form v-if="session.isOwner" class="mt-3 flex gap-2 border-t border-rule pt-3" @submit.prevent="begin">
          <input
            v-model="another"
            class="field"
            maxlength="200"
            placeholder="another channel’s name"
            aria-label="Name of another channel"
            required
          />
          <button type="submit" class="button shrink-0">Begin it</button>
        </form>
      </section>
    </div>
    <p v-else-if="!refusal" class="mt-4 text-mist">Loading…</p>
  </main>
</template>
