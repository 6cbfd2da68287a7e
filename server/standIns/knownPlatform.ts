import { getRouterParam, type H3Event } from 'h3'
import { linkablePlatforms } from '../../contract/linking.ts'
import { problemError } from '../system/problemError.ts'

/** The simulated platform that a request is for. @throws 404 for one that there is not */
export function knownPlatform(event: H3Event): (typeof linkablePlatforms)[number] {
  const platform = linkablePlatforms.find((each) => each === getRouterParam(event, 'platform'))
  if (!platform) throw problemError(404, 'There is no such platform.')
  return platform
}
