<script setup lang="ts">
import { NuxtLink } from '#components'
import type { Look } from '../../../core/look/schema.ts'
import type { PartOf } from '../../../core/score/parts/part.ts'
import CheckRow from './CheckRow.vue'
import LiveRoomSection from './LiveRoomSection.vue'
import NumberRow from './NumberRow.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: PartOf<'sponsor'>; look: Look; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
</script>

<template>
  <div class="space-y-2">
    <NumberRow
      label="Stands"
      means="How long each line stands"
      :value="part.standsS"
      unit="s"
      :min="5"
      :max="300"
      :disabled="disabled"
      @change="(standsS) => edit('how long it stands', (draft) => void (draft.standsS = standsS))"
    />
    <CheckRow
      label="Picture"
      words="in front of the words, where a campaign has one"
      :checked="part.hasPicture"
      :disabled="disabled"
      @change="(hasPicture) => edit('picture', (draft) => void (draft.hasPicture = hasPicture))"
    />
    <p class="text-faded">
      What is said, and when, stands under Feeds in
      <NuxtLink to="/sponsors" class="link text-deep-sky">Sponsors</NuxtLink>. Between lines nothing is shown. What
      stood for its whole time counts.
    </p>
    <LiveRoomSection :part="part" :look="look" :disabled="disabled" />
  </div>
</template>
