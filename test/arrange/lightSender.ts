import { createHmac } from 'node:crypto'
import { connect, type Socket } from 'node:net'
import { followNotice } from './cedar.ts'
import type { DemoFile } from './server.ts'

let number = 0

/**
 * Sends signed deliveries over one kept connection and costs next to nothing itself: what is measured with it is the server,
 * on a machine that both share. Standard Webhooks' signature, as `deliver` makes it.
 */
export class LightSender {
  /** Null while it is closed: a server lets go of who is silent for some seconds. */
  private socket: Socket | null = null
  private readonly key: Buffer
  private readonly path: string
  private answered: ((status: number) => void) | null = null
  private text = ''

  constructor(private readonly demo: DemoFile) {
    const feed = demo.feeds.find(({ platform }) => platform === 'cedar')
    if (!feed) throw new Error('The demo has no feed')
    this.key = Buffer.from(feed.secret.replace(/^whsec_/, ''), 'base64')
    this.path = `/api/feeds/${feed.id}/deliveries`
  }

  private open(): Socket {
    const { hostname, port } = new URL(this.demo.url)
    const socket = connect(Number(port), hostname)
    socket.setNoDelay(true)
    socket.setEncoding('latin1')
    socket.on('data', (data: string) => this.hear(data))
    socket.on('error', () => undefined)
    socket.on('close', () => {
      if (this.socket === socket) this.socket = null
      this.answered?.(0)
    })
    return socket
  }

  /** Sends that many follows in one delivery. @returns the status that it was answered with; 0: it was not answered */
  send(count: number): Promise<number> {
    const notices = Array.from({ length: count }, () => followNotice('pip_rye', `light-${process.pid}-${number++}`))
    const body = JSON.stringify({ sent_at: new Date().toISOString(), notices })
    const id = `msg-${process.pid}-${number++}`
    const at = Math.floor(Date.now() / 1000)
    const signature = createHmac('sha256', this.key).update(`${id}.${at}.${body}`).digest('base64')
    return new Promise((resolve) => {
      this.answered = resolve
      this.socket ??= this.open()
      this.socket.write(
        `POST ${this.path} HTTP/1.1\r\nhost: ${new URL(this.demo.url).host}\r\ncontent-type: application/json\r\nwebhook-id: ${id}\r\nwebhook-timestamp: ${at}\r\nwebhook-signature: v1,${signature}\r\ncontent-length: ${Buffer.byteLength(body)}\r\n\r\n${body}`,
      )
    })
  }

  close(): void {
    this.socket?.destroy()
  }

  /** An answer is over where its length or its last piece says so. */
  private hear(data: string): void {
    this.text += data
    const head = this.text.indexOf('\r\n\r\n')
    if (head < 0) return
    const length = /content-length: (\d+)/i.exec(this.text.slice(0, head))?.[1]
    const isWhole = length ? this.text.length >= head + 4 + Number(length) : this.text.endsWith('0\r\n\r\n')
    if (!isWhole) return
    const status = Number(this.text.slice(9, 12))
    this.text = ''
    const { answered } = this
    this.answered = null
    answered?.(status)
  }
}
