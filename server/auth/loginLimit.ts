import { createHash } from 'node:crypto'
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible'
import { problemError } from '../system/problemError.ts'

const windowS = 300
/** Where tries are counted: see `limiterStore`. */
export const triesTable = 'sign_in_try'

export interface SignInTry {
  email: string
  address: string
  /** The browser, where the account was signed in to there before; it is counted for itself. */
  browserId: string | null
}

/** The keys say nothing to whoever reads the table, and are short whatever was typed. */
const keyOf = (...words: string[]) => createHash('sha256').update(words.join('\n')).digest('base64url')

const pairKey = ({ email, address, browserId }: SignInTry) =>
  browserId === null ? keyOf('address', address, email.toLowerCase()) : keyOf('browser', browserId, email.toLowerCase())

/** Counts tries to sign in, over all processes that share a database. */
export class SignInLimits {
  private readonly perAddress: RateLimiterPostgres
  /** One address against one account; and, of its own, one browser that has been signed in there before. */
  private readonly perPair: RateLimiterPostgres
  /** From everywhere, where nobody is known: enough addresses together guess no faster. */
  private readonly perAccount: RateLimiterPostgres

  /** @param store asks the database */
  constructor(store: object) {
    const limiter = (keyPrefix: string, points: number) =>
      new RateLimiterPostgres({
        ...{ keyPrefix, points, duration: windowS, storeClient: store, storeType: 'client' },
        ...{ tableName: triesTable, tableCreated: true },
        // Whoever is over the limit is told so without asking the database again.
        inMemoryBlockOnConsumed: points + 1,
      })
    this.perAddress = limiter('address', 60)
    this.perPair = limiter('pair', 8)
    this.perAccount = limiter('account', 100)
  }

  /**
   * Counts a try to sign in. Whoever tries an account from elsewhere cannot lock out those who have been there before.
   * @throws 429 where there were too many; says how long to wait
   */
  async count(tried: SignInTry): Promise<void> {
    try {
      if (tried.browserId === null) await this.perAddress.consume(keyOf(tried.address))
      await this.perPair.consume(pairKey(tried))
      if (tried.browserId === null) await this.perAccount.consume(keyOf(tried.email.toLowerCase()))
    } catch (refusal) {
      if (!(refusal instanceof RateLimiterRes)) throw refusal
      throw problemError(
        429,
        `Too many tries to sign in. Wait ${Math.ceil(refusal.msBeforeNext / 1000)} s and try again.`,
      )
    }
  }

  /** A success clears the count, so that a forgetful member is not locked out afterwards. */
  async forget(tried: SignInTry): Promise<void> {
    await this.perPair.delete(pairKey(tried))
  }
}
