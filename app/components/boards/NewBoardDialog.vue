<script setup lang="ts">
import { navigateTo } from '#imports'
import { RadioGroup, RadioGroupLabel, RadioGroupOption } from '@headlessui/vue'
import { computed, ref, shallowRef, watch } from 'vue'
import { newBoxBody } from '../../../contract/bodies.ts'
import { plainBoard } from '../../../core/board/plainBoard.ts'
import { starterBoard } from '../../../core/board/starterBoard.ts'
import type { BoxDocument } from '../../../core/composition/box.ts'
import type { Canvas } from '../../../core/composition/canvas.ts'
import { lanternLook } from '../../../core/look/lanternLook.ts'
import { wordsOf } from '../../api/request.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import { usePacksStore } from '../../stores/packs.ts'
import CanvasChoice from '../boxes/CanvasChoice.vue'
import { boardCanvases } from '../boxes/canvases.ts'
import FormField from '../fields/FormField.vue'
import PaperDialog from '../frame/PaperDialog.vue'
import BoardTile from './BoardTile.vue'

/** A new board: its name, the canvas, and in which look it begins. */
const isOpen = defineModel<boolean>('open', { required: true })
const boxes = useBoxesStore()
const packs = usePacksStore()
const name = ref('')
const nameFault = ref('')
const refusal = ref('')
const isMaking = ref(false)
const canvas = shallowRef<Canvas>(boardCanvases[0]!.canvas)
const plain = 'plain'
const lookId = ref(plain)
const looks = computed(() => [
  { id: plain, name: 'Plain', look: lanternLook },
  ...packs.offered.map(({ shelfId, name: called, cover }) => ({ id: shelfId, name: called, look: cover.look })),
])
const shown = computed<BoxDocument>(() =>
  plainBoard(
    canvas.value,
    looks.value.find(({ id }) => id === lookId.value)?.look ?? lanternLook,
    starterBoard(canvas.value),
  ),
)
watch(isOpen, (open) => open && void packs.load().catch(() => undefined))

async function make(): Promise<void> {
  const checked = newBoxBody.safeParse({ name: name.value, canvas: canvas.value })
  nameFault.value = checked.success ? '' : (checked.error.issues[0]?.message ?? '')
  if (!checked.success || isMaking.value) return
  isMaking.value = true
  refusal.value = ''
  try {
    const id = await boxes.createBoard({ ...checked.data, shelfId: lookId.value === plain ? null : lookId.value })
    await navigateTo(`/boards/${id}`)
  } catch (error) {
    refusal.value = wordsOf(error)
    isMaking.value = false
  }
}
</script>

<template>
  <PaperDialog v-model:open="isOpen" title="A new board" is-wide>
    <form class="grid gap-5 md:grid-cols-[minmax(0,1fr)_21rem]" novalidate @submit.prevent="make">
      <div class="space-y-4">
        <FormField v-model="name" label="Name" hint="To find it by, e.g. “Counter board”." :error="nameFault" />
        <CanvasChoice v-model="canvas" :designed="null" :offered="boardCanvases" />
        <p v-if="refusal" role="alert" class="text-brick">{{ refusal }}</p>
        <button type="submit" class="button button-bolt" :disabled="isMaking">Make the board</button>
      </div>
      <div>
        <div class="h-36 rounded-sm bg-night p-2"><BoardTile :document="shown" state="usual" /></div>
        <RadioGroup v-model="lookId" class="mt-3">
          <RadioGroupLabel as="p" class="mb-1 font-medium">Look</RadioGroupLabel>
          <div class="grid max-h-52 grid-cols-2 gap-1.5 overflow-y-auto p-0.5">
            <RadioGroupOption
              v-for="{ id, name: called, look } in looks"
              :key="id"
              v-slot="{ checked }"
              :value="id"
              class="cursor-pointer rounded-sm"
              ><span
                class="flex items-center gap-1.5 rounded-sm border px-2 py-1"
                :class="checked ? 'border-deep-sky bg-sheet outline-2 outline-deep-sky' : 'border-rule'"
                ><span class="flex overflow-hidden rounded-xs border border-rule" aria-hidden="true"
                  ><span
                    v-for="role in ['plate', 'accent', 'headline'] as const"
                    :key="role"
                    class="h-4 w-2"
                    :style="{ background: look.palette[role] }" /></span
                ><span class="min-w-0 truncate">{{ called }}</span></span
              ></RadioGroupOption
            >
          </div>
        </RadioGroup>
      </div>
    </form>
  </PaperDialog>
</template>
