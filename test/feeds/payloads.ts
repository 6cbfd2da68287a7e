import type { EventKind } from '../../core/events/kinds.ts'

const moment = '2026-11-25T00:40:10Z'
const ts = Date.parse(moment) / 1000
const alder = (
  number: number,
  topic: string,
  detail: object,
  person: object | null = { uid: 'al-1', handle: 'pip_rye', badges: ['subscriber'] },
) => ({ entries: [{ id: `01JDHTBAKE${String(number).padStart(16, '0')}`, topic, moment, person, detail }] })
const birch = (uid: string, type: string, snippet: object) => ({
  page: { items: [{ uid, type, ts, author: { profile: { id: 'bi-1', title: 'Juno Flint' } }, snippet }] },
})
const goal = { id: 'g-1', title: 'new oven fund', target: 120_000 }
const who = { ref: 'cu-1', shown_as: 'caraway_owl' }

/** One payload for each thing that each platform sends, as it sends it, and the kind of event that it is. */
export const payloads: Record<string, readonly { kind: EventKind; payload: object; data: object }[]> = {
  alder: [
    {
      kind: 'subscription',
      payload: alder(1, 'standing.started', { tier: 'I' }),
      data: { viewer: { id: 'al-1', name: 'pip_rye', roles: ['subscriber'] }, tier: 1, months: 1 },
    },
    {
      kind: 'resubscription',
      payload: alder(2, 'standing.renewed', { tier: 'III', months: 12, run: 7, words: 'o pão' }),
      data: { tier: 3, months: 12, streakMonths: 7, message: { text: 'o pão' } },
    },
    {
      kind: 'giftBatch',
      payload: alder(3, 'gift.batch', { tier: 'I', pieces: 5, batch: 'b-1' }, null),
      data: { viewer: null, tier: 1, count: 5, groupId: 'b-1' },
    },
    {
      kind: 'giftRecipient',
      payload: alder(4, 'gift.single', { tier: 'I', to: { uid: 'al-9', handle: 'Zoë' }, batch: 'b-1' }, null),
      data: { viewer: null, recipient: { id: 'al-9', name: 'Zoë' }, groupId: 'b-1' },
    },
    {
      kind: 'redemption',
      payload: alder(5, 'points.redeemed', {
        reward: { id: 'bell', name: 'Ring the oven bell', price: 300 },
        typed: 'twice',
      }),
      data: { reward: { id: 'bell', title: 'Ring the oven bell', costPoints: 300 }, input: 'twice' },
    },
    { kind: 'applause', payload: alder(6, 'points.clapped', { points: 500 }), data: { points: 500 } },
    {
      kind: 'surgeStarted',
      payload: alder(7, 'surge.begin', { step: 1, sum: 1200 }, null),
      data: { viewer: null, level: 1, totalPoints: 1200 },
    },
    {
      kind: 'surgeLevelled',
      payload: alder(8, 'surge.step', { step: 3, sum: 8600 }, null),
      data: { level: 3, totalPoints: 8600 },
    },
    {
      kind: 'surgeEnded',
      payload: alder(9, 'surge.end', { step: 4, sum: 14_200 }, null),
      data: { level: 4, totalPoints: 14_200 },
    },
    {
      kind: 'chatCommand',
      payload: alder(10, 'chat.command', { word: '!bell', rest: 'twice' }),
      data: { command: '!bell', arguments: 'twice' },
    },
    {
      kind: 'chatMessage',
      payload: alder(11, 'chat.line', {
        pieces: [{ words: 'good evening ' }, { emote: 'loafHug', picture: 'https://alder.invalid/loaf.png' }],
      }),
      data: {
        message: {
          text: 'good evening loafHug',
          emotes: [{ from: 13, to: 20, url: 'https://alder.invalid/loaf.png' }],
        },
      },
    },
    {
      kind: 'redemption',
      payload: {
        entries: [
          {
            ...alder(
              12,
              'points.redeemed',
              { reward: { id: 'bell', name: 'Ring the oven bell', price: 300 } },
              { uid: 'al-2', handle: 'Zoë', portrait: 'no address' },
            ).entries[0],
            picked: 'kettle',
          },
        ],
      },
      data: { choice: 'kettle', viewer: { id: 'al-2', name: 'Zoë' } },
    },
  ],
  birch: [
    {
      kind: 'membership',
      payload: birch('m-1', 'newMember', { level: 'Night shift' }),
      data: { viewer: { id: 'bi-1', name: 'Juno Flint' }, levelName: 'Night shift', months: 1 },
    },
    {
      kind: 'membershipRenewal',
      payload: birch('m-2', 'memberMilestone', { level: 'Night shift', months: 6, text: 'good evening' }),
      data: { levelName: 'Night shift', months: 6, message: { text: 'good evening' } },
    },
    {
      kind: 'paidMessage',
      payload: birch('p-1', 'paidText', { micros: '5000000', currency: 'EUR', text: 'for the rye' }),
      data: { amountMinor: 500, currency: 'EUR', message: { text: 'for the rye' } },
    },
    {
      kind: 'charityDonation',
      payload: birch('d-1', 'donation', { micros: '10500000', currency: 'EUR' }),
      data: { amountMinor: 1050, currency: 'EUR' },
    },
    {
      kind: 'purchase',
      payload: birch('s-1', 'shopOrder', { micros: '28000000', currency: 'EUR', product: 'Linen apron', pieces: 1 }),
      data: { amountMinor: 2800, item: 'Linen apron', quantity: 1 },
    },
    {
      kind: 'chatMessage',
      payload: {
        page: {
          items: [
            {
              uid: 'c-1',
              type: 'chatText',
              ts,
              author: { profile: { id: 'bi-2', title: 'Isaura Pinto' }, isMember: true, isKeeper: true },
              snippet: { text: 'boa noite' },
            },
          ],
        },
      },
      data: {
        viewer: { id: 'bi-2', name: 'Isaura Pinto', roles: ['subscriber', 'moderator'] },
        message: { text: 'boa noite' },
      },
    },
  ],
  cedar: [
    {
      kind: 'follow',
      payload: { notices: [{ what: 'new_follow', at: moment, who }] },
      data: { viewer: { id: 'cu-1', name: 'caraway_owl' } },
    },
    {
      kind: 'raid',
      payload: { notices: [{ what: 'raid', ref: 'r-1', at: moment, who, brought: 64 }] },
      data: { partySize: 64 },
    },
    {
      kind: 'tip',
      payload: { notices: [{ what: 'tip', ref: 't-1', at: moment, who, sum: '25.00', money: 'EUR' }] },
      data: { amountMinor: 2500, currency: 'EUR' },
    },
    {
      kind: 'raid',
      payload: { notices: [{ what: 'raid', ref: 'r-2', at: moment, who: { ...who, standing: 'guest' }, brought: 3 }] },
      data: { viewer: { id: 'cu-1', name: 'caraway_owl', roles: ['vip'] }, partySize: 3 },
    },
  ],
  till: [
    {
      kind: 'tip',
      payload: {
        slips: [{ does: 'tip', slip: 's-1', at: moment, amount: 300, currency: 'EUR', from: 'O’Malt', note: 'crumbs' }],
      },
      data: { amountMinor: 300, currency: 'EUR', message: { text: 'crumbs' } },
    },
    {
      kind: 'goalStarted',
      payload: { slips: [{ does: 'goal.opened', at: moment, goal, currency: 'EUR' }] },
      data: { viewer: null, goalTitle: 'new oven fund', targetMinor: 120_000 },
    },
    {
      kind: 'goalReached',
      payload: { slips: [{ does: 'goal.filled', at: moment, goal, currency: 'EUR' }] },
      data: { goalTitle: 'new oven fund', targetMinor: 120_000 },
    },
  ],
}
