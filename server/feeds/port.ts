import type { Linking } from './linking.ts'
import { definePort } from '../system/port.ts'

/** What handlers need of feeds. */
export interface LinkingPort {
  linking: Linking
}

export const { provide: provideLinking, use: useLinking } = definePort<LinkingPort>('Feeds')
