import { ref } from 'vue'
import type { SimulationAnswer } from '../../../contract/simulation.ts'
import { request, wordsOf } from '../../api/request.ts'
import { counted } from '../../format/counted.ts'

/** One request sends at most so many. */
const perRequest = 25

/** Asks a feed's simulated platform to send, and says what came of it while it goes on. */
export function useSimulator(feedId: () => string) {
  const said = ref('')
  const refusal = ref('')
  /** How much of it is sent, from nought to one; null while nothing is. */
  const progress = ref<number | null>(null)
  let isStopped = false

  async function send(asked: object, count: number): Promise<void> {
    const all: SimulationAnswer = { accepted: 0, repeated: 0, rejected: 0 }
    isStopped = false
    said.value = ''
    refusal.value = ''
    progress.value = 0
    try {
      for (let sent = 0; sent < count && !isStopped; sent += perRequest) {
        const { accepted, repeated } = await request<SimulationAnswer>('POST', `/api/feeds/${feedId()}/simulations`, {
          ...asked,
          ...(count > 1 ? { count: Math.min(perRequest, count - sent) } : {}),
        })
        all.accepted += accepted
        all.repeated += repeated
        progress.value = Math.min(1, (sent + perRequest) / count)
      }
      said.value = `${counted(all.accepted, 'event')} accepted${all.repeated > 0 ? `, ${counted(all.repeated, 'repeat')} caught` : ''}.`
    } catch (error) {
      refusal.value = wordsOf(error)
    }
    progress.value = null
  }
  return { said, refusal, progress, send, stop: () => void (isStopped = true) }
}
