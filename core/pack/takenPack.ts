import * as z from 'zod'
import { dialValue } from './dial.ts'
import { packId, release } from './design.ts'

const entityId = z.string().regex(/^[a-z0-9][a-z0-9-]{0,59}$/)
const dialId = z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/)
const values = z.record(dialId, dialValue)

/**
 * A pack that a box was given. What the designer made is not in here: it stays on the shelf, so that a newer release
 * can be held against it. What a person changed by hand is whatever differs from it with the dials as they stand.
 */
export const takenPack = z.object({
  id: packId,
  /** Where the designer's document is found. */
  shelfId: z.string().min(1).max(60),
  release,
  name: z.string().min(1).max(80),
  /** Its alerts, by their ids in the pack, as they are called in this box. */
  alerts: z.record(entityId, entityId),
  /** The box has its look, and its dials turn it. */
  wearsLook: z.boolean(),
  /** How the dials stand, where not as the designer set them. */
  values,
  /** The same for single alerts, by their ids in this box. */
  exceptions: z.record(entityId, values),
  /** Places that a person had changed when a dial came to turn them: they stay until they are given back. */
  own: z.array(z.string().max(400)).max(2000),
})
export type TakenPack = z.infer<typeof takenPack>
