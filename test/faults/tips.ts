import { deliver } from '../arrange/cedar.ts'
import type { DemoFile } from '../arrange/server.ts'

let number = 0

/** Who gives them; nothing of that is a log's business. */
export const viewerName = 'kneadybeast'

/** A platform that sends tips and, as platforms do, sends again what was not acknowledged, word for word. */
export class Tips {
  sent = 0
  readonly acknowledged = new Map<string, number>()
  readonly statuses = new Map<number, number>()
  private readonly open = new Set<Promise<void>>()

  /** @param demos where it may send to: one after another, as a balancer in front of several processes does */
  constructor(
    private readonly demos: () => readonly DemoFile[],
    private readonly clockShiftMs: () => number = () => 0,
  ) {}

  /** @param givesUpAfterMs how long it is sent again */
  send(givesUpAfterMs = 60_000): void {
    const ref = `fault-${process.pid}-${number++}`
    this.sent += 1
    const sending = this.until(ref, givesUpAfterMs).finally(() => this.open.delete(sending))
    this.open.add(sending)
  }

  async atRate(perSecond: number, count: number): Promise<void> {
    for (let index = 0; index < count; index++) {
      this.send()
      await new Promise((resolve) => setTimeout(resolve, 1000 / perSecond))
    }
  }

  async settled(): Promise<void> {
    await Promise.all(this.open)
  }

  private async until(ref: string, givesUpAfterMs: number): Promise<void> {
    const now = () => new Date(Date.now() + this.clockShiftMs())
    const notice = {
      what: 'tip',
      ref,
      at: now().toISOString(),
      who: { ref, shown_as: viewerName },
      sum: '5.00',
      money: 'EUR',
    }
    const body = JSON.stringify({ sent_at: now().toISOString(), notices: [notice] })
    const startedMs = performance.now()
    for (let tries = this.sent; performance.now() - startedMs < givesUpAfterMs; tries++) {
      const demos = this.demos()
      const demo = demos[tries % demos.length]
      const answer = demo ? await within(4_000, deliver(demo, body, { id: ref, at: now() })) : null
      if (answer) {
        this.statuses.set(answer.status, (this.statuses.get(answer.status) ?? 0) + 1)
        await answer.text().catch(() => '')
        if (answer.status === 202) {
          this.acknowledged.set(ref, performance.now())
          return
        }
      }
      await new Promise((resolve) => setTimeout(resolve, 400))
    }
  }
}

/** Null where nobody answers, or not in time: a process that stands still takes connections and says nothing. */
async function within(ms: number, answer: Promise<Response>): Promise<Response | null> {
  let timer: ReturnType<typeof setTimeout> | undefined
  const late = new Promise<null>((resolve) => (timer = setTimeout(resolve, ms, null)))
  return Promise.race([answer.catch(() => null), late]).finally(() => clearTimeout(timer))
}
