import { computed } from 'vue'
import { toast } from 'vue-sonner'
import type { SpeechRules } from '../../core/speech/rules.ts'
import { rulesInEffect, type SpeechLimits, type SpeechSettings } from '../../core/speech/settings.ts'
import { wordsOf } from '../api/request.ts'
import { useSpeechStore } from '../stores/speech.ts'

/** Changes how the channel reads aloud: kept at once, undone from the notice. */
export function useSpeechSettings() {
  const speech = useSpeechStore()
  async function put(settings: SpeechSettings): Promise<boolean> {
    try {
      await speech.save(settings)
      return true
    } catch (error) {
      toast.error(`Not kept: ${wordsOf(error)}`)
      return false
    }
  }
  /** @param said what changed, e.g. "The level is strict." */
  async function change(changes: Partial<SpeechSettings>, said: string): Promise<void> {
    const before = speech.settings
    if (!before || !(await put({ ...before, ...changes }))) return
    toast.success(said, { id: 'speech-settings', action: { label: 'Undo', onClick: () => void put(before) } })
  }
  return {
    settings: computed(() => speech.settings),
    change,
    /**
     * A rule of its own: the level becomes the channel's own, begun from what was in effect. Words and pronunciations
     * leave the level as it is.
     */
    changeRules: (changes: Partial<SpeechRules>, said: string) => {
      const settings = speech.settings
      if (!settings) return
      const isWords = Object.keys(changes).every(
        (field) => field === 'ownBlocked' || field === 'allowed' || field === 'pronunciations',
      )
      void change(
        {
          strictness: isWords ? settings.strictness : 'own',
          rules: { ...(isWords ? settings.rules : rulesInEffect(settings)), ...changes },
        },
        said,
      )
    },
    changeLimits: (changes: Partial<SpeechLimits>, said: string) =>
      speech.settings && void change({ limits: { ...speech.settings.limits, ...changes } }, said),
  }
}
