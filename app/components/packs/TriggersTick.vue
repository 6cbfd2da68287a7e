<script setup lang="ts">
import { counted } from '../../format/counted.ts'
import TickBox from '../fields/TickBox.vue'

/** Whether the triggers of a pack come along with it. Nothing, where it has none. */
const isTicked = defineModel<boolean>({ required: true })
defineProps<{ names: readonly string[] }>()
</script>

<template>
  <div v-if="names.length > 0">
    <TickBox :checked="isTicked" @change="(checked) => (isTicked = checked)"
      ><span>with its {{ counted(names.length, 'trigger') }}</span></TickBox
    >
    <p class="pl-6 text-faded">
      {{ names.join(', ') }}. They arrive unarmed and without a price: you decide who may, and for what.
    </p>
  </div>
</template>
