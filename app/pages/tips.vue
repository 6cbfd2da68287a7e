<script setup lang="ts">
import { useHead } from '#imports'
import { onMounted } from 'vue'
import type { TipPage } from '../../core/tip/page.ts'
import TitleField from '../components/fields/TitleField.vue'
import PanelPicture from '../components/tips/PanelPicture.vue'
import ReceiptList from '../components/tips/ReceiptList.vue'
import TipSentences from '../components/tips/TipSentences.vue'
import { tried } from '../composables/tried.ts'
import { useUndoKey } from '../composables/useUndoKey.ts'
import { useGoalsStore } from '../stores/goals.ts'
import { useSessionStore } from '../stores/session.ts'
import { useTipsStore } from '../stores/tips.ts'

useHead({ title: 'Tip page · Thundercrest' })
const tips = useTipsStore()
const goals = useGoalsStore()
const session = useSessionStore()
onMounted(() => {
  void tried(tips.load())
  void tried(goals.load())
})
const change = (fields: Partial<TipPage>) => void tried(tips.change(fields))
const undo = useUndoKey(tips.undo, () => undefined)
const prefixOf = ({ page, command }: { page: TipPage; command: string }) =>
  command.slice(0, command.length - page.word.length) || '!'
</script>

<template>
  <main class="grid h-full min-h-0 grid-cols-1 overflow-y-auto lg:grid-cols-[minmax(0,1fr)_27.5rem] lg:overflow-hidden">
    <ReceiptList />
    <section v-if="tips.view" class="flex min-h-0 flex-col" aria-label="The tip page">
      <div class="min-h-0 flex-1 space-y-4 overflow-y-auto px-6 py-5">
        <div>
          <TitleField
            label="Title of the page"
            :value="tips.view.page.title"
            :most-letters="60"
            @change="(title) => change({ title })"
          />
          <p class="mt-1" :class="tips.view.page.isOpen ? 'text-fine' : 'text-mist'">
            {{ tips.view.page.isOpen ? 'Open: viewers can leave something.' : 'Closed: viewers read that it is.' }}
          </p>
          <p v-if="tips.view.trouble" class="mt-1 text-wrong" role="alert">{{ tips.view.trouble }}</p>
        </div>
        <PanelPicture
          :title="tips.view.page.title"
          :address="tips.view.url"
          :command="tips.view.page.isOpen ? tips.view.command : ''"
          :look="tips.view.look"
        />
        <TipSentences :page="tips.view.page" :prefix="prefixOf(tips.view)" @change="change" />
      </div>
      <div v-if="session.canEdit" class="flex flex-wrap items-center gap-3 border-t border-seam px-6 py-3">
        <button
          type="button"
          class="button"
          :class="tips.view.page.isOpen ? '' : 'button-bolt'"
          @click="change({ isOpen: !tips.view.page.isOpen })"
        >
          {{ tips.view.page.isOpen ? 'Close the page' : 'Open the page' }}
        </button>
        <button v-if="tips.canUndo" type="button" class="link ml-auto text-mist hover:text-snow" @click="undo">
          Undo
        </button>
      </div>
    </section>
  </main>
</template>
