import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible'
import { problemError } from '../system/problemError.ts'

const windowS = 300
const perAddress = new RateLimiterMemory({ points: 60, duration: windowS })
/** One address against one account; and, of its own, one browser that has been signed in there before. */
const perPair = new RateLimiterMemory({ points: 8, duration: windowS })
/** From everywhere, where nobody is known: enough addresses together guess no faster. */
const perAccount = new RateLimiterMemory({ points: 100, duration: windowS })

export interface SignInTry {
  email: string
  address: string
  /** The browser, where the account was signed in to there before; it is counted for itself. */
  browserId: string | null
}

/**
 * Counts a try to sign in. Whoever tries an account from elsewhere cannot lock out those who have been there before.
 * @throws 429 where there were too many; says how long to wait
 */
export async function countSignInTry({ email, address, browserId }: SignInTry): Promise<void> {
  const account = email.toLowerCase()
  try {
    if (browserId !== null) return void (await perPair.consume(`browser ${browserId} ${account}`))
    await perAddress.consume(address)
    await perPair.consume(`address ${address} ${account}`)
    await perAccount.consume(account)
  } catch (refusal) {
    if (!(refusal instanceof RateLimiterRes)) throw refusal
    throw problemError(
      429,
      `Too many tries to sign in. Wait ${Math.ceil(refusal.msBeforeNext / 1000)} s and try again.`,
    )
  }
}

/** A success clears the count, so that a forgetful member is not locked out afterwards. */
export async function forgetSignInTries({ email, address, browserId }: SignInTry): Promise<void> {
  const account = email.toLowerCase()
  await perPair.delete(browserId === null ? `address ${address} ${account}` : `browser ${browserId} ${account}`)
}
