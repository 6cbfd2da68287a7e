import { watch } from 'vue'
import { toast } from 'vue-sonner'
import { useDraftStore } from '../stores/draft.ts'

/**
 * Tells what was just done to the draft, with a way back: for as long as it is the newest step, so that nothing else is
 * taken back instead.
 */
export function useUndoNotice(): (said: string) => void {
  const draft = useDraftStore()
  return (said) => {
    const step = draft.newestStep
    const stop = watch(
      () => draft.newestStep,
      (newest) => {
        if (newest === step) return
        stop()
        toast.dismiss(notice)
      },
    )
    const notice = toast.success(said, {
      action: { label: 'Undo', onClick: () => draft.undo() },
      onDismiss: stop,
      onAutoClose: stop,
    })
  }
}
