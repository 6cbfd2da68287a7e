import { createHmac, timingSafeEqual } from 'node:crypto'
import { getHeader, type H3Event } from 'h3'
import { problemError } from '../system/problemError.ts'
import { useRuntime } from '../system/runtimePort.ts'
import { useSignIn } from './port.ts'

/**
 * The token of whoever runs this server: the one that they chose, or one that follows from the server's own secret, so that there is
 * always one, and it is read from the data folder by whoever may read that.
 */
export const operatorToken = (secret: string, chosen: string | undefined): string =>
  chosen ?? `tco_${createHmac('sha256', secret).update('operator').digest('base64url')}`

/** Whether a request shows the operator's token. */
export async function isOperator(event: H3Event): Promise<boolean> {
  const [{ secret }, { config }] = await Promise.all([useSignIn(), useRuntime()])
  const wanted = Buffer.from(`Bearer ${operatorToken(secret, config.THUNDERCREST_OPERATOR_TOKEN)}`)
  const shown = Buffer.from(getHeader(event, 'authorization') ?? '')
  return shown.length === wanted.length && timingSafeEqual(shown, wanted)
}

/** @throws 401 for anybody but the operator */
export async function requireOperator(event: H3Event): Promise<void> {
  if (!(await isOperator(event)))
    throw problemError(401, 'This is for whoever runs the server: send the operator’s token as a bearer token.')
}
