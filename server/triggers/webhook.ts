import { createHmac } from 'node:crypto'
import { request as requestPlain } from 'node:http'
import { request as requestSafe } from 'node:https'
import type { LookupFunction } from 'node:net'
import { Webhook } from 'standardwebhooks'
import { isInside, isPublicAddress, lookupPublic } from '../emotes/publicAddress.ts'

/** Says something to an address of somebody else's. @returns why it could not be said; empty where it was */
export type PostWebhook = (url: string, id: string, payload: object) => Promise<string>

export interface WebhookOptions {
  secret: string
  /** Moments between tries. */
  pausesMs?: readonly number[]
  lookup?: LookupFunction
  isAllowed?: (address: string) => boolean
}

/** What outgoing webhooks of a server are signed with. */
export const webhookSecret = (serverSecret: string): string =>
  `whsec_${createHmac('sha256', serverSecret).update('outgoing webhooks').digest('base64')}`

const withinMs = 5_000
const usualPausesMs = [1_000, 5_000]

/**
 * Posts a payload after the Standard Webhooks specification: signed, with an id by which a repeat is known, tried again where
 * nobody answers or the answer says that it is their fault. Nothing inside this network is spoken to.
 */
export function webhookPoster({
  secret,
  pausesMs = usualPausesMs,
  lookup = lookupPublic,
  isAllowed = isPublicAddress,
}: WebhookOptions): PostWebhook {
  const signer = new Webhook(secret)
  return async (url, id, payload) => {
    const target = new URL(url)
    if (isInside(target, isAllowed)) return 'its address lies inside a network'
    const body = JSON.stringify(payload)
    let fault = ''
    for (const pauseMs of [0, ...pausesMs]) {
      if (pauseMs > 0) await new Promise((resolve) => setTimeout(resolve, pauseMs))
      const answer = await post(target, id, body, signer, lookup)
      if (answer === null) return ''
      fault = answer.fault
      if (answer.isFinal) return fault
    }
    return fault
  }
}

function post(
  url: URL,
  id: string,
  body: string,
  signer: Webhook,
  lookup: LookupFunction,
): Promise<{ fault: string; isFinal: boolean } | null> {
  const now = new Date()
  const request = url.protocol === 'https:' ? requestSafe : requestPlain
  return new Promise((resolve) => {
    const sent = request(
      url,
      {
        ...{ method: 'POST', lookup, agent: false, signal: AbortSignal.timeout(withinMs) },
        headers: {
          'content-type': 'application/json',
          'content-length': Buffer.byteLength(body),
          'user-agent': 'Thundercrest',
          'webhook-id': id,
          'webhook-timestamp': String(Math.floor(now.getTime() / 1000)),
          'webhook-signature': signer.sign(id, now, body),
        },
      },
      (answer) => {
        answer.resume()
        const status = answer.statusCode ?? 0
        if (status >= 200 && status < 300) return resolve(null)
        resolve({ fault: `its address answered ${status}`, isFinal: status < 500 && status !== 429 })
      },
    )
    sent.once('error', (error) =>
      resolve({ fault: `its address cannot be reached (${error.message})`, isFinal: false }),
    )
    sent.end(body)
  })
}
