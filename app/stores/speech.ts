import { defineStore } from 'pinia'
import { computed, ref, shallowReactive, shallowRef, watch } from 'vue'
import type { SayAnswer, SpeechView, VoiceView } from '../../contract/speech.ts'
import type { MeasuredSound } from '../../core/remarks/remark.ts'
import type { Saying } from '../../core/speech/sayings.ts'
import type { SpeechSettings } from '../../core/speech/settings.ts'
import type { SpokenParts } from '../../core/speech/spoken.ts'
import { Turns } from '../../core/turns.ts'
import { request, wordsOf } from '../api/request.ts'
import { useLiveStore } from './live.ts'

const keyOf = ({ of, written, voice, emotes }: Saying) =>
  JSON.stringify([of, written, voice, emotes.map(({ from, to }) => [from, to])])
const keptMost = 300
const askedMost = 20

/** How the channel reads aloud, its voices, and what samples sound like. */
export const useSpeechStore = defineStore('speech', () => {
  const view = shallowRef<SpeechView | null>(null)
  const said = shallowReactive(new Map<string, SayAnswer>())
  const asking = new Set<string>()
  const refusal = ref('')
  let loading: Promise<void> | null = null
  // One after another: of two that are under way together the server might keep the earlier.
  const saves = new Turns()
  let saved = 0
  let kept: SpeechSettings | null = null
  const live = useLiveStore()
  const turned = (isOn: boolean) =>
    view.value && (view.value = { ...view.value, settings: { ...view.value.settings, isOn } })
  // Somebody else at the desk switches them too.
  watch(
    () => live.live?.voicesAreOn,
    (isOn) => void (isOn !== undefined && turned(isOn)),
  )

  async function load(): Promise<void> {
    view.value = await request<SpeechView>('GET', '/api/channel/speech')
    kept = view.value.settings
  }

  /**
   * Keeps settings; what was said by the old ones is asked again.
   * @throws what the server refuses, with those in place that it kept last
   */
  async function save(settings: SpeechSettings): Promise<void> {
    if (!view.value) return
    view.value = { ...view.value, settings }
    const mine = ++saved
    try {
      await saves.take(() => request('PUT', '/api/channel/speech', settings))
      kept = settings
      said.clear()
    } catch (error) {
      if (mine === saved && kept) view.value = { ...view.value, settings: kept }
      throw error
    }
  }

  /** Switches all voices off or on, for whoever minds the desk. @throws what the server refuses */
  async function turn(isOn: boolean): Promise<void> {
    await request('PUT', '/api/channel/speech/on', { isOn })
    turned(isOn)
  }

  /** Has samples spoken that were not yet. What fails is tried again when it is asked for again. */
  async function ask(sayings: readonly Saying[]): Promise<void> {
    const fresh = sayings.filter((saying) => !said.has(keyOf(saying)) && !asking.has(keyOf(saying))).slice(0, askedMost)
    if (fresh.length === 0) return
    const keys = fresh.map(keyOf)
    keys.forEach((key) => asking.add(key))
    let by: number
    do {
      by = saved
      await saves.settled()
    } while (by !== saved)
    try {
      const { said: answers } = await request<{ said: SayAnswer[] }>('POST', '/api/channel/speech/say', {
        sayings: fresh.map(({ emotes, ...saying }) => ({
          ...saying,
          emotes: emotes.map(({ from, to }) => ({ from, to })),
        })),
      })
      // What was said by settings that were changed meanwhile is not what will be heard.
      if (by === saved) answers.forEach((answer, index) => said.set(keys[index] ?? '', answer))
      for (const oldest of said.keys()) {
        if (said.size <= keptMost) break
        said.delete(oldest)
      }
      refusal.value = ''
    } catch (error) {
      refusal.value = wordsOf(error)
    } finally {
      keys.forEach((key) => asking.delete(key))
    }
    if (by !== saved) await ask(fresh)
  }

  return {
    view,
    refusal,
    settings: computed(() => view.value?.settings ?? null),
    voices: computed<VoiceView[]>(() => view.value?.voices ?? []),
    ensureLoaded: () =>
      (loading ??= load().catch((error: unknown) => {
        loading = null
        throw error
      })),
    save,
    /** Resolves when what was changed here is kept: what the server is asked before that it answers by the old settings. */
    saved: () => saves.settled(),
    turn,
    ask,
    /** How a sample is heard; undefined while that is not known. */
    answerOf: (saying: Saying): SayAnswer | undefined => said.get(keyOf(saying)),
    /**
     * What voices say of a sample. A part of which something is not known yet is left out: its length is an estimate
     * until then.
     */
    spokenOf: (voices: readonly { part: { id: string }; sayings: readonly Saying[] }[]): SpokenParts =>
      Object.fromEntries(
        voices.flatMap(({ part, sayings }) => {
          const answers = sayings.map((saying) => said.get(keyOf(saying)))
          return answers.some((answer) => answer === undefined)
            ? []
            : [[part.id, answers.flatMap((answer) => answer?.utterance ?? [])]]
        }),
      ),
    /** What was measured of recordings, by their addresses. */
    measured: computed<Record<string, MeasuredSound>>(() =>
      Object.fromEntries(
        [...said.values()].flatMap(({ utterance }) =>
          utterance?.waveform
            ? [
                [
                  utterance.url,
                  {
                    level: utterance.level,
                    waveform: {
                      stretchMs: utterance.waveform.stretchMs,
                      peaks: Uint8Array.from(utterance.waveform.peaks),
                    },
                  },
                ] as const,
              ]
            : [],
        ),
      ),
    ),
  }
})
