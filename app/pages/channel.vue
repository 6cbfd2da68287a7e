<script setup lang="ts">
import { useHead } from '#imports'
import { computed, onMounted, ref } from 'vue'
import { toast } from 'vue-sonner'
import type { ChannelSettingsView } from '../../contract/channelSettings.ts'
import { request, wordsOf } from '../api/request.ts'
import PageColours from '../components/channel/PageColours.vue'
import SettingRow from '../components/channel/SettingRow.vue'
import { channelLanguages, weekDays } from '../components/channel/settingChoices.ts'
import ChoiceField from '../components/fields/ChoiceField.vue'
import TypedField from '../components/fields/TypedField.vue'
import { useSessionStore } from '../stores/session.ts'

useHead({ title: 'Settings · Thundercrest' })
const session = useSessionStore()
const settings = ref<ChannelSettingsView | null>(null)
const refusal = ref('')

onMounted(async () => {
  try {
    settings.value = await request<ChannelSettingsView>('GET', '/api/channel/settings')
  } catch (error) {
    refusal.value = wordsOf(error)
  }
})
/** Changes some of it at once, with a way back. */
async function set(change: Partial<ChannelSettingsView>, said: string): Promise<void> {
  const before = settings.value
  if (!before) return
  refusal.value = ''
  try {
    settings.value = await request<ChannelSettingsView>('PUT', '/api/channel/settings', { ...before, ...change })
    await session.load()
    const back = Object.fromEntries(Object.keys(change).map((each) => [each, before[each as keyof typeof before]]))
    toast.success(said, { action: { label: 'Undo', onClick: () => void set(back, 'As it was.') } })
  } catch (error) {
    refusal.value = wordsOf(error)
  }
}
const isFixed = computed(() => !session.isOwner)
const zones = computed(() => Intl.supportedValuesOf('timeZone').map((zone) => ({ value: zone, label: zone })))
const currencyNames = new Intl.DisplayNames('en', { type: 'currency' })
const currencies = Intl.supportedValuesOf('currency').map((code) => ({
  value: code,
  label: `${code}, ${currencyNames.of(code) ?? ''}`,
}))
const withOwn = <V extends string>(choices: readonly { value: V; label: string }[], own: V) =>
  choices.some(({ value }) => value === own) ? choices : [{ value: own, label: own }, ...choices]
/** What each of them looks like, as it is now. */
const shown = computed(() => {
  const { locale, timeZone, currency } = settings.value ?? { locale: 'en', timeZone: 'UTC', currency: 'EUR' }
  return {
    money: new Intl.NumberFormat(locale, { style: 'currency', currency }).format(1234.5),
    clock: new Intl.DateTimeFormat(locale, { timeZone, timeStyle: 'short', dateStyle: 'full' }).format(Date.now()),
  }
})
</script>

<template>
  <main class="h-full overflow-y-auto px-8 py-6">
    <h1 class="font-display text-3xl font-semibold">Settings</h1>
    <p class="mt-1 text-mist">
      What the channel is called, and the language, clock and money it goes by. A change holds at once, for everybody.
    </p>
    <p v-if="refusal" role="alert" class="mt-3 text-wrong">{{ refusal }}</p>
    <p v-if="isFixed && settings" class="mt-3 text-mist">Owners change these; you see how they are.</p>
    <div v-if="settings" class="on-paper mt-4 max-w-5xl divide-y divide-rule rounded-sm px-6">
      <SettingRow
        label="Name"
        says="On the tip page, on the list for viewers, and in invitations. Addresses and accounts stay as they are."
      >
        <TypedField
          class="field"
          maxlength="200"
          aria-label="Name"
          :value="settings.name"
          :disabled="isFixed"
          @change="set({ name: $event }, `The channel is called ${$event} now.`)"
        />
      </SettingRow>
      <SettingRow
        label="Language"
        :says="`How alerts write numbers, dates and plurals, and which voice reads first. An amount is ${shown.money}.`"
      >
        <ChoiceField
          label="Language"
          :value="settings.locale"
          :choices="withOwn(channelLanguages, settings.locale)"
          :disabled="isFixed"
          @change="set({ locale: $event }, 'Alerts write in this language from now on.')"
        />
      </SettingRow>
      <SettingRow
        label="Time zone"
        :says="`When a day begins: for rules by the hour, for goals, figures and the history. Now it is ${shown.clock}.`"
      >
        <ChoiceField
          label="Time zone"
          :value="settings.timeZone"
          :choices="withOwn(zones, settings.timeZone)"
          :disabled="isFixed"
          @change="set({ timeZone: $event }, 'The channel goes by this clock now.')"
        />
      </SettingRow>
      <SettingRow
        label="Currency"
        says="What rules and goals count in. What currencies are worth is told anew in it, where that is known; amounts that you wrote into rules and goals keep their figures."
      >
        <ChoiceField
          label="Currency"
          :value="settings.currency"
          :choices="withOwn(currencies, settings.currency)"
          :disabled="isFixed"
          @change="set({ currency: $event }, `Rules and goals count in ${$event} now.`)"
        />
      </SettingRow>
      <SettingRow label="The week begins on" says="What boards count “this week” from.">
        <ChoiceField
          label="The week begins on"
          :value="String(settings.weekStart)"
          :choices="weekDays"
          :disabled="isFixed"
          @change="set({ weekStart: Number($event) }, 'Boards count weeks from this day.')"
        />
      </SettingRow>
      <SettingRow
        label="Colours of its pages"
        says="The tip page and the list for viewers. What is written there can be read whatever you choose: the inks follow."
      >
        <PageColours
          :colours="settings.pageColours"
          :name="settings.name"
          :is-fixed="isFixed"
          @change="
            set({ pageColours: $event }, $event ? 'Viewers see these colours now.' : 'Coloured as your alerts again.')
          "
        />
      </SettingRow>
    </div>
    <p v-else-if="!refusal" class="mt-4 text-mist">Loading…</p>
  </main>
</template>
