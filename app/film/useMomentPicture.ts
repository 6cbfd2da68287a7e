import { ref, type Ref } from 'vue'
import { toast } from 'vue-sonner'
import { slugOf } from '../../core/slugOf.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import { saveFile } from '../format/saveFile.ts'
import { seconds } from '../format/time.ts'

/** Saves the moment that is shown as a picture; one at a time. @param called what the case is called */
export function useMomentPicture(score: Ref<ResolvedScore | null>, tMs: Ref<number>, called: Ref<string>) {
  const isSaving = ref(false)
  async function save(): Promise<void> {
    const shown = score.value
    if (!shown || isSaving.value) return
    isSaving.value = true
    const at = tMs.value
    try {
      // What draws it comes when somebody wants it.
      const { momentPicture } = await import('./momentPicture.ts')
      saveFile(await momentPicture(shown, at), `${slugOf(called.value, 60) || 'alert'}-${seconds(at)}s.png`)
    } catch {
      toast.error('This moment could not be drawn. Try again, or take a picture of the screen.')
    } finally {
      isSaving.value = false
    }
  }
  return { isSaving, save }
}
