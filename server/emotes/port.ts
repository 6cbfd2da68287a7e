import type { EmoteShelf } from './emoteShelf.ts'
import { definePort } from '../system/port.ts'

/** What handlers need of emotes. */
export interface EmotesPort {
  emotes: EmoteShelf
}

export const { provide: provideEmotes, use: useEmotes } = definePort<EmotesPort>('Emotes')
