<script setup lang="ts">
import { Plus, X } from '@lucide/vue'
import { computed, ref } from 'vue'
import type { SpeechSettings } from '../../../core/speech/settings.ts'
import { useSpeechSettings } from '../../composables/useSpeechSettings.ts'
import InspectorSection from '../inspector/InspectorSection.vue'

/** Words of the channel's own: blocked, allowed, and how names are spoken. They hold at every level. */
const props = defineProps<{ settings: SpeechSettings; disabled: boolean }>()
const { changeRules } = useSpeechSettings()
const lists = [
  {
    field: 'ownBlocked',
    title: 'Blocked here too',
    add: 'Block a word',
    said: (word: string) => `“${word}” is blocked here, however it is disguised.`,
  },
  {
    field: 'allowed',
    title: 'Fine here',
    add: 'Allow a word',
    said: (word: string) => `“${word}” is fine here, though lists block it.`,
  },
] as const
type ListField = (typeof lists)[number]['field']
const typed = ref<Record<ListField, string>>({ ownBlocked: '', allowed: '' })
const written = ref('')
const spoken = ref('')
const rules = computed(() => props.settings.rules)

function add(field: ListField): void {
  const word = typed.value[field].trim()
  if (word === '' || rules.value[field].includes(word)) return
  changeRules({ [field]: [...rules.value[field], word] }, lists.find((list) => list.field === field)?.said(word) ?? '')
  typed.value[field] = ''
}
const remove = (field: ListField, word: string) =>
  changeRules({ [field]: rules.value[field].filter((each) => each !== word) }, `“${word}” is off the list.`)
function addSpoken(): void {
  const pair = { written: written.value.trim(), spoken: spoken.value.trim() }
  if (pair.written === '' || pair.spoken === '') return
  changeRules(
    {
      pronunciations: [
        ...rules.value.pronunciations.filter((each) => each.written.toLowerCase() !== pair.written.toLowerCase()),
        pair,
      ],
    },
    `“${pair.written}” is spoken “${pair.spoken}”.`,
  )
  written.value = ''
  spoken.value = ''
}
const removeSpoken = (of: string) =>
  changeRules(
    { pronunciations: rules.value.pronunciations.filter((each) => each.written !== of) },
    `“${of}” is spoken as it is written.`,
  )
</script>

<template>
  <InspectorSection
    title="Your words"
    is-folded
    :note="`${rules.ownBlocked.length + rules.allowed.length + rules.pronunciations.length}`"
  >
    <div v-for="list in lists" :key="list.field">
      <h4 class="text-faded">{{ list.title }}</h4>
      <ul v-if="rules[list.field].length > 0" class="my-1 flex flex-wrap gap-1">
        <li
          v-for="word in rules[list.field]"
          :key="word"
          class="flex items-center gap-1 rounded-sm border border-rule bg-sheet pl-1.5"
        >
          {{ word
          }}<button
            v-if="!disabled"
            type="button"
            class="grid size-5 place-items-center"
            :aria-label="`Take ${word} off: ${list.title}`"
            @click="remove(list.field, word)"
          >
            <X :size="12" aria-hidden="true" />
          </button>
        </li>
      </ul>
      <form v-if="!disabled" class="flex gap-2" @submit.prevent="add(list.field)">
        <input
          v-model="typed[list.field]"
          class="field"
          maxlength="60"
          :aria-label="list.add"
          :placeholder="list.add"
        /><button type="submit" class="button px-2!" :aria-label="`${list.add}: add it`">
          <Plus :size="14" aria-hidden="true" />
        </button>
      </form>
    </div>
    <div>
      <h4 class="text-faded">Spoken as</h4>
      <ul v-if="rules.pronunciations.length > 0" class="my-1 space-y-1">
        <li v-for="each in rules.pronunciations" :key="each.written" class="flex items-center gap-2">
          <span class="min-w-0 flex-1 truncate"
            ><b>{{ each.written }}</b> → {{ each.spoken }}</span
          ><button
            v-if="!disabled"
            type="button"
            class="grid size-5 place-items-center"
            :aria-label="`Take the pronunciation of ${each.written} away`"
            @click="removeSpoken(each.written)"
          >
            <X :size="12" aria-hidden="true" />
          </button>
        </li>
      </ul>
      <form v-if="!disabled" class="flex gap-2" @submit.prevent="addSpoken">
        <input
          v-model="written"
          class="field"
          maxlength="60"
          aria-label="As it is written"
          placeholder="written"
        /><input
          v-model="spoken"
          class="field"
          maxlength="60"
          aria-label="As it is spoken"
          placeholder="spoken"
        /><button type="submit" class="button px-2!" aria-label="Add the pronunciation">
          <Plus :size="14" aria-hidden="true" />
        </button>
      </form>
    </div>
  </InspectorSection>
</template>
