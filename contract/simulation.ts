import * as z from 'zod'
import { eventKind } from '../core/events/kinds.ts'
import { sampleNames, type SampleName } from '../core/events/sampleEvent.ts'

/** What a simulated platform is asked to send. */
export const simulationBody = z.object({
  kind: eventKind,
  viewer: z.enum(Object.keys(sampleNames) as [SampleName, ...SampleName[]]).default('everyday'),
  /** So many, one after another, each a happening of its own. */
  count: z.int().min(1).max(50).default(1),
  /** Fields of the event that are otherwise than usual. */
  fields: z.record(z.string().max(40), z.union([z.number(), z.string().max(2000)])).default({}),
})

export interface SimulationAnswer {
  accepted: number
  repeated: number
  rejected: number
}
