<script setup lang="ts">
import { computed } from 'vue'
import type { EventKind } from '../../../core/events/kinds.ts'
import { variablesOf } from '../../../core/events/variables.ts'
import { inkRoles, typeRoles, type Look } from '../../../core/look/schema.ts'
import { codeLimits, type Code } from '../../../core/score/parts/code/schema.ts'
import CodeField from './CodeField.vue'
import CodeProperties from './CodeProperties.vue'
import InspectorSection from './InspectorSection.vue'
import SizeRow from './SizeRow.vue'
import { usePartEdit } from './usePartEdit.ts'

const props = defineProps<{ part: Code; look: Look; kinds: readonly EventKind[]; disabled: boolean }>()
const edit = usePartEdit(() => props.part, 'one')
const variables = computed(() => variablesOf(props.kinds))
const variableNames = computed(() => variables.value.map(({ name, means }) => ({ name, means })))
/** Everything that the style sheet can take up. */
const propertyNames = computed(() => [
  ...Object.keys(props.part.properties).map((name) => ({ name: `--${name}`, means: 'your own' })),
  ...inkRoles.map((role) => ({ name: `--${role}`, means: 'colour of the look' })),
  ...typeRoles.map((role) => ({ name: `--${role}`, means: 'typeface of the look' })),
  { name: '--t', means: 'seconds since it came' },
  { name: '--enter', means: '0 to 1 while it enters' },
  { name: '--leave', means: '0 to 1 while it leaves' },
  { name: '--length', means: 'seconds that it stays' },
  ...variables.value.flatMap(({ name, means, type }) =>
    type === 'text'
      ? [{ name: `--${name}`, means: `${means}, in quotes` }]
      : [
          { name: `--${name}`, means: `${means}, a number` },
          { name: `--${name}-words`, means: `${means}, as it is written` },
        ],
  ),
])
</script>

<template>
  <div class="space-y-2">
    <SizeRow :part="part" label="Box" :disabled="disabled" />
    <CodeField
      label="HTML"
      language="html"
      :value="part.html"
      :names="variableNames"
      :most="codeLimits.htmlLetters"
      :disabled="disabled"
      @change="(html) => edit('HTML', (draft) => void (draft.html = html))"
    />
    <CodeField
      label="CSS"
      language="css"
      :value="part.css"
      :names="propertyNames"
      :most="codeLimits.cssLetters"
      :disabled="disabled"
      @change="(css) => edit('CSS', (draft) => void (draft.css = css))"
    />
    <CodeProperties :part="part" :look="look" :kinds="kinds" :disabled="disabled" />
    <InspectorSection title="What it can take up" :note="`${propertyNames.length} names`" is-folded>
      <p class="text-faded">
        In the HTML, words in braces are filled from the event, as text. In the CSS, these names stand in
        <code>var(…)</code>. Animations follow the score: they can be scrubbed. Nothing is loaded and nothing runs.
      </p>
      <dl class="grid grid-cols-[auto_minmax(0,1fr)] gap-x-2">
        <template v-for="{ name, means } in propertyNames" :key="name">
          <dt class="font-mono text-2xs">{{ name }}</dt>
          <dd class="truncate text-faded" :title="means">{{ means }}</dd>
        </template>
      </dl>
    </InspectorSection>
  </div>
</template>
