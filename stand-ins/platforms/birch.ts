import type { CanonicalEvent } from '../../core/events/schema.ts'
import { minorDigits } from '../../core/minorDigits.ts'
import { wordsOf, type SimulatedPlatform } from './platform.ts'

const microsOf = ({ amountMinor, currency }: { amountMinor: number; currency: string }) => ({
  micros: String(BigInt(amountMinor) * 10n ** BigInt(6 - minorDigits(currency))),
  currency,
})

function itemOf(event: CanonicalEvent): { type: string; snippet: object } | null {
  const text = wordsOf(event)
  switch (event.kind) {
    case 'membership':
      return { type: 'newMember', snippet: { level: event.data.levelName, text } }
    case 'membershipRenewal':
      return { type: 'memberMilestone', snippet: { level: event.data.levelName, months: event.data.months, text } }
    case 'paidMessage':
      return { type: 'paidText', snippet: { ...microsOf(event.data), text } }
    case 'charityDonation':
      return { type: 'donation', snippet: { ...microsOf(event.data), text } }
    case 'purchase':
      return {
        type: 'shopOrder',
        snippet: { ...microsOf(event.data), product: event.data.item, pieces: event.data.quantity },
      }
    case 'chatMessage':
      return { type: 'chatText', snippet: { text } }
    default:
      return null
  }
}

export const birch: SimulatedPlatform = {
  kinds: ['membership', 'membershipRenewal', 'paidMessage', 'charityDonation', 'purchase', 'chatMessage'],
  takeAway: (id, noticeId, atMs) => ({
    page: {
      items: [
        {
          ...{ uid: noticeId, ts: atMs / 1000, type: 'chatTaken', snippet: { of: id } },
          author: { profile: { id: 'keeper', title: 'Keeper' } },
        },
      ],
    },
  }),
  audience: (now, noticeId, atMs) => ({
    page: {
      items: [
        {
          ...{ uid: noticeId, ts: atMs / 1000, type: 'audience', snippet: { now } },
          author: { profile: { id: 'keeper', title: 'Keeper' } },
        },
      ],
    },
  }),
  say(event, id) {
    const item = itemOf(event)
    const { viewer } = event.data
    return (
      item && {
        page: {
          items: [
            {
              uid: id,
              ts: event.occurredAtMs / 1000,
              author: {
                profile: { id: viewer?.id ?? 'nobody', title: viewer?.name ?? '' },
                isMember: viewer?.roles?.includes('subscriber'),
                isKeeper: viewer?.roles?.includes('moderator'),
              },
              picked: event.data.choice,
              ...item,
            },
          ],
        },
      }
    )
  },
}
