import * as z from 'zod'
import { eventKind } from '../core/events/kinds.ts'
import { sampleNames, type SampleName } from '../core/events/sampleEvent.ts'

/** What a simulated platform is asked to send: something of a kind, so many times, or one of its scripts. */
export const simulationBody = z
  .object({
    kind: eventKind.optional(),
    script: z.string().max(40).optional(),
    viewer: z.enum(Object.keys(sampleNames) as [SampleName, ...SampleName[]]).default('everyday'),
    /** So many, one after another, each a happening of its own. */
    count: z.int().min(1).max(50).default(1),
    /** Fields of the event that are otherwise than usual. */
    fields: z.record(z.string().max(40), z.union([z.number(), z.string().max(2000)])).default({}),
  })
  .refine(({ kind, script }) => (kind === undefined) !== (script === undefined), {
    path: ['kind'],
    message: 'either a kind or a script is sent',
  })

export interface SimulationAnswer {
  accepted: number
  repeated: number
  rejected: number
}
