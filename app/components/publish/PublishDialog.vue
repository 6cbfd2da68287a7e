<script setup lang="ts">
import { computed, ref } from 'vue'
import { toast } from 'vue-sonner'
import { wordsOf } from '../../api/request.ts'
import { counted } from '../../format/counted.ts'
import { kindLook } from '../../kinds/kindLook.ts'
import { useDraftStore } from '../../stores/draft.ts'
import KindMark from '../frame/KindMark.vue'
import PaperDialog from '../frame/PaperDialog.vue'

const isOpen = defineModel<boolean>('open', { required: true })
const draft = useDraftStore()
const isSending = ref(false)
const refusal = ref('')
const differences = computed(() => draft.differences)

async function put(): Promise<void> {
  isSending.value = true
  refusal.value = ''
  try {
    await draft.putOnAir()
    isOpen.value = false
    toast.success(`On air: version ${draft.view?.onAir?.number}. Sources play it from the next alert on.`)
  } catch (error) {
    refusal.value = wordsOf(error)
  }
  isSending.value = false
}
</script>

<template>
  <PaperDialog v-model:open="isOpen" title="What goes on air" is-wide>
    <p v-if="differences.length === 0" class="text-faded">The draft is the same as what is on air.</p>
    <template v-else>
      <p class="mb-3 text-faded">{{ draft.view?.onAir ? `Compared with version ${draft.view.onAir.number}, which is on air now.` : 'This box goes on air for the first time.' }} Alerts that already wait play as they were.</p>
      <ul class="divide-y divide-rule border-y border-rule">
        <li v-for="(difference, index) in differences" :key="index" class="grid grid-cols-[1.75rem_10rem_8rem_minmax(0,1fr)] items-center gap-2 py-1.5">
          <KindMark v-if="difference.kind" :kind="difference.kind" /><span v-else />
          <span class="truncate"><b class="font-semibold">{{ difference.kind ? kindLook[difference.kind].name : 'Box' }}</b> · {{ difference.subject }}</span>
          <span class="text-faded">{{ difference.what }}</span>
          <span class="min-w-0 break-words"><template v-if="difference.before"><s class="text-faded">{{ difference.before }}</s><template v-if="difference.after"> → </template></template><b class="font-medium">{{ difference.after }}</b></span>
        </li>
      </ul>
    </template>
    <p v-if="refusal" role="alert" class="mt-3 text-brick">{{ refusal }}</p>
    <template #actions>
      <button type="button" class="button" @click="isOpen = false">Keep tuning</button>
      <button type="button" class="button button-bolt" :disabled="isSending || differences.length === 0" @click="put">{{ isSending ? 'Putting on air…' : `Put ${counted(differences.length, 'change')} on air` }}</button>
    </template>
  </PaperDialog>
</template>
