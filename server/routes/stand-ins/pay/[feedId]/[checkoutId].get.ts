import { defineEventHandler } from 'h3'
import { payPage } from '../../../../../stand-ins/till/payPage.ts'
import { sendPage } from '../../../../standIns/consent.ts'
import { paymentOf } from '../../../../standIns/paymentOf.ts'

/** The simulated provider's page on which a tip is paid. */
export default defineEventHandler(async (event) => {
  const { payment } = await paymentOf(event)
  return sendPage(event, payPage(payment, payment.state))
})
