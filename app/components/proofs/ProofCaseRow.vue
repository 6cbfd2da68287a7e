<script setup lang="ts">
import { NuxtLink } from '#components'
import { CircleAlert, Info } from '@lucide/vue'
import type { EventKind } from '../../../core/events/kinds.ts'
import KindMark from '../frame/KindMark.vue'
import type { ProofPicture } from '../../proof/drawCase.ts'
import { isWrong, type ProofRow } from './proofRows.ts'

/** A case of an alert (or a board) with its pictures and what is to be said of them. */
const props = defineProps<{
  row: ProofRow
  kind: EventKind | null
  alertName: string
  caseName: string
  /** How what a picture is shown with is called. */
  wordsOf: (shownWith: string) => string
  addressOf: (shownWith: string) => string
  ground: string
  canEdit: boolean
}>()
defineEmits<{ remedy: [remark: ProofRow['remarks'][number]['remark']] }>()

const beforeOf = ({ change }: ProofPicture) => (change && change !== 'new' ? change.before : null)
const changeWords = ({ change }: ProofPicture) => {
  if (change === null) return ''
  if (change === 'new') return 'new'
  return change.by < 0.001 ? 'a few pixels differ' : `${(change.by * 100).toFixed(change.by < 0.01 ? 1 : 0)} % differs`
}
const altOf = (picture: ProofPicture) =>
  `${props.alertName}, ${props.caseName}, ${props.wordsOf(picture.shownWith)}${isWrong(picture) ? ', has remarks' : ''}`
</script>

<template>
  <section class="border-t border-rule py-3" :aria-label="`${alertName}, ${caseName}`">
    <h2 class="flex items-center gap-2">
      <KindMark v-if="kind" :kind="kind" />
      <span class="font-semibold">{{ alertName }}</span>
      <span class="text-faded">{{ caseName }}</span>
    </h2>
    <ul v-if="row.remarks.length > 0" class="mt-1.5 max-w-4xl space-y-1" aria-label="Remarks">
      <li v-for="{ remark, on } in row.remarks" :key="`${remark.type}/${remark.partId}`" class="flex gap-2">
        <component
          :is="remark.level === 'wrong' ? CircleAlert : Info"
          :size="15"
          class="mt-0.5 shrink-0"
          :class="remark.level === 'wrong' ? 'text-brick' : 'text-faded'"
          :aria-label="remark.level === 'wrong' ? 'Wrong' : 'Advice'"
        />
        <p>
          {{ remark.words }}
          <span class="text-faded">{{ on.map(wordsOf).join(' · ') }}</span>
          <button
            v-if="canEdit && remark.remedy"
            type="button"
            class="link ml-2 font-medium text-deep-sky"
            @click="$emit('remedy', remark)"
          >
            {{ remark.remedy.label }}
          </button>
        </p>
      </li>
    </ul>
    <ul class="mt-2 grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-4 2xl:grid-cols-8" aria-label="Pictures">
      <li v-for="picture in row.pictures" :key="picture.key" class="min-w-0">
        <NuxtLink
          :to="addressOf(picture.shownWith)"
          class="block rounded-sm"
          :title="`Open ${caseName} with this sample`"
        >
          <template v-if="beforeOf(picture)">
            <span class="caps block text-faded">on air</span>
            <img
              :src="beforeOf(picture)?.url"
              :alt="`${altOf(picture)}, as it is on air`"
              loading="lazy"
              decoding="async"
              class="mb-1 block w-full rounded-sm"
              :style="{ background: ground }"
            />
            <span class="caps block text-faded">draft</span>
          </template>
          <img
            v-if="picture.picture"
            :src="picture.picture.url"
            :alt="altOf(picture)"
            loading="lazy"
            decoding="async"
            class="block w-full rounded-sm outline-2 -outline-offset-2"
            :class="isWrong(picture) ? 'outline-brick' : 'outline-transparent'"
            :style="{ background: ground }"
          />
          <span v-else class="grid aspect-video place-items-center rounded-sm bg-rule/50 p-2 text-center text-brick">
            {{ picture.remarks[0]?.words }}
          </span>
          <span class="mt-0.5 flex justify-between gap-2 text-faded">
            <span class="truncate">{{ wordsOf(picture.shownWith) }}</span>
            <span v-if="changeWords(picture)" class="whitespace-nowrap text-deep-sky">{{ changeWords(picture) }}</span>
          </span>
        </NuxtLink>
      </li>
    </ul>
  </section>
</template>
