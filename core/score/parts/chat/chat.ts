import { livePart } from '../../../board/livePart.ts'
import { resolveChat, type ResolvedChat } from './resolveChat.ts'
import type { Chat } from './schema.ts'

export const chatPart = livePart<Chat, ResolvedChat>({
  resolve: resolveChat,
  caption: ({ most }) => `the last ${most} lines`,
})
