import type { Speaker } from './speaker.ts'
import { definePort } from '../system/port.ts'

/** What handlers need of voices. */
export interface VoicesPort {
  speaker: Speaker
  /** Starts the engines that a channel’s alerts on air speak with, so that the first message does not wait for them. */
  wakeVoices: (channelId: string) => void
}

export const { provide: provideVoices, use: useVoices } = definePort<VoicesPort>('Voices')
