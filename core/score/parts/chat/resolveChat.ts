import { settleLive, type ResolvedLiveBase } from '../../../board/resolvedLive.ts'
import type { PartContext } from '../../../settle/partContext.ts'
import type { SolvedClip } from '../../solve.ts'
import type { Chat } from './schema.ts'

export interface ResolvedChat extends ResolvedLiveBase {
  kind: 'chat'
  fadesAfterS: number | null
  hasMarks: boolean
  hasEmotes: boolean
  hasOwnInks: boolean
  mostLines: number
  newest: Chat['newest']
  gapPx: number
}

export function resolveChat(part: Chat, times: SolvedClip, context: PartContext): ResolvedChat {
  const { sources, most, fadesAfterS, hasMarks, hasEmotes, hasOwnInks, hidesBlocked, mostLines, newest, gapPx } = part
  return {
    kind: 'chat',
    ...settleLive(part, times, context, { of: 'chat', sources, most, hidesBlocked }),
    ...{ fadesAfterS, hasMarks, hasEmotes, hasOwnInks, mostLines, newest, gapPx },
  }
}
