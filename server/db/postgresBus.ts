import pg from 'pg'
import type { Bus, BusListener } from '../lanes/bus.ts'
import { envelopesOf, EnvelopeReader } from '../lanes/envelope.ts'
import type { BusMessage } from '../lanes/messages.ts'

const toAll = 'thundercrest'
const toOne = (nodeId: string) => `thundercrest_${nodeId.replaceAll('-', '_')}`
/** So much waits to be said at most; what is more is lost, as with a broken connection. */
const waitingMax = 5_000
const soundEveryMs = 2_000
const answersWithinMs = 4_000
const againAfterMs = 250

/**
 * Talks through LISTEN and NOTIFY, on a connection of its own that comes back by itself. What is said in one breath goes in one
 * statement.
 */
export class PostgresBus implements Bus {
  private listener: BusListener | null = null
  private client: pg.Client | null = null
  private waiting: { channel: string; text: string }[] = []
  private flushing: Promise<void> | null = null
  private count = 0
  private isClosed = false
  private readonly reader = new EnvelopeReader()
  private readonly sounding: ReturnType<typeof setInterval>

  private constructor(
    private readonly url: string,
    private readonly nodeId: string,
  ) {
    this.sounding = setInterval(() => void this.sound(), soundEveryMs)
    this.sounding.unref()
  }

  /** @throws where the server cannot be reached */
  static async open(url: string, nodeId: string): Promise<PostgresBus> {
    const bus = new PostgresBus(url, nodeId)
    await bus.connect()
    return bus
  }

  listen(listener: BusListener): void {
    this.listener = listener
  }

  publish(message: BusMessage): void {
    this.say(toAll, message)
  }

  send(nodeId: string, message: BusMessage): void {
    this.say(toOne(nodeId), message)
  }

  inStatement(message: BusMessage): string | null {
    const [whole, ...more] = envelopesOf(this.nodeId, this.count++, message)
    return more.length === 0 ? (whole ?? null) : null
  }

  async close(): Promise<void> {
    await this.flushing
    this.isClosed = true
    clearInterval(this.sounding)
    await this.client?.end().catch(() => undefined)
  }

  private say(channel: string, message: BusMessage): void {
    if (!this.client || this.waiting.length >= waitingMax) return
    for (const text of envelopesOf(this.nodeId, this.count++, message)) this.waiting.push({ channel, text })
    this.flushing ??= Promise.resolve()
      .then(() => this.flush())
      .finally(() => (this.flushing = null))
  }

  private async flush(): Promise<void> {
    while (this.waiting.length > 0 && this.client) {
      const said = this.waiting.splice(0, 500)
      const { client } = this
      try {
        await client.query(
          'select pg_notify(channel, words) from unnest($1::text[], $2::text[]) with ordinality as said(channel, words, place) order by place',
          [said.map(({ channel }) => channel), said.map(({ text }) => text)],
        )
      } catch {
        this.lose(client)
      }
    }
  }

  private async connect(): Promise<void> {
    const client = new pg.Client({
      connectionString: this.url,
      keepAlive: true,
      connectionTimeoutMillis: 3_000,
      query_timeout: answersWithinMs,
      application_name: 'thundercrest bus',
    })
    client.on('error', () => this.lose(client))
    client.on('end', () => this.lose(client))
    client.on('notification', ({ payload }) => {
      const read = this.reader.read(payload ?? '')
      if (read && read.from !== this.nodeId) this.listener?.hear(read.message, read.from)
    })
    await client.connect()
    await client.query(`listen ${toAll}`)
    await client.query(`listen "${toOne(this.nodeId)}"`)
    this.client = client
  }

  /** The connection is broken: nothing is said any more until there is another. */
  private lose(client: pg.Client): void {
    if (this.client !== client) return
    this.client = null
    this.waiting = []
    client.end().catch(() => undefined)
    void this.reconnect()
  }

  private async reconnect(): Promise<void> {
    while (!this.isClosed) {
      await new Promise((resolve) => setTimeout(resolve, againAfterMs))
      try {
        await this.connect()
        this.listener?.onGap()
        return
      } catch {
        // The server is away; the next try finds out.
      }
    }
  }

  /** A connection that is broken without anybody having said so is found out. */
  private async sound(): Promise<void> {
    const { client } = this
    await client?.query('select 1').catch(() => this.lose(client))
  }
}
