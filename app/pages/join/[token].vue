<script setup lang="ts">
import { NuxtLink } from '#components'
import { definePageMeta, useHead, useRoute } from '#imports'
import { useForm } from '@tanstack/vue-form'
import { onMounted, ref } from 'vue'
import { newAccount } from '../../../contract/bodies.ts'
import { roleName, type JoinBody, type OpenedInvitation } from '../../../contract/people.ts'
import { request, wordsOf } from '../../api/request.ts'
import { accountFields } from '../../components/fields/accountFields.ts'
import FormField from '../../components/fields/FormField.vue'
import { firstError } from '../../components/fields/firstError.ts'
import { roleWords } from '../../format/roleWords.ts'

definePageMeta({ layout: 'door' })
useHead({ title: 'Join · Thundercrest', meta: [{ name: 'referrer', content: 'no-referrer' }] })
const route = useRoute()
const token = String(route.params.token)
const invitation = ref<OpenedInvitation | null>(null)
const refusal = ref('')
const isJoining = ref(false)

async function tried(work: () => Promise<void>): Promise<void> {
  refusal.value = ''
  try {
    await work()
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
onMounted(() =>
  tried(async () => void (invitation.value = await request<OpenedInvitation>('GET', `/api/invitations/${token}`))),
)
const join = (body: JoinBody) =>
  tried(async () => {
    isJoining.value = true
    await request('POST', `/api/invitations/${token}`, body)
    // Everything is read anew: this may be another person, and another channel.
    location.assign('/')
  }).finally(() => (isJoining.value = false))
const form = useForm({
  defaultValues: { personName: '', email: '', password: '' },
  validators: { onSubmit: newAccount },
  onSubmit: ({ value }) => join({ as: 'new', ...value }),
})
</script>

<template>
  <div v-if="invitation" class="space-y-4">
    <h1 class="font-display text-3xl font-semibold">Join {{ invitation.channelName }}</h1>
    <p class="text-faded">
      {{ invitation.madeByName }} invites you as <b class="font-semibold text-char">{{ roleName(invitation.role) }}</b>:
      {{ roleWords[invitation.role] }}.
    </p>
    <template v-if="invitation.you">
      <p v-if="invitation.you.isMember">
        You are signed in as {{ invitation.you.name }}, who belongs to it already.
        <NuxtLink to="/" class="link text-deep-sky">Go on working</NuxtLink>
      </p>
      <template v-else>
        <p>You are signed in as {{ invitation.you.name }}.</p>
        <button type="button" class="button button-bolt w-full" :disabled="isJoining" @click="join({ as: 'you' })">
          Join as {{ invitation.you.name }}
        </button>
      </template>
      <p class="text-faded">Somebody else? Sign out first, then open the link again.</p>
    </template>
    <form v-else class="space-y-4" novalidate @submit.prevent="form.handleSubmit()">
      <form.Field v-for="{ name, ...shown } in accountFields" :key="name" v-slot="{ field, state }" :name="name">
        <FormField
          :model-value="state.value"
          v-bind="shown"
          :error="firstError(state.meta.errors)"
          @update:model-value="field.handleChange"
        />
      </form.Field>
      <button type="submit" class="button button-bolt w-full" :disabled="isJoining">Make the account and join</button>
      <p class="text-faded">
        You have an account here?
        <NuxtLink :to="{ path: '/sign-in', query: { to: `/join/${token}` } }" class="link text-deep-sky"
          >Sign in with it</NuxtLink
        >
      </p>
    </form>
    <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
  </div>
  <div v-else-if="refusal" class="space-y-4">
    <h1 class="font-display text-3xl font-semibold">This link leads nowhere</h1>
    <p role="alert">{{ refusal }}</p>
    <NuxtLink to="/" class="link text-deep-sky">To the sign-in</NuxtLink>
  </div>
  <p v-else class="text-faded">Loading…</p>
</template>
