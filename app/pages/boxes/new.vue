<script setup lang="ts">
import { navigateTo, useHead, useRoute } from '#imports'
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { SquareDashed } from '@lucide/vue'
import { computed, onMounted, ref, watch } from 'vue'
import { toast } from 'vue-sonner'
import type { PackSummary } from '../../../contract/packs.ts'
import { newBoxBody } from '../../../contract/bodies.ts'
import type { Canvas } from '../../../core/composition/canvas.ts'
import { wordsOf } from '../../api/request.ts'
import CanvasChoice from '../../components/boxes/CanvasChoice.vue'
import { asListed, canvases, canvasesWith } from '../../components/boxes/canvases.ts'
import PackDrop from '../../components/boxes/PackDrop.vue'
import FormField from '../../components/fields/FormField.vue'
import PackPreview from '../../components/packs/PackPreview.vue'
import TriggersTick from '../../components/packs/TriggersTick.vue'
import PackTile from '../../components/packs/PackTile.vue'
import { counted } from '../../format/counted.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import { usePacksStore } from '../../stores/packs.ts'
import { useMediaStore } from '../../stores/media.ts'

useHead({ title: 'A new box · Thundercrest' })
const boxes = useBoxesStore()
const packs = usePacksStore()
const media = useMediaStore()
const route = useRoute()
const nothing = 'nothing'
const startId = ref(nothing)
const name = ref('')
const nameFault = ref('')
const refusal = ref('')
const isMaking = ref(false)
const withTriggers = ref(true)
const canvas = ref<Canvas>(canvases[0]!.canvas)
const pack = computed(() => packs.offered.find(({ shelfId }) => shelfId === startId.value) ?? null)
const groups = computed(() =>
  [
    {
      name: 'Packs that you brought',
      hasNothing: false,
      packs: packs.offered.filter(({ origin }) => origin === 'imported'),
    },
    {
      name: 'Sets that come with Thundercrest',
      hasNothing: true,
      packs: packs.offered.filter(({ origin }) => origin === 'gallery'),
    },
  ].filter((group) => group.packs.length > 0 || group.hasNothing),
)

onMounted(async () => {
  try {
    await Promise.all([media.ensureLoaded(), packs.load()])
    // An address may name what is begun with.
    const start = packs.offered.find(({ shelfId }) => shelfId === route.query.start)
    if (start && startId.value === nothing) startId.value = start.shelfId
  } catch (error) {
    refusal.value = wordsOf(error)
  }
})
/** A set brings its canvas; and a name, until somebody writes another. */
watch(pack, (next, before) => {
  canvas.value = next ? asListed(next.cover.canvas, canvasesWith(next.cover.canvas)) : asListed(canvas.value, canvases)
  if (name.value === '' || name.value === before?.name) name.value = next?.name ?? ''
})
async function make(): Promise<void> {
  const checked = newBoxBody.safeParse({ name: name.value, canvas: canvas.value })
  nameFault.value = checked.success ? '' : (checked.error.issues[0]?.message ?? '')
  if (!checked.success || isMaking.value) return
  isMaking.value = true
  refusal.value = ''
  try {
    const id = pack.value
      ? await packs.makeBox(pack.value.shelfId, { ...checked.data, withTriggers: withTriggers.value })
      : await boxes.create(checked.data)
    await navigateTo(`/boxes/${id}`)
  } catch (error) {
    refusal.value = wordsOf(error)
    isMaking.value = false
  }
}
async function forget(of: PackSummary): Promise<void> {
  try {
    await packs.remove(of.shelfId)
    startId.value = nothing
    toast.success(`“${of.name}” is off the shelf.`)
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
</script>

<template>
  <main class="grid h-full grid-cols-[minmax(0,1fr)_24rem]">
    <div class="min-h-0 overflow-y-auto px-8 py-6">
      <h1 class="font-display text-3xl font-semibold">A new box</h1>
      <p class="mt-1 text-mist">Begin with a set and make it yours, or with nothing. Look at one to see it move.</p>
      <RadioGroup v-for="group in groups" :key="group.name" v-model="startId" class="mt-5">
        <RadioGroupLabel as="p" class="caps mb-2 text-mist">{{ group.name }}</RadioGroupLabel>
        <div class="grid grid-cols-3 gap-3">
          <RadioGroupOption
            v-for="each in group.packs"
            :key="each.shelfId"
            v-slot="{ checked }"
            :value="each.shelfId"
            class="cursor-pointer rounded-sm"
            ><PackTile
              :pack="each"
              :is-chosen="checked"
              class="rounded-sm border bg-ridge"
              :class="checked ? 'border-sky outline-2 outline-sky' : 'border-seam'"
          /></RadioGroupOption>
          <RadioGroupOption
            v-if="group.hasNothing"
            v-slot="{ checked }"
            :value="nothing"
            class="cursor-pointer rounded-sm"
          >
            <span
              class="block h-full rounded-sm border bg-ridge"
              :class="checked ? 'border-sky outline-2 outline-sky' : 'border-seam'"
              ><span class="bg-stage grid aspect-video place-items-center rounded-t-sm"
                ><SquareDashed :size="40" aria-hidden="true" /></span
              ><span class="block px-2.5 py-1.5"
                ><b class="block font-medium">Nothing</b
                ><span class="block opacity-75">an empty canvas, one alert</span></span
              ></span
            >
          </RadioGroupOption>
        </div>
      </RadioGroup>
      <p v-if="packs.shelf === null && !refusal" role="status" class="mt-5 text-mist">Taking the sets off the shelf…</p>
      <PackDrop class="mt-5" @arrived="startId = $event" />
    </div>
    <form
      class="on-paper flex min-h-0 flex-col border-l border-rule"
      novalidate
      aria-label="The new box"
      @submit.prevent="make"
    >
      <div class="min-h-0 flex-1 space-y-4 overflow-y-auto px-5 py-5">
        <template v-if="pack">
          <PackPreview :pack="pack" :canvas="canvas" />
          <div>
            <h2 class="font-display text-lg font-semibold">{{ pack.name }}</h2>
            <p>{{ pack.about }}</p>
            <p class="mt-1 text-faded">
              {{ counted(pack.kinds.length, 'kind') }} of event, {{ counted(pack.dialCount, 'dial') }}, release
              {{ pack.release }}{{ pack.author ? ` by ${pack.author}` : '' }}{{ pack.licence ? `, ${pack.licence}` : ''
              }}{{ pack.usedBy.length > 0 ? `. In use: ${pack.usedBy.join(', ')}` : '' }}
            </p>
            <p v-if="pack.origin === 'imported' && pack.usedBy.length === 0" class="mt-1">
              <button type="button" class="link text-deep-sky" @click="forget(pack)">Take it off the shelf</button>
            </p>
          </div>
        </template>
        <p v-else class="text-faded">
          An empty canvas with one alert for new followers: a picture, two lines, a sound. Everything else is yours to
          compose.
        </p>
        <FormField v-model="name" label="Name" hint="One box is what one browser source shows." :error="nameFault" />
        <TriggersTick v-if="pack" v-model="withTriggers" :names="pack.triggerNames" />
        <CanvasChoice v-model="canvas" :designed="pack?.cover.canvas ?? null" />
      </div>
      <div class="border-t border-rule px-5 py-3">
        <p v-if="refusal" role="alert" class="mb-2 text-brick">{{ refusal }}</p>
        <button type="submit" class="button button-bolt w-full" :disabled="isMaking">Make the box</button>
      </div>
    </form>
  </main>
</template>
