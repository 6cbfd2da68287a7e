import { TipDesk, type TipDeskDependencies } from './tipDesk.ts'
import { TipLimits } from './tipLimits.ts'
import type { TipsPort } from './port.ts'

interface TipsOptions extends Omit<TipDeskDependencies, 'accept' | 'onRefund'> {
  ingest: { acceptDelivery: TipDeskDependencies['accept'] }
  boards: { changed: (channelId: string) => void }
  goals: { look: (channelId: string) => Promise<void> }
  tipUrl: TipsPort['tipUrl']
}

/** What tips are taken with, and what is looked at anew when one is given back. */
export function startTips({ ingest, boards, goals, tipUrl, ...options }: TipsOptions): TipsPort {
  const tipDesk = new TipDesk({
    ...options,
    accept: (feed, noticeId, raw, translation) => ingest.acceptDelivery(feed, noticeId, raw, translation),
    async onRefund(channelId) {
      boards.changed(channelId)
      await goals.look(channelId)
    },
  })
  return { tipDesk, tipLimits: new TipLimits(), tipUrl }
}
