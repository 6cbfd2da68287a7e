import { defineEventHandler, sendRedirect } from 'h3'
import { payAnswers } from '../../../../../stand-ins/till/payPage.ts'
import { readForm } from '../../../../standIns/consent.ts'
import { paymentOf } from '../../../../standIns/paymentOf.ts'
import { problemError } from '../../../../system/problemError.ts'

/** Somebody pays, or does not: back to the page that it was for. */
export default defineEventHandler(async (event) => {
  const { provider, payment } = await paymentOf(event)
  const form = await readForm(event)
  const answer = payAnswers.find((each) => each === form.answer)
  if (!answer) throw problemError(422, 'Press one of the buttons of the page.')
  await provider.answer(payment, answer)
  return sendRedirect(event, payment.back, 303)
})
