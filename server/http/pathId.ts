import { getRouterParam, type H3Event } from 'h3'
import { problemError } from '../system/problemError.ts'

/** An id from the address. @throws 404 for what cannot be one, before the database is asked. */
export function pathId(event: H3Event, name: string): string {
  const id = getRouterParam(event, name) ?? ''
  if (!/^[a-z0-9-]{1,80}$/.test(id)) throw problemError(404, 'There is nothing at this address.')
  return id
}
