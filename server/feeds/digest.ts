import { createHash } from 'node:crypto'

/** A short, stable id from the fields that make an event that event. */
export function digest(...fields: readonly (string | number)[]): string {
  return createHash('sha256').update(JSON.stringify(fields)).digest('hex').slice(0, 32)
}
