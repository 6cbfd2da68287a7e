import type { ChannelStream } from './channelStream.ts'
import { definePort } from '../system/port.ts'

/** What handlers need of the screens of signed-in people. */
export interface ScreensPort {
  stream: ChannelStream
  /** Whoever signed out is told nothing more, on no screen anywhere. */
  endSessionScreens: (sessionId: string) => void
}

export const { provide: provideScreens, use: useScreens } = definePort<ScreensPort>('The screens of signed-in people')
