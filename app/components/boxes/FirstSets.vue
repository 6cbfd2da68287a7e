<script setup lang="ts">
import { NuxtLink } from '#components'
import { computed, onMounted, ref } from 'vue'
import { wordsOf } from '../../api/request.ts'
import { usePacksStore } from '../../stores/packs.ts'
import PackTile from '../packs/PackTile.vue'

/** A channel without a box begins here: the sets that ship, one moving after another, each the way to a box of its own. */
const packs = usePacksStore()
const refusal = ref('')
const turn = ref(0)
const sets = computed(() => packs.offered)
onMounted(async () => {
  try {
    await packs.load()
  } catch (error) {
    refusal.value = wordsOf(error)
  }
})
</script>

<template>
  <section aria-labelledby="first-sets">
    <h2 id="first-sets" class="font-display text-xl font-semibold">Begin with a set</h2>
    <p class="mt-1 mb-4 max-w-3xl text-mist">
      A box holds your alerts and is shown by one browser source in your broadcast program. Each of these brings an
      alert for every kind of event, and a few dials make it yours.
      <NuxtLink to="/boxes/new" class="link text-snow">Or begin with nothing, or a designer’s pack.</NuxtLink>
    </p>
    <p v-if="refusal" role="alert" class="text-wrong">{{ refusal }}</p>
    <p v-else-if="sets.length === 0" role="status" class="text-mist">Taking the sets off the shelf…</p>
    <ul class="grid grid-cols-2 gap-4 md:grid-cols-3 xl:grid-cols-4">
      <li v-for="(pack, index) in sets" :key="pack.shelfId">
        <NuxtLink
          :to="`/boxes/new?start=${pack.shelfId}`"
          class="block rounded-sm border border-seam bg-ridge hover:border-mist"
          :aria-label="`Begin with ${pack.name}`"
          ><PackTile
            :pack="pack"
            :is-chosen="false"
            :is-moving="turn % sets.length === index"
            @ended="turn += turn % sets.length === index ? 1 : 0"
        /></NuxtLink>
      </li>
    </ul>
  </section>
</template>
