import * as z from 'zod'
import { mediaId } from '../composition/mediaId.ts'

const moment = z
  .int()
  .min(0)
  .max(Date.UTC(2200, 0, 1))
const minute = z
  .int()
  .min(0)
  .max(24 * 60 - 1)
const worth = z.int().min(0).max(1_000_000)
const cap = z.int().min(1).max(100_000).nullable()

/** Something that a sponsor wants said: in a line on a board, or by a box as an alert. */
export const campaign = z
  .object({
    id: z.string().regex(/^[a-z0-9][a-z0-9-]{0,59}$/),
    name: z.string().trim().min(1, 'a campaign has a name').max(80),
    words: z.string().trim().min(1, 'what is said?').max(140),
    mediaId: mediaId.nullable(),
    /** Where a click leads; null: nowhere. */
    link: z
      .url({ protocol: /^https?$/ })
      .max(2000)
      .nullable(),
    fromMs: moment,
    /** The end is not in it any more; null: it goes on. */
    untilMs: moment.nullable(),
    /** At least so many minutes lie between two times that it is shown. */
    everyMin: z.int().min(1).max(1440),
    /** Minutes of the channel’s day, the last one included; past midnight where `until` is before `from`. Null: always. */
    hours: z.object({ from: minute, until: minute }).nullable(),
    /** Of two that may be shown, one of twice the weight is shown twice as often. */
    weight: z.int().min(1).max(100),
    /** How often it is shown at most, on one day and in all. */
    caps: z.object({ day: cap, all: cap }),
    isPaused: z.boolean(),
    /** As a line on boards, or by a box as an alert that waits its turn. */
    shownBy: z.enum(['line', 'alert']),
    /** What the sponsor gives, to estimate what comes of it: minor units of the channel's currency, and points of theirs. */
    worth: z.object({ perThousandMinor: worth, perClickMinor: worth, pointsPerThousand: worth, pointsPerClick: worth }),
  })
  .refine(({ fromMs, untilMs }) => untilMs === null || untilMs > fromMs, {
    path: ['untilMs'],
    message: 'a campaign ends after it begins',
  })
export type Campaign = z.infer<typeof campaign>
