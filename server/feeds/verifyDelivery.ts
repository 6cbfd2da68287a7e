import { Webhook, WebhookVerificationError } from 'standardwebhooks'
import { err, ok, type Result } from '../../core/result.ts'

/** The three headers of the Standard Webhooks specification, as they came. */
export interface DeliveryHeaders {
  id: string | undefined
  timestamp: string | undefined
  signature: string | undefined
}

/** Checks signature and age (five minutes either way) of a delivery. @returns its webhook id, or why it is refused. */
export function verifyDelivery(secret: string, body: string, headers: DeliveryHeaders): Result<string, string> {
  const { id, timestamp, signature } = headers
  if (!id || !timestamp || !signature)
    return err('The headers webhook-id, webhook-timestamp and webhook-signature are needed.')
  if (id.length > 200) return err('The webhook-id is too long.')
  try {
    new Webhook(secret).verify(
      body,
      { 'webhook-id': id, 'webhook-timestamp': timestamp, 'webhook-signature': signature },
      { jsonParse: false },
    )
    return ok(id)
  } catch (error) {
    if (error instanceof WebhookVerificationError)
      return err(`${error.message}. Sign "id.timestamp.body" with this feed's secret, and check the sender's clock.`)
    throw error
  }
}
