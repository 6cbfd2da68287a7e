import type { ServerResponse } from 'node:http'

/** A reader that has not taken in for so long what was written is not reading. */
const unreadMaxMs = 60_000
/** Proxies end what says nothing for long. */
const breathEveryMs = 20_000

/**
 * A stream of server-sent events that holds nothing for a reader that does not read: what comes meanwhile is left out, once
 * it reads again it is given the whole, and after a minute it is cut off.
 */
export class EventStream {
  private hasMissed = false
  /** Since when what was written is not taken in, by the steady clock; null while it is. */
  private blockedSinceMs: number | null = null
  private isOver = false
  private readonly breath: ReturnType<typeof setInterval>

  constructor(
    private readonly response: Pick<ServerResponse, 'writeHead' | 'write' | 'end' | 'destroy' | 'on' | 'flushHeaders'>,
    /** What makes up for all that was left out; null: nothing does. */
    private readonly whole: () => string | null,
    onOver: () => void,
  ) {
    response.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-cache, no-transform',
      'x-accel-buffering': 'no',
    })
    response.flushHeaders()
    response.on('drain', () => {
      this.blockedSinceMs = null
      if (!this.hasMissed) return
      this.hasMissed = false
      const whole = this.whole()
      if (whole !== null) this.push(whole)
    })
    response.on('close', () => {
      this.isOver = true
      clearInterval(this.breath)
      onOver()
    })
    this.breath = setInterval(() => this.breathe(), breathEveryMs)
    this.breath.unref()
  }

  push(text: string): void {
    if (this.blockedSinceMs !== null) this.hasMissed = true
    else this.write(`data: ${text}\n\n`)
  }

  end(): void {
    if (this.isOver) return
    this.response.end()
  }

  private breathe(): void {
    if (this.blockedSinceMs === null) this.write(': breath\n\n')
    else if (performance.now() - this.blockedSinceMs >= unreadMaxMs) this.response.destroy()
  }

  private write(text: string): void {
    if (!this.isOver && !this.response.write(text)) this.blockedSinceMs = performance.now()
  }
}
