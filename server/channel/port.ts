import type { FeedDirectory } from './feedDirectory.ts'
import type { OnAirCache } from './onAir.ts'
import { definePort } from '../system/port.ts'

/** What handlers need of what is true of channels. */
export interface ChannelsPort {
  onAir: OnAirCache
  feeds: FeedDirectory
}

export const { provide: provideChannels, use: useChannels } = definePort<ChannelsPort>('What is true of channels')
