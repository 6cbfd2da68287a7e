import { livePart } from '../../../board/livePart.ts'
import { resolveSponsor, type ResolvedSponsor } from './resolveSponsor.ts'
import type { Sponsor } from './schema.ts'

export const sponsorPart = livePart<Sponsor, ResolvedSponsor>({
  resolve: resolveSponsor,
  caption: ({ standsS }) => `${standsS} s each`,
})
