import { noFiles, unseen, type PartDefinition } from '../partDefinition.ts'
import { resolveChat, type ResolvedChat } from './resolveChat.ts'
import type { Chat } from './schema.ts'

export const chatPart: PartDefinition<Chat, ResolvedChat> = {
  resolve: resolveChat,
  naturalMs: () => null,
  letters: () => '',
  files: noFiles(),
  caption: ({ most }) => `the last ${most} lines`,
  unnoticed: unseen,
  hasOwnPlace: () => true,
  usualSize: ({ widthPx, heightPx }) => ({ widthPx, heightPx }),
}
