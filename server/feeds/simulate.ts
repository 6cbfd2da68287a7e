import type { z } from 'zod'
import type { SimulationAnswer, simulationBody } from '../../contract/simulation.ts'
import { sampleEvent } from '../../core/events/sampleEvent.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import { deliver } from '../../stand-ins/deliver.ts'
import { platforms } from '../../stand-ins/platforms/platforms.ts'
import { played, scripts } from '../../stand-ins/scripts.ts'
import { newId } from '../system/ids.ts'
import { problemError } from '../system/problemError.ts'
import type { KnownFeed } from '../channel/feedDirectory.ts'

/**
 * Sends what was asked for to the deliveries' own address, as the platform would.
 * @throws 422 for what never happens on that platform, or what its own adapter does not understand
 */
export async function simulate(
  feed: KnownFeed,
  asked: z.infer<typeof simulationBody>,
  origin: string,
  nowMs: number,
): Promise<SimulationAnswer> {
  const all: SimulationAnswer = { accepted: 0, repeated: 0, rejected: 0 }
  for (const { event, id } of happenings(feed.platform, asked, nowMs)) {
    const payload = platforms[feed.platform]?.say(event, id)
    if (!payload) throw problemError(422, 'This never happens on that platform.')
    const answer = await deliver(
      { url: `${origin}/api/feeds/${feed.id}/deliveries`, secret: feed.secret },
      payload,
      newId('delivery'),
      nowMs,
    )
    if (answer.status !== 202) throw problemError(422, `The delivery was refused: ${answer.detail || answer.status}`)
    all.accepted += answer.accepted
    all.repeated += answer.repeated
    all.rejected += answer.rejected
  }
  return all
}

function happenings(
  platform: string,
  { kind, script: scriptId, viewer, count, fields }: z.infer<typeof simulationBody>,
  nowMs: number,
): { event: CanonicalEvent; id: string }[] {
  if (kind === undefined) {
    const script = scripts[platform]?.find(({ id }) => id === scriptId)
    if (!script) throw problemError(422, 'The platform knows no such script.')
    return played(script, newId('run'), nowMs)
  }
  return Array.from({ length: count }, () => {
    const sample = sampleEvent(kind, viewer, nowMs)
    const data = {
      ...sample.data,
      ...fields,
      viewer: sample.data.viewer && { ...sample.data.viewer, id: count > 1 ? newId('viewer') : sample.data.viewer.id },
    }
    return { event: { ...sample, data } as CanonicalEvent, id: newId('said') }
  })
}
