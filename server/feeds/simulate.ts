import { Webhook } from 'standardwebhooks'
import type { z } from 'zod'
import type { SimulationAnswer, simulationBody } from '../../contract/simulation.ts'
import { sampleEvent } from '../../core/events/sampleEvent.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import { platforms } from '../../stand-ins/platforms/platforms.ts'
import { newId } from '../system/ids.ts'
import { problemError } from '../system/problemError.ts'
import type { KnownFeed } from './feedDirectory.ts'

/**
 * Sends what was asked for to the deliveries' own address, as the platform would.
 * @throws 422 for what never happens on that platform, or what its own adapter does not understand
 */
export async function simulate(feed: KnownFeed, { kind, viewer, count, fields }: z.infer<typeof simulationBody>, origin: string, nowMs: number): Promise<SimulationAnswer> {
  const platform = platforms[feed.platform]
  if (!platform?.kinds.includes(kind)) throw problemError(422, 'This never happens on that platform.')
  const all: SimulationAnswer = { accepted: 0, repeated: 0, rejected: 0 }
  for (let number = 0; number < count; number++) {
    const sample = sampleEvent(kind, viewer, nowMs)
    const data = { ...sample.data, ...fields, viewer: sample.data.viewer && { ...sample.data.viewer, id: count > 1 ? newId('viewer') : sample.data.viewer.id } }
    const payload = JSON.stringify(platform.say({ ...sample, data } as CanonicalEvent, newId('said')))
    const id = newId('delivery')
    const answer = await fetch(`${origin}/api/feeds/${feed.id}/deliveries`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'webhook-id': id, 'webhook-timestamp': String(Math.floor(nowMs / 1000)), 'webhook-signature': new Webhook(feed.secret).sign(id, new Date(nowMs), payload) },
      body: payload,
    })
    if (!answer.ok) throw problemError(422, `The delivery was refused: ${((await answer.json()) as { detail?: string }).detail ?? answer.status}`)
    const { accepted, repeated, rejected } = (await answer.json()) as SimulationAnswer
    all.accepted += accepted
    all.repeated += repeated
    all.rejected += rejected
  }
  return all
}
