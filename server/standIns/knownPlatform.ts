import { getRouterParam, type H3Event } from 'h3'
import { platformIds, type Platform } from '../../core/events/platforms.ts'
import { problemError } from '../system/problemError.ts'

/** The simulated platform that a request is for. @throws 404 for one that there is not */
export function knownPlatform(event: H3Event): Platform {
  const platform = platformIds.find((each) => each === getRouterParam(event, 'platform'))
  if (!platform) throw problemError(404, 'There is no such platform.')
  return platform
}
