import type { H3Event } from 'h3'
import { pathId } from '../http/pathId.ts'
import { problemError } from '../system/problemError.ts'
import { useStandIns } from './port.ts'

/** The checkout at the simulated provider that an address names. @throws 404 where there is none */
export async function paymentOf(event: H3Event) {
  const { provider } = await useStandIns()
  const payment = await provider.find(pathId(event, 'feedId'), pathId(event, 'checkoutId'))
  if (!payment) throw problemError(404, 'There is no such payment here.')
  return { provider, payment }
}
