import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible'
import { problemError } from '../system/problemError.ts'

/** What anybody may ask of a tip page: forms that are posted a hundred times a second are one form. */
export class TipLimits {
  private readonly limits = {
    /** Of one address. */
    checkout: new RateLimiterMemory({ points: 12, duration: 60 }),
    /** Of one channel, from everywhere. */
    channel: new RateLimiterMemory({ points: 600, duration: 60 }),
    /** What a voice would make of a message, while it is typed. */
    reading: new RateLimiterMemory({ points: 90, duration: 60 }),
    /** How a tip stands, asked again and again until it is shown. */
    thanks: new RateLimiterMemory({ points: 240, duration: 60 }),
  }

  /** @throws 429 where there were too many; says how long to wait */
  async count(what: keyof TipLimits['limits'], key: string): Promise<void> {
    try {
      await this.limits[what].consume(key)
    } catch (refusal) {
      if (!(refusal instanceof RateLimiterRes)) throw refusal
      const waitS = Math.ceil(refusal.msBeforeNext / 1000)
      throw problemError(429, `That was asked too often. Wait ${waitS} s and try again; nothing was lost.`)
    }
  }
}
