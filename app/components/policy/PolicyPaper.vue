<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/vue'
import { Plus } from '@lucide/vue'
import { computed, ref } from 'vue'
import { chosenBy } from '../../../core/composition/box.ts'
import { caseNames } from '../../../core/edit/differences/describeDifferences.ts'
import {
  addSentence,
  newSentences,
  removeSentence,
  sayEarlier,
  setSentence,
  switchSentence,
} from '../../../core/edit/policyEdits.ts'
import type { Sentence } from '../../../core/queue/policy.ts'
import { policyRemarks } from '../../../core/queue/policyRemarks.ts'
import { wordsOfSentence, type PolicyNames } from '../../../core/queue/policyWords.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { useUndoNotice } from '../../composables/useUndoNotice.ts'
import { useDraftStore } from '../../stores/draft.ts'
import PolicySentence from './PolicySentence.vue'

/** How a box behaves on air, as sentences that are changed in place. */
defineProps<{ canEdit: boolean; scenes: readonly string[] }>()
const draft = useDraftStore()
const channel = useChannel()
const opened = ref<number | null>(null)
const document = computed(() => draft.document)
const policy = computed(() => document.value?.policy ?? [])
const names = computed<PolicyNames>(() => ({
  ...channel.value,
  cases: document.value ? caseNames(document.value) : {},
}))
const shown = computed(() => document.value?.alerts.flatMap(({ kinds }) => kinds) ?? [])
const cases = computed(() => document.value?.alerts.flatMap((alert) => chosenBy(alert)) ?? [])
const remarks = computed(() => {
  const said = document.value ? policyRemarks(policy.value, document.value.alerts) : []
  return new Map(said.map(({ at, words }) => [at, words]))
})
/** What can be said that is not said yet, and what can be said more than once. */
const addable = computed(() =>
  Object.values(newSentences).filter(
    ({ rule }) =>
      ['order', 'merge', 'age', 'quiet', 'approve'].includes(rule) || !policy.value.some((each) => each.rule === rule),
  ),
)
const notice = useUndoNotice()
function add(sentence: Sentence): void {
  draft.edit(addSentence(sentence))
  opened.value = policy.value.length - 1
}
function remove(at: number): void {
  opened.value = null
  if (draft.edit(removeSentence(at))) notice('The sentence is gone.')
}
</script>

<template>
  <ol aria-label="Sentences">
    <PolicySentence
      v-for="(sentence, at) in policy"
      :key="`${at} ${sentence.rule}`"
      :open="opened === at"
      :sentence="sentence"
      :names="names"
      :shown="shown"
      :cases="cases"
      :scenes="scenes"
      :remark="remarks.get(at) ?? ''"
      :is-first="at === 0"
      :can-edit="canEdit"
      @update:open="(isOpen) => (opened = isOpen ? at : null)"
      @change="(next) => draft.edit(setSentence(at, next))"
      @turn="(isOn) => draft.edit(switchSentence(at, isOn))"
      @remove="remove(at)"
      @earlier="
        () => {
          if (draft.edit(sayEarlier(at))) opened = at - 1
        }
      "
    />
  </ol>
  <Menu v-if="canEdit && policy.length < 40" as="div" class="relative border-t border-rule pt-3">
    <MenuButton class="link inline-flex items-center gap-1 font-semibold text-deep-sky"
      ><Plus :size="15" aria-hidden="true" />Add a sentence</MenuButton
    >
    <MenuItems
      class="on-paper absolute bottom-full left-0 z-30 mb-1 max-h-72 w-full max-w-md overflow-y-auto rounded-sm border border-rule py-1 shadow-lg focus:outline-none"
    >
      <MenuItem v-for="sentence in addable" :key="sentence.rule" v-slot="{ active }">
        <button
          type="button"
          class="block w-full px-3 py-1.5 text-left"
          :class="active ? 'bg-rule/60' : ''"
          @click="add(sentence)"
        >
          {{ wordsOfSentence(sentence, names) }}
        </button>
      </MenuItem>
    </MenuItems>
  </Menu>
</template>
