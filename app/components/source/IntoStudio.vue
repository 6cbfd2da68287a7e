<script setup lang="ts">
import { computed, ref } from 'vue'
import { toast } from 'vue-sonner'
import type { Canvas } from '../../../core/composition/canvas.ts'
import { request, wordsOf } from '../../api/request.ts'
import { useLiveStore } from '../../stores/live.ts'

/** Puts a box into the linked studio: into which scenes, and the browser source stands there. */
const props = defineProps<{ boxId: string; canvas: Canvas }>()
const live = useLiveStore()
const studio = computed(() => live.live?.calls.studio ?? null)
const there = computed(() => studio.value?.sources.find(({ key }) => key === `box:${props.boxId}`) ?? null)
const chosen = ref<string[]>([])
const isBusy = ref(false)
const isOther = computed(
  () =>
    there.value !== null &&
    (there.value.widthPx !== props.canvas.widthPx || there.value.heightPx !== props.canvas.heightPx),
)
const scenes = computed(() => (studio.value?.scenes ?? []).filter((scene) => chosen.value.includes(scene)))
async function put(wanted: readonly string[]): Promise<void> {
  isBusy.value = true
  try {
    await request('POST', '/api/studio/boxes', { boxId: props.boxId, scenes: wanted })
    chosen.value = []
    toast.success('The box is in the studio, with the right size and rate.')
  } catch (error) {
    toast.error(wordsOf(error))
  } finally {
    isBusy.value = false
  }
}
</script>

<template>
  <section v-if="studio?.isLinked" class="border-b border-rule pb-4" aria-labelledby="into-studio">
    <h3 id="into-studio" class="font-display text-base font-semibold">Put it into {{ studio.name }}</h3>
    <p v-if="there" :class="isOther ? 'text-brick' : 'text-moss'">
      “{{ there.name }}” stands in {{ there.scenes.join(', ')
      }}{{
        isOther
          ? `, as ${there.widthPx} × ${there.heightPx}; its canvas is ${canvas.widthPx} × ${canvas.heightPx}`
          : ', with the right size'
      }}.
      <button v-if="isOther" type="button" class="link" :disabled="isBusy" @click="put(there.scenes)">
        Give it the right size
      </button>
    </p>
    <div class="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1">
      <label v-for="scene in studio.scenes" :key="scene" class="flex items-center gap-2">
        <input
          v-model="chosen"
          type="checkbox"
          class="size-4 accent-deep-sky"
          :value="scene"
          :disabled="there?.scenes.includes(scene)"
        />{{ scene }}
      </label>
      <button
        type="button"
        class="button button-bolt ml-auto"
        :disabled="scenes.length === 0 || isBusy"
        @click="put(scenes)"
      >
        Put it there
      </button>
    </div>
  </section>
</template>
