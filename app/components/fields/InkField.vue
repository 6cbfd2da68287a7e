<script setup lang="ts">
import { computed } from 'vue'
import { resolveInk } from '../../../core/look/resolveStyle.ts'
import { inkRoles, type Look, type StyledInk } from '../../../core/look/schema.ts'

/** A colour: one of the look's roles, or one of its own. */
const props = defineProps<{ ink: StyledInk; look: Look; label: string; disabled?: boolean }>()
const emit = defineEmits<{ change: [ink: StyledInk] }>()
const colour = computed(() => resolveInk(props.ink, props.look))
const isOwn = computed(() => 'own' in props.ink)
const chosenRole = computed(() => ('role' in props.ink ? props.ink.role : null))
</script>

<template>
  <div role="group" :aria-label="label" class="flex flex-wrap items-center gap-[3px]">
    <button
      v-for="role in inkRoles"
      :key="role"
      type="button"
      class="size-5 shrink-0 rounded-full border-2"
      :class="chosenRole === role ? 'border-ink' : 'border-rule'"
      :style="{ background: look.palette[role] }"
      :title="`${role} of the look`"
      :aria-label="`${label}: ${role} of the look`"
      :aria-pressed="chosenRole === role"
      :disabled="disabled"
      @click="emit('change', { role })"
    />
    <label
      class="ml-auto flex shrink-0 cursor-pointer items-center gap-1 rounded-sm border bg-sheet py-0.5 pr-1.5 pl-1"
      :class="isOwn ? 'border-ink' : 'border-rule'"
    >
      <input
        type="color"
        class="h-5 w-4 cursor-pointer border-0 bg-transparent p-0"
        :value="colour"
        :disabled="disabled"
        :aria-label="`${label}: own colour`"
        @input="emit('change', { own: ($event.target as HTMLInputElement).value.toUpperCase() })"
      />
      <span class="text-2xs text-faded">own</span>
    </label>
  </div>
</template>
