import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible'
import { problemError } from '../system/problemError.ts'

const perAccount = new RateLimiterMemory({ points: 8, duration: 300 })
const perAddress = new RateLimiterMemory({ points: 60, duration: 300 })

/** Counts a try to sign in. @throws 429 when this account or this address tried too often; says how long to wait. */
export async function countSignInTry(email: string, address: string): Promise<void> {
  try {
    await perAddress.consume(address)
    await perAccount.consume(email.toLowerCase())
  } catch (refusal) {
    if (!(refusal instanceof RateLimiterRes)) throw refusal
    throw problemError(
      429,
      `Too many tries to sign in. Wait ${Math.ceil(refusal.msBeforeNext / 1000)} s and try again.`,
    )
  }
}

/** A success clears the account's count, so that a forgetful member is not locked out afterwards. */
export async function forgetSignInTries(email: string): Promise<void> {
  await perAccount.delete(email.toLowerCase())
}
