import type { CanonicalEvent } from '../../core/events/schema.ts'
import { momentOf, wordsOf, type SimulatedPlatform } from './platform.ts'

const numerals = ['', 'I', 'II', 'III']
type Viewer = NonNullable<CanonicalEvent['data']['viewer']>
const personOf = (viewer: Viewer | null) =>
  viewer && { uid: viewer.id, handle: viewer.name, ...(viewer.roles ? { badges: viewer.roles } : {}) }

/** A line as words and emotes. */
function piecesOf({
  text,
  emotes = [],
}: {
  text: string
  emotes?: readonly { from: number; to: number; url: string }[]
}) {
  let at = 0
  const pieces: object[] = []
  for (const { from, to, url } of emotes) {
    if (from > at) pieces.push({ words: text.slice(at, from) })
    pieces.push({ emote: text.slice(from, to), picture: url })
    at = to
  }
  return at < text.length || pieces.length === 0 ? [...pieces, { words: text.slice(at) }] : pieces
}

function entryOf(event: CanonicalEvent): { topic: string; detail: object } | null {
  switch (event.kind) {
    case 'subscription':
      return { topic: 'standing.started', detail: { tier: numerals[event.data.tier], words: wordsOf(event) } }
    case 'resubscription':
      return {
        topic: 'standing.renewed',
        detail: {
          tier: numerals[event.data.tier],
          months: event.data.months,
          run: event.data.streakMonths,
          words: wordsOf(event),
        },
      }
    case 'giftBatch':
      return {
        topic: 'gift.batch',
        detail: { tier: numerals[event.data.tier], pieces: event.data.count, batch: event.data.groupId },
      }
    case 'giftRecipient':
      return {
        topic: 'gift.single',
        detail: { tier: numerals[event.data.tier], to: personOf(event.data.recipient), batch: event.data.groupId },
      }
    case 'redemption':
      return {
        topic: 'points.redeemed',
        detail: {
          reward: { id: event.data.reward.id, name: event.data.reward.title, price: event.data.reward.costPoints },
          typed: event.data.input,
        },
      }
    case 'applause':
      return { topic: 'points.clapped', detail: { points: event.data.points, words: wordsOf(event) } }
    case 'surgeStarted':
      return { topic: 'surge.begin', detail: { step: event.data.level, sum: event.data.totalPoints } }
    case 'surgeLevelled':
      return { topic: 'surge.step', detail: { step: event.data.level, sum: event.data.totalPoints } }
    case 'surgeEnded':
      return { topic: 'surge.end', detail: { step: event.data.level, sum: event.data.totalPoints } }
    case 'chatCommand':
      return { topic: 'chat.command', detail: { word: event.data.command, rest: event.data.arguments } }
    case 'chatMessage':
      return { topic: 'chat.line', detail: { pieces: piecesOf(event.data.message) } }
    default:
      return null
  }
}

/** Crockford's alphabet, of which ULIDs are made. */
const letters = '0123456789ABCDEFGHJKMNPQRSTVWXYZ'

/** A ULID that is the same for the same text. */
function ulidOf(text: string): string {
  let hash = 17
  return Array.from({ length: 26 }, (_, at) => {
    hash = (hash * 31 + (text.charCodeAt(at % Math.max(1, text.length)) || 7) * (at + 1)) % 0x7fff_ffff
    return letters[hash % 32]
  }).join('')
}

export const alder: SimulatedPlatform = {
  kinds: [
    'subscription',
    'resubscription',
    'giftBatch',
    'giftRecipient',
    'redemption',
    'applause',
    'surgeStarted',
    'surgeLevelled',
    'surgeEnded',
    'chatCommand',
    'chatMessage',
  ],
  takeAway: (id, noticeId, atMs) => ({
    entries: [
      {
        id: ulidOf(noticeId),
        moment: new Date(atMs).toISOString(),
        person: null,
        topic: 'chat.removed',
        detail: { line: ulidOf(id) },
      },
    ],
  }),
  audience: (present, noticeId, atMs) => ({
    entries: [
      {
        ...{ id: ulidOf(noticeId), moment: new Date(atMs).toISOString(), person: null },
        ...{ topic: 'audience', detail: { present } },
      },
    ],
  }),
  say(event, id) {
    const entry = entryOf(event)
    return (
      entry && {
        entries: [
          {
            id: ulidOf(id),
            moment: momentOf(event),
            person: personOf(event.data.viewer),
            picked: event.data.choice,
            ...entry,
          },
        ],
      }
    )
  },
}
