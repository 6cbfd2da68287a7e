<script setup lang="ts">
import { definePageMeta, navigateTo, useHead } from '#imports'
import { useForm } from '@tanstack/vue-form'
import { ref } from 'vue'
import { welcomeBody } from '../../contract/bodies.ts'
import { wordsOf } from '../api/request.ts'
import { accountFields } from '../components/fields/accountFields.ts'
import FormField from '../components/fields/FormField.vue'
import { firstError } from '../components/fields/firstError.ts'
import { useSessionStore } from '../stores/session.ts'

definePageMeta({ layout: 'door' })
useHead({ title: 'Welcome · Thundercrest' })
const session = useSessionStore()
const refusal = ref('')

const form = useForm({
  defaultValues: { code: '', channelName: '', personName: '', email: '', password: '' },
  validators: { onSubmit: welcomeBody },
  onSubmit: async ({ value }) => {
    try {
      refusal.value = ''
      await session.welcome(value)
      await navigateTo('/boxes')
    } catch (error) {
      refusal.value = wordsOf(error)
    }
  },
})
const isSubmitting = form.useStore((state) => state.isSubmitting)
const fields = [
  { name: 'code', label: 'Code', hint: 'Printed where the server was started.', type: 'text', autocomplete: 'off' },
  {
    name: 'channelName',
    label: 'Your channel',
    hint: 'What your viewers know it as.',
    type: 'text',
    autocomplete: 'organization',
  },
  ...accountFields,
] as const
</script>

<template>
  <form class="space-y-4" novalidate @submit.prevent="form.handleSubmit()">
    <h1 class="font-display text-3xl font-semibold">Welcome</h1>
    <p class="text-faded">This server has no account yet. Make the first one: it owns the channel.</p>
    <form.Field v-for="{ name, ...shown } in fields" :key="name" v-slot="{ field, state }" :name="name">
      <FormField
        :model-value="state.value"
        v-bind="shown"
        :error="firstError(state.meta.errors)"
        @update:model-value="field.handleChange"
      />
    </form.Field>
    <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
    <button type="submit" class="button button-bolt w-full" :disabled="isSubmitting">Make the account</button>
  </form>
</template>
