<script setup lang="ts">
import { computed } from 'vue'
import { readableRoles, type ReadableRole, type SpeechSettings } from '../../../core/speech/settings.ts'
import { formatMoney } from '../../../core/money.ts'
import { minorDigits } from '../../../core/minorDigits.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { useSpeechSettings } from '../../composables/useSpeechSettings.ts'
import ChoiceField from '../fields/ChoiceField.vue'
import FieldRow from '../fields/FieldRow.vue'
import NumberField from '../fields/NumberField.vue'
import CheckRow from '../inspector/CheckRow.vue'
import InspectorSection from '../inspector/InspectorSection.vue'

/** Whose words are read, from which amount on, and how often. */
const props = defineProps<{ settings: SpeechSettings; disabled: boolean }>()
const { change, changeLimits } = useSpeechSettings()
const channel = useChannel()
const limits = computed(() => props.settings.limits)
const unit = computed(() => 10 ** minorDigits(channel.value.currency))
const whoseWords: Record<ReadableRole, string> = {
  everyone: 'everybody',
  subscribers: 'subscribers and members',
  vips: 'VIPs and moderators',
  moderators: 'moderators only',
}
const whoseChoices = readableRoles.map((value) => ({ value, label: whoseWords[value] }))
</script>

<template>
  <InspectorSection title="Who is read">
    <FieldRow label="Whose words"
      ><ChoiceField
        label="Whose words"
        :value="limits.whose"
        :choices="whoseChoices"
        :disabled="disabled"
        @change="(whose) => changeLimits({ whose }, `Read are: ${whoseWords[whose]}.`)"
    /></FieldRow>
    <FieldRow label="Money from"
      ><NumberField
        label="Read money messages from"
        :value="limits.leastMinor / unit"
        :unit="channel.currency"
        :min="0"
        :max="1_000_000"
        :step="1"
        :decimals="2"
        :disabled="disabled"
        @change="
          (amount) =>
            changeLimits(
              { leastMinor: Math.round(amount * unit) },
              `Money messages are read from ${formatMoney(Math.round(amount * unit), channel.currency, channel.locale)} on.`,
            )
        "
    /></FieldRow>
    <FieldRow label="One viewer">
      <div class="grid grid-cols-2 gap-2">
        <NumberField
          label="Messages of one viewer"
          :value="limits.perViewer"
          :unit="limits.perViewer === 0 ? 'any' : 'times'"
          :min="0"
          :max="1000"
          :disabled="disabled"
          @change="
            (perViewer) =>
              changeLimits(
                { perViewer },
                perViewer === 0
                  ? 'One viewer is read as often as they write.'
                  : `One viewer is read ${perViewer} times in ${limits.perViewerMinutes} minutes.`,
              )
          "
        />
        <NumberField
          label="Within minutes"
          :value="limits.perViewerMinutes"
          unit="min"
          :min="1"
          :max="1440"
          :disabled="disabled"
          @change="
            (perViewerMinutes) => changeLimits({ perViewerMinutes }, `Counted over ${perViewerMinutes} minutes.`)
          "
        />
      </div>
    </FieldRow>
    <FieldRow label="Same words"
      ><NumberField
        label="The same words again after"
        :value="limits.repeatMinutes"
        unit="min"
        :min="0"
        :max="1440"
        :disabled="disabled"
        @change="
          (repeatMinutes) =>
            changeLimits(
              { repeatMinutes },
              repeatMinutes === 0
                ? 'The same words may be read again at once.'
                : `The same words are read once in ${repeatMinutes} minutes.`,
            )
        "
    /></FieldRow>
    <CheckRow
      label="Approval"
      words="somebody at the desk lets each message be read"
      :checked="settings.approvesMessages"
      :disabled="disabled"
      @change="
        (approvesMessages) =>
          change(
            { approvesMessages },
            approvesMessages
              ? 'Messages wait at the desk until somebody lets them be read.'
              : 'Messages are read without being asked about.',
          )
      "
    />
  </InspectorSection>
</template>
