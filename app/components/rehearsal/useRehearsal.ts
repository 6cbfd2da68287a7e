import { onBeforeUnmount, ref, shallowRef } from 'vue'
import type { NightChannel } from '../../../contract/nights.ts'
import type { Advice } from '../../../core/rehearsal/advise.ts'
import type { RehearsalWish, Side } from '../../../core/rehearsal/rehearse.ts'
import type { ResolvedScore } from '../../../core/score/resolved.ts'
import type {
  CameRow,
  Looked,
  NightChoice,
  NightFacts,
  Programme,
  RehearsalAnswer,
  RehearsalQuestion,
} from '../../workers/rehearsalTalk.ts'

/** Both sides of a night, in figures. */
export type Compared = Omit<Extract<RehearsalAnswer, { told: 'figures' }>, 'told'>

const playKey = (boxId: string, playId: string) => `${boxId} ${playId}`

/**
 * A night played through boxes beside the page: it is asked for, tells how far it is, and can be given up at any moment. What is
 * shown stays until there is something else to show.
 */
export function useRehearsal() {
  const night = shallowRef<NightFacts | null>(null)
  const compared = shallowRef<Compared | null>(null)
  const advice = shallowRef<{ boxId: string; advice: Advice; tookMs: number } | null>(null)
  const looked = shallowRef<Looked | null>(null)
  const programme = shallowRef<Programme | null>(null)
  const came = shallowRef<readonly CameRow[]>([])
  const progress = ref<{ words: string; share: number } | null>(null)
  const refusal = ref('')
  const scores = new Map<string, ((score: ResolvedScore | null) => void)[]>()
  let worker: Worker | null = null
  let asked: { night: NightChoice; channel: NightChannel } | null = null
  /** What was under way was given up: the night has to be read once more before anything is asked of it. */
  let isLeft = false

  function hear(answer: RehearsalAnswer): void {
    switch (answer.told) {
      case 'progress':
        progress.value = answer
        return
      // Reading a night is only the first half.
      case 'night':
        // Read once more it is the same.
        night.value ??= answer.night
        return
      case 'score': {
        const key = playKey(answer.boxId, answer.playId)
        for (const take of scores.get(key) ?? []) take(answer.score)
        scores.delete(key)
        return
      }
      case 'came':
        came.value = answer.came
        return
      case 'looked':
        looked.value = answer.looked
        return
      case 'programme':
        programme.value = answer.programme
        return
      case 'figures':
        compared.value = answer
        break
      case 'advice':
        advice.value = answer
        break
      case 'refused':
        refusal.value = answer.reason
    }
    progress.value = null
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
    ;[night.value, compared.value, advice.value, looked.value, programme.value] = [null, null, null, null, null]
    refusal.value = ''
    isLeft = false
    asked = { night: choice, channel }
    progress.value = { words: 'Taking the night', share: 0 }
    ask({ ask: 'night', ...asked })
  }
  function compare(a: Side, b: Side, wish: RehearsalWish): void {
    if (!asked) return
    if (isLeft) {
      isLeft = false
      progress.value = { words: 'Taking the night', share: 0 }
      ask({ ask: 'night', ...asked })
    }
    // As soon as it is read, it is asked for again.
    if (!night.value) return
    advice.value = null
    refusal.value = ''
    progress.value = { words: 'Deciding about each event', share: 0 }
    ask({ ask: 'sides', a, b, wish })
  }
  function adviseWithin(boxId: string, targetMs: number): void {
    if (isLeft) return
    progress.value = { words: 'Trying policies', share: 0 }
    ask({ ask: 'advice', boxId, targetMs })
  }
  /** Of a night that was given up nothing is known. */
  const askOfNight = (question: RehearsalQuestion) => void (isLeft || ask(question))
  const look = (at: number) => askOfNight({ ask: 'look', at })
  const lookNear = (atMs: number) => askOfNight({ ask: 'lookNear', atMs })
  const askProgramme = () => askOfNight({ ask: 'programme' })
  const askCame = (atMs: number) => askOfNight({ ask: 'came', atMs })
  /** How a play of the second side is shown; null: it cannot be. */
  function scoreOf(boxId: string, playId: string): Promise<ResolvedScore | null> {
    if (isLeft) return Promise.resolve(null)
    return new Promise((resolve) => {
      const key = playKey(boxId, playId)
      const waiting = scores.get(key) ?? []
      scores.set(key, [...waiting, resolve])
      if (waiting.length === 0) ask({ ask: 'score', boxId, playId })
    })
  }

  /** Gives up what is under way; the night is taken again when it is needed. @returns whether there was something */
  function cancel(): boolean {
    if (progress.value === null) return false
    close()
    isLeft = asked !== null
    return true
  }
  function close(): void {
    worker?.terminate()
    worker = null
    progress.value = null
    for (const waiting of scores.values()) for (const take of waiting) take(null)
    scores.clear()
  }
  onBeforeUnmount(close)
  return {
    ...{ night, compared, advice, looked, programme, came, progress, refusal },
    ...{ take, compare, adviseWithin, look, lookNear, askProgramme, askCame, scoreOf, cancel },
  }
}
