import { livePart } from '../../../board/livePart.ts'
import { resolveTop, type ResolvedTop } from './resolveTop.ts'
import type { Top } from './schema.ts'

export const topPart = livePart<Top, ResolvedTop>({
  resolve: resolveTop,
  caption: ({ most }) => `the first ${most}`,
})
