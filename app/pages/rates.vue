<script setup lang="ts">
import { useHead } from '#imports'
import RatesPaper from '../components/feeds/RatesPaper.vue'

useHead({ title: 'Rates · Thundercrest' })
</script>

<template>
  <main class="h-full overflow-y-auto px-8 py-6">
    <h1 class="font-display text-3xl font-semibold">Rates</h1>
    <p class="mt-1 mb-5 text-mist">
      Viewers tip in many currencies. What one is worth in the channel’s own decides which alert its amount gets.
    </p>
    <RatesPaper />
  </main>
</template>
