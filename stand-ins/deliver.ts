import { Webhook } from 'standardwebhooks'

/** Where a platform delivers, and the secret that it signs with. */
export interface Subscription {
  url: string
  secret: string
}

export interface DeliveryResult {
  status: number
  accepted: number
  repeated: number
  rejected: number
  /** What the other end said where it did not accept. */
  detail: string
}

/** Delivers a payload as a platform does: as JSON, signed after the Standard Webhooks specification. */
export async function deliver(
  { url, secret }: Subscription,
  payload: object,
  deliveryId: string,
  nowMs: number,
): Promise<DeliveryResult> {
  const body = JSON.stringify(payload)
  const answer = await fetch(url, {
    method: 'POST',
    headers: {
      'content-type': 'application/json',
      'webhook-id': deliveryId,
      'webhook-timestamp': String(Math.floor(nowMs / 1000)),
      'webhook-signature': new Webhook(secret).sign(deliveryId, new Date(nowMs), body),
    },
    body,
  })
  const { accepted = 0, repeated = 0, rejected = 0, detail = '' } = (await answer.json()) as Partial<DeliveryResult>
  return { status: answer.status, accepted, repeated, rejected, detail }
}
