/** What a payment provider has to know of a checkout: what it is, how much, and where to go back to. Never what was written. */
export interface CheckoutToPay {
  id: string
  /** Whose secret its notices are signed with, and at whose address they are heard. */
  feed: { id: string; secret: string }
  amountMinor: number
  currency: string
  /** What stands on its page. */
  what: string
  /** Where whoever pays comes back to: a path of this server. */
  back: string
}

/**
 * A payment provider: it shows a page on which a checkout is paid, and says what became of it in signed notices, which may come
 * late, twice or never.
 */
export interface PaymentProvider {
  /** Whether something can be paid just now. */
  isThere(): Promise<boolean>
  /** Opens a checkout; opened again it is the same. @returns where its page is */
  open(checkout: CheckoutToPay): Promise<string>
  /** Has what was paid given back; a notice says when that is done. @returns false where it knows of nothing paid */
  refund(feedId: string, checkoutId: string): Promise<boolean>
}
