import { formatMoney } from '../../core/money.ts'
import { escaped, standInPage } from '../page.ts'

/** How a checkout stands at the provider. */
export type PaymentState = 'open' | 'paid' | 'failed' | 'refunded'

/** What the simulated provider does when somebody presses a button. */
export const payAnswers = ['pay', 'slowly', 'twice', 'fail', 'refund'] as const
export type PayAnswer = (typeof payAnswers)[number]

const simulated =
  '<p><small>This is a simulated payment provider. No money moves and nothing leaves this machine; each button lets something else happen.</small></p>'
const button = (answer: PayAnswer, words: string, isPlain = true) =>
  `<button${isPlain ? ' class="plain"' : ''} name="answer" value="${answer}">${words}</button>`

const said: Record<Exclude<PaymentState, 'open'>, string> = {
  paid: 'This is paid.',
  failed: 'The card was refused. Nothing was paid.',
  refunded: 'What was paid was given back.',
}

/** Where a checkout is paid. @param back where whoever pays comes from */
export function payPage(
  { what, amountMinor, currency, back }: { what: string; amountMinor: number; currency: string; back: string },
  state: PaymentState,
): string {
  const amount = formatMoney(amountMinor, currency, 'en-IE')
  const again = `<p><a href="${escaped(back)}">Back</a></p>`
  const canPay = state === 'open' || state === 'failed'
  const buttons = canPay
    ? button('pay', `Pay ${escaped(amount)}`, false) +
      button('slowly', 'Pay, and be slow') +
      button('twice', 'Pay, and say it twice') +
      button('fail', 'Refuse the card')
    : button('refund', 'Give it back')
  return standInPage(
    `Pay ${amount} (simulated)`,
    `<h1>${escaped(what)}: ${escaped(amount)}</h1>${simulated}${state === 'open' ? '' : `<p role="status">${said[state]}</p>`}
${state === 'refunded' ? '' : `<form method="post">${buttons}</form>`}${again}`,
  )
}
