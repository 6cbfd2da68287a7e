<script setup lang="ts">
import { NuxtLink } from '#components'
import { computed, onMounted } from 'vue'
import type { Look } from '../../../core/look/schema.ts'
import { barForms, barReactions } from '../../../core/score/parts/bar/schema.ts'
import type { PartOf } from '../../../core/score/parts/part.ts'
import { useGoalsStore } from '../../stores/goals.ts'
import { useMediaStore } from '../../stores/media.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import InkField from '../fields/InkField.vue'
import CheckRow from './CheckRow.vue'
import LiveRoomSection from './LiveRoomSection.vue'
import { barVariables } from './liveVariables.ts'
import NumberRow from './NumberRow.vue'
import LiveWords from './LiveWords.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: PartOf<'bar'>; look: Look; disabled: boolean }>()
const edit = usePartEdit(() => props.part)
const goals = useGoalsStore()
const media = useMediaStore()
onMounted(() => void (goals.view ?? goals.load().catch(() => undefined)))

const goalChoices = computed(() => [
  { value: null, label: 'the one that runs' },
  ...(goals.view?.goals ?? []).map(({ goal }) => ({ value: goal.id, label: goal.title })),
  ...(goals.view?.past ?? []).map(({ goal }) => ({ value: goal.id, label: `${goal.title} (past)` })),
])
const formWords = { lying: 'lying', standing: 'standing', round: 'a ring', picture: 'a picture that fills' }
const forms = barForms.map((value) => ({ value, label: formWords[value] }))
const reactionWords = { nothing: 'does nothing', glow: 'glows', beat: 'glows and beats' }
const reactions = barReactions.map((value) => ({ value, label: reactionWords[value] }))
const pictures = computed(() => [
  { value: null, label: 'none yet' },
  ...media.pictures.map(({ id, name, url }) => ({ value: id, label: name, pictureUrl: url })),
])
</script>

<template>
  <div class="space-y-2">
    <FieldRow label="Goal"
      ><ChoiceField
        label="Goal"
        :value="part.goalId"
        :choices="goalChoices"
        :disabled="disabled"
        @change="(goalId) => edit('goal', (draft) => void (draft.goalId = goalId))"
    /></FieldRow>
    <p v-if="goals.view && goals.view.goals.length === 0" class="text-faded">
      No goal yet: the bar stays empty. <NuxtLink class="link text-deep-sky" to="/goals">Make one</NuxtLink>
    </p>
    <FieldRow label="Form"
      ><ChoiceField
        label="Form"
        :value="part.form"
        :choices="forms"
        :disabled="disabled"
        @change="(form) => edit('form', (draft) => void (draft.form = form))"
    /></FieldRow>
    <FieldRow v-if="part.form === 'picture'" label="Picture" path="mediaId"
      ><ChoiceField
        label="Picture that fills"
        :value="part.mediaId"
        :choices="pictures"
        :disabled="disabled"
        @change="(mediaId) => edit('picture', (draft) => void (draft.mediaId = mediaId))"
    /></FieldRow>
    <LiveWords
      title="Says"
      :value="part.says"
      :label="`Words of ${part.name}`"
      :variables="barVariables"
      :disabled="disabled"
      @change="(says) => edit('words', (draft) => void (draft.says = says))"
    />
    <template v-if="part.form === 'lying' || part.form === 'standing'">
      <LiveWords
        title="At its end"
        :value="part.atEnd"
        :label="`Words at the end of ${part.name}`"
        :variables="barVariables"
        :disabled="disabled"
        @change="(atEnd) => edit('words', (draft) => void (draft.atEnd = atEnd))"
      />
    </template>
    <FieldRow label="Fills in" path="fillInk"
      ><InkField
        label="Fills in"
        :ink="part.fillInk"
        :look="look"
        :disabled="disabled"
        @change="(fillInk) => edit('colour', (draft) => void (draft.fillInk = fillInk))"
    /></FieldRow>
    <NumberRow
      label="Counts up"
      means="Counts up in"
      :value="part.countsMs / 1000"
      unit="s"
      :min="0"
      :max="10"
      :step="0.1"
      :decimals="1"
      :disabled="disabled"
      @change="(s) => edit('counting', (draft) => void (draft.countsMs = Math.round(s * 1000)))"
    />
    <CheckRow
      label="Marks"
      words="where stretch targets are"
      :checked="part.hasMarks"
      :disabled="disabled"
      @change="(hasMarks) => edit('marks', (draft) => void (draft.hasMarks = hasMarks))"
    />
    <FieldRow label="Reached, it"
      ><ChoiceField
        label="When a target is reached, it"
        :value="part.whenReached"
        :choices="reactions"
        :disabled="disabled"
        @change="(whenReached) => edit('reaction', (draft) => void (draft.whenReached = whenReached))"
    /></FieldRow>
    <p><NuxtLink class="link text-deep-sky" to="/goals">How this adds up</NuxtLink></p>
    <LiveRoomSection :part="part" :look="look" :disabled="disabled" />
  </div>
</template>
