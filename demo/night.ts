import { feedSource } from '../core/events/feedSource.ts'
import { makeNight } from '../core/rehearsal/makeNight.ts'
import { longQueue, longQueueMs } from '../core/rehearsal/readyNights.ts'
import type { CanonicalEvent } from '../core/events/schema.ts'
import { momentAt } from '../core/time/localMoment.ts'
import { demoChannel } from './scenario.ts'

/** The night of 24 November: from ten in the evening until four, with a raid at 00:40. */
export const nightFromMs = momentAt(Date.UTC(2026, 10, 24) / 86_400_000, 22 * 60, demoChannel.timeZone)
export const nightLengthMs = longQueueMs

/** 904 things that happened. */
export const demoNight = (): CanonicalEvent[] =>
  makeNight(
    longQueue({
      ...{ beginMs: nightFromMs, currency: demoChannel.currency },
      sources: [feedSource('feed-alder'), feedSource('feed-cedar')],
    }),
  )
