import * as z from 'zod'

/** What announces gifts takes in those who receive them. */
export const giftsSentence = z.object({ rule: z.literal('gifts'), isOn: z.boolean() })

/** Who received a gift waits so long for the gifts to be announced: platforms tell of both in any order. */
export const announcedWithinMs = 3_000
