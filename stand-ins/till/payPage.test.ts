import { describe, expect, it } from 'vitest'
import { payPage, type PaymentState } from './payPage.ts'

const checkout = { what: '<b>A loaf</b>', amountMinor: 2500, currency: 'EUR', back: '/tip/x/"><script>' }

describe('the page of the simulated provider', () => {
  it('shows what it is given as words, says that it is simulated, and sends its form to itself', () => {
    for (const state of ['open', 'paid', 'failed', 'refunded'] satisfies PaymentState[]) {
      const html = payPage(checkout, state)
      for (const forbidden of ['<b>A loaf', '<script>']) expect(html).not.toContain(forbidden)
      expect(html).toContain('simulated')
      expect(html).not.toMatch(/<form[^>]+action=/)
    }
  })

  it('lets be done what can be done by then', () => {
    const answersOf = (state: PaymentState) =>
      [...payPage(checkout, state).matchAll(/value="(\w+)"/g)].map(([, each]) => each)
    expect(answersOf('open')).toEqual(['pay', 'slowly', 'twice', 'fail'])
    expect(answersOf('failed')).toEqual(answersOf('open'))
    expect(answersOf('paid')).toEqual(['refund'])
    expect(answersOf('refunded')).toEqual([])
  })
})
