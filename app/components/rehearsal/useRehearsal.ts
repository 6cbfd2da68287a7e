import { onBeforeUnmount, ref, shallowRef } from 'vue'
import type { NightChannel } from '../../../contract/nights.ts'
import type { Advice } from '../../../core/rehearsal/advise.ts'
import type { NightFigures } from '../../../core/rehearsal/figures.ts'
import type {
  Looked,
  NightChoice,
  NightFacts,
  RehearsalAnswer,
  RehearsalQuestion,
  Side,
} from '../../workers/rehearsal.worker.ts'

/** Both sides of a night, in figures. */
interface Compared {
  a: NightFigures
  b: NightFigures
  tookMs: number
}

/**
 * A night played through a box beside the page: it is asked for, tells how far it is, and can be given up at any moment. What is
 * shown stays until there is something else to show.
 */
export function useRehearsal() {
  const night = shallowRef<NightFacts | null>(null)
  const compared = shallowRef<Compared | null>(null)
  const advice = shallowRef<{ advice: Advice; tookMs: number } | null>(null)
  const looked = shallowRef<Looked | null>(null)
  const progress = ref<{ words: string; share: number } | null>(null)
  const refusal = ref('')
  let worker: Worker | null = null
  let asked: { night: NightChoice; channel: NightChannel } | null = null

  function hear(answer: RehearsalAnswer): void {
    if (answer.told === 'progress') {
      progress.value = answer
      return
    }
    if (answer.told === 'night') night.value = answer.night
    else if (answer.told === 'figures') compared.value = answer
    else if (answer.told === 'advice') advice.value = answer
    else if (answer.told === 'looked') looked.value = answer.looked
    else refusal.value = answer.reason
    // Reading a night is only the first half.
    if (answer.told !== 'night') progress.value = null
  }
  function open(): Worker {
    if (worker) return worker
    const made = new Worker(new URL('../../workers/rehearsal.worker.ts', import.meta.url), { type: 'module' })
    made.addEventListener('message', ({ data }: MessageEvent<RehearsalAnswer>) => worker === made && hear(data))
    made.addEventListener('error', () => {
      if (worker === made) refusal.value = 'The rehearsal has stopped. Try it once more.'
      progress.value = null
    })
    worker = made
    return made
  }
  // What a worker is sent has to be plain.
  const ask = (question: RehearsalQuestion) => open().postMessage(JSON.parse(JSON.stringify(question)))

  /** Takes another night. */
  function take(choice: NightChoice, channel: NightChannel): void {
    // Whatever is under way is about another night.
    close()
    ;[night.value, compared.value, advice.value, looked.value] = [null, null, null, null]
    refusal.value = ''
    asked = { night: choice, channel }
    progress.value = { words: 'Taking the night', share: 0 }
    ask({ ask: 'night', ...asked })
  }
  function compare(a: Side, b: Side): void {
    if (!asked || !night.value) return
    advice.value = null
    refusal.value = ''
    progress.value = { words: 'Deciding about each event', share: 0 }
    ask({ ask: 'sides', a, b })
  }
  function adviseWithin(targetMs: number): void {
    progress.value = { words: 'Trying policies', share: 0 }
    ask({ ask: 'advice', targetMs })
  }
  const look = (at: number) => ask({ ask: 'look', at })
  const lookNear = (atMs: number) => ask({ ask: 'lookNear', atMs })

  /** Gives up what is under way; the night is taken again when it is needed. @returns whether there was something */
  function cancel(): boolean {
    if (progress.value === null) return false
    close()
    if (asked) ask({ ask: 'night', ...asked })
    return true
  }
  function close(): void {
    worker?.terminate()
    worker = null
    progress.value = null
  }
  onBeforeUnmount(close)
  return { night, compared, advice, looked, progress, refusal, take, compare, adviseWithin, look, lookNear, cancel }
}
