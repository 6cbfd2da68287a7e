import type { PaymentNotice } from '../../contract/tips.ts'
import { deliver } from '../../stand-ins/deliver.ts'
import type { PayAnswer, PaymentState } from '../../stand-ins/till/payPage.ts'
import type { Database } from '../db/handle.ts'
import { findFeed } from '../db/queries/feeds.ts'
import { addStandIn, changeStandIn, findStandIn, trimStandIns } from '../db/queries/standIns.ts'
import { newId } from '../system/ids.ts'
import type { CheckoutToPay, PaymentProvider } from '../tips/provider.ts'

/** A checkout as the simulated provider keeps it. */
export interface SimulatedPayment extends Pick<CheckoutToPay, 'id' | 'amountMinor' | 'currency' | 'what' | 'back'> {
  feedId: string
  state: PaymentState
}

interface SimulatedProviderDependencies {
  db: Database
  now: () => number
  /** Where notices go. */
  origin: () => string
  standInsAnswer: () => Promise<boolean>
  onError: (error: unknown) => void
}

/** A slow provider lets whoever pays go back first, and says that it is paid so much later. */
const slowMs = 6_000
const paymentsKept = 2_000

/** The simulated payment provider: it pays, refuses, is slow, says things twice and gives back, by notices over the real route. */
export class SimulatedProvider implements PaymentProvider {
  private readonly slow = new Set<ReturnType<typeof setTimeout>>()

  constructor(private readonly deps: SimulatedProviderDependencies) {}

  isThere(): Promise<boolean> {
    return this.deps.standInsAnswer()
  }

  close(): void {
    for (const timer of this.slow) clearTimeout(timer)
  }

  async open({ id, feed, amountMinor, currency, what, back }: CheckoutToPay): Promise<string> {
    const { db } = this.deps
    await addStandIn(db, feed.id, 'checkout', id, { amountMinor, currency, what, back, state: 'open' })
    await trimStandIns(db, feed.id, 'checkout', paymentsKept)
    return `/stand-ins/pay/${feed.id}/${id}`
  }

  async find(feedId: string, id: string): Promise<SimulatedPayment | null> {
    const row = await findStandIn(this.deps.db, feedId, 'checkout', id)
    return row && { ...(row.content as unknown as SimulatedPayment), id, feedId }
  }

  /** Somebody pressed a button of its page. Resolves when what is to be said at once has been heard. */
  async answer(payment: SimulatedPayment, answer: PayAnswer): Promise<void> {
    const canPay = payment.state === 'open' || payment.state === 'failed'
    if (answer === 'refund') return void (payment.state === 'paid' && (await this.refund(payment.feedId, payment.id)))
    if (!canPay) return
    if (answer === 'fail') return this.become(payment, 'failed')
    await this.keep(payment, 'paid')
    if (answer === 'slowly') {
      const timer = setTimeout(() => {
        this.slow.delete(timer)
        this.say(payment, 'paid').catch(this.deps.onError)
      }, slowMs)
      this.slow.add(timer.unref())
      return
    }
    await this.say(payment, 'paid')
    if (answer === 'twice') await this.say(payment, 'paid')
  }

  async refund(feedId: string, checkoutId: string): Promise<boolean> {
    const payment = await this.find(feedId, checkoutId)
    if (payment?.state !== 'paid' && payment?.state !== 'refunded') return false
    await this.become(payment, 'refunded')
    return true
  }

  private async become(payment: SimulatedPayment, state: Exclude<PaymentState, 'open'>): Promise<void> {
    await this.keep(payment, state)
    await this.say(payment, state)
  }

  private async keep({ feedId, id }: SimulatedPayment, state: PaymentState): Promise<void> {
    await changeStandIn(this.deps.db, feedId, 'checkout', id, { state })
  }

  private async say(
    { id, feedId, amountMinor, currency }: SimulatedPayment,
    state: Exclude<PaymentState, 'open'>,
  ): Promise<void> {
    const { db, now, origin } = this.deps
    const feed = await findFeed(db, feedId)
    if (!feed) return
    const notice: PaymentNotice = {
      type: `checkout.${state}`,
      timestamp: new Date(now()).toISOString(),
      data: { reference: id, amount: amountMinor, currency },
    }
    const { url, secret } = { url: `${origin()}/api/feeds/${feedId}/payments`, secret: feed.secret }
    const { status, detail } = await deliver({ url, secret }, notice, newId('notice', now()), now())
    if (status !== 202) throw new Error(`A notice of a payment was refused: ${status} ${detail}`)
  }
}
