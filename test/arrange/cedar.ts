import { Webhook } from 'standardwebhooks'
import type { DemoFile } from './server.ts'

let number = 0

/** A follow as Cedar sends it. */
export function followNotice(name: string, ref = `cu-${process.pid}-${number++}`) {
  return { what: 'new_follow', at: new Date().toISOString(), who: { ref, shown_as: name } }
}

export interface Sending {
  id?: string
  at?: Date
  secret?: string
  signature?: string
  /** Whose feed it is; Cedar's where it is not said. */
  platform?: string
}

/** Sends a body to a feed of the demo as its platform does: signed, unless told otherwise. */
export async function deliver(demo: DemoFile, body: string, sending: Sending = {}): Promise<Response> {
  const feed = demo.feeds.find(({ platform }) => platform === (sending.platform ?? 'cedar'))
  if (!feed) throw new Error('The demo has no feed')
  const id = sending.id ?? `msg-${process.pid}-${number++}`
  const at = sending.at ?? new Date()
  const signature = sending.signature ?? new Webhook(sending.secret ?? feed.secret).sign(id, at, body)
  return fetch(`${demo.url}/api/feeds/${feed.id}/deliveries`, {
    method: 'POST',
    headers: {
      'content-type': 'application/json',
      'webhook-id': id,
      'webhook-timestamp': String(Math.floor(at.getTime() / 1000)),
      'webhook-signature': signature,
    },
    body,
  })
}

/** Sends notices, and answers with what the server said. */
export async function deliverNotices(
  demo: DemoFile,
  ...notices: unknown[]
): Promise<{ accepted: number; repeated: number; rejected: number }> {
  const answer = await deliver(demo, JSON.stringify({ sent_at: new Date().toISOString(), notices }))
  if (answer.status !== 202) throw new Error(`The delivery was answered with ${answer.status}: ${await answer.text()}`)
  return (await answer.json()) as { accepted: number; repeated: number; rejected: number }
}
