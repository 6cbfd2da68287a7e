<script setup lang="ts">
import { useId } from 'vue'

defineProps<{ label: string; type?: string; autocomplete?: string; error?: string | undefined; hint?: string }>()
const value = defineModel<string>({ required: true })
const id = useId()
</script>

<template>
  <div>
    <label :for="id" class="mb-1 block font-medium">{{ label }}</label>
    <input
      :id="id"
      v-model="value"
      class="field"
      :type="type ?? 'text'"
      :autocomplete="autocomplete"
      :aria-invalid="error ? true : undefined"
      :aria-describedby="error || hint ? `${id}-note` : undefined"
    />
    <p v-if="error || hint" :id="`${id}-note`" class="mt-1" :class="error ? 'text-brick' : 'text-faded'">
      {{ error ?? hint }}
    </p>
  </div>
</template>
