import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { chosenBy, playedBy, type Alert } from '../../core/composition/box.ts'
import type { Coverage } from '../../core/rules/coverage.ts'
import type { OrderAdvice } from '../../core/rules/reorder.ts'
import type { CoverageAnswer, CoverageQuestion } from '../workers/coverage.worker.ts'
import { useScoreRoomStore } from './scoreRoom.ts'

/** A computation that something newer waits for is given up after so long. */
const patienceMs = 250
/** Whoever waits longer than this is told so. */
const slowMs = 400

/** Whether two states of an alert ask the same. What an edit does not touch keeps its identity. */
function asksTheSame(before: Alert, now: Alert): boolean {
  if (before.id !== now.id || before.kinds !== now.kinds || before.offer !== now.offer) return false
  if (before.variations.length !== now.variations.length) return false
  return before.variations.every((each, index) => {
    const { id, rule, share } = each
    const other = now.variations[index]
    return id === other?.id && rule === other.rule && share === other.share && playedBy(each) === playedBy(other)
  })
}

const questionOf = (alert: Alert): CoverageQuestion => ({
  listener: { kinds: alert.kinds, offer: alert.offer },
  // What only run sheets play is in nobody's way.
  variations: chosenBy(alert).map(({ id, rule, share }) => ({ id, rule, share })),
})

/**
 * Which case of the alert in the score room plays where, and what would help those that others hide. Computed in a
 * worker, and anew only where a rule, a share, the order or what is listened to changed: a part that is dragged changes
 * its alert sixty times a second.
 */
export const useCoverageStore = defineStore('coverage', () => {
  const room = useScoreRoomStore()
  const coverage = shallowRef<Coverage | null>(null)
  const advice = shallowRef<OrderAdvice[]>([])
  /** It takes long enough to be told. */
  const isSlow = ref(false)
  const asked = computed<Alert | null>((before) =>
    before && room.alert && asksTheSame(before, room.alert) ? before : room.alert,
  )

  let worker: Worker | null = null
  let sinceMs: number | null = null
  /** What is asked once the running computation ends or is given up. */
  let next: Alert | null = null
  let slow: ReturnType<typeof setTimeout> | undefined
  let giveUp: ReturnType<typeof setTimeout> | undefined

  function open(): Worker {
    const opened = new Worker(new URL('../workers/coverage.worker.ts', import.meta.url), { type: 'module' })
    opened.addEventListener('message', ({ data }: MessageEvent<CoverageAnswer>) => {
      if ('coverage' in data) {
        if (!next) coverage.value = data.coverage
        clearTimeout(slow)
        isSlow.value = false
      } else {
        if (!next) advice.value = data.advice
        rest()
      }
    })
    return opened
  }

  /** The computation has ended: what came meanwhile is next. */
  function rest(): void {
    clearTimeout(giveUp)
    sinceMs = null
    const waiting = next
    next = null
    if (waiting) ask(waiting)
  }

  function ask(alert: Alert): void {
    if (sinceMs !== null) {
      next = alert
      clearTimeout(giveUp)
      giveUp = setTimeout(cancel, Math.max(0, sinceMs + patienceMs - performance.now()))
      return
    }
    sinceMs = performance.now()
    worker ??= open()
    worker.postMessage(questionOf(alert))
    clearTimeout(slow)
    slow = setTimeout(() => (isSlow.value = true), slowMs)
  }

  /** A worker that computes hears nothing: it is ended, and another one takes what is next. */
  function cancel(): void {
    worker?.terminate()
    worker = null
    rest()
  }

  watch(
    asked,
    (now, before) => {
      if (now?.id !== before?.id) {
        coverage.value = null
        advice.value = []
      }
      if (now) ask(now)
    },
    { immediate: true },
  )

  return { coverage, advice, isSlow }
})
