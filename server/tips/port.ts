import { definePort } from '../system/port.ts'
import type { TipDesk } from './tipDesk.ts'
import type { TipLimits } from './tipLimits.ts'

/** What handlers need of tips. */
export interface TipsPort {
  tipDesk: TipDesk
  tipLimits: TipLimits
  /** The address of a channel's tip page. */
  tipUrl: (channelId: string) => string
}

export const { provide: provideTips, use: useTips } = definePort<TipsPort>('Tips')
