import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible'

/**
 * How often each key asks, in this process. Two servers on one database let a key ask twice as often: it is there to keep a program
 * that runs wild from taking all there is, not to be paid by.
 */
export class KeyLimits {
  private readonly limiters = new Map<number, RateLimiterMemory>()

  /** Counts a request. @returns in how many milliseconds to ask again, where there were too many; null: go on */
  async count(keyHash: string, perMinute: number): Promise<number | null> {
    const limiter = this.limiters.get(perMinute) ?? new RateLimiterMemory({ points: perMinute, duration: 60 })
    this.limiters.set(perMinute, limiter)
    try {
      await limiter.consume(keyHash)
      return null
    } catch (refusal) {
      if (refusal instanceof RateLimiterRes) return refusal.msBeforeNext
      throw refusal
    }
  }
}
