import type { ServerResponse } from 'node:http'

/** A reader that has so much still to come is not reading. */
const unreadMaxBytes = 1024 * 1024
/** Proxies end what says nothing for long. */
const breathEveryMs = 20_000

/**
 * A stream of server-sent events that holds little for a reader that does not read: one event may wait, a newer one takes
 * its place, and who has not taken a megabyte in is cut off. Every event is the whole truth, so that nothing is missed
 * by leaving one out.
 */
export class EventStream {
  private waiting: string | null = null
  private isBlocked = false
  private isOver = false
  private readonly breath: ReturnType<typeof setInterval>

  constructor(
    private readonly response: Pick<
      ServerResponse,
      'writeHead' | 'write' | 'end' | 'destroy' | 'writableLength' | 'on' | 'flushHeaders'
    >,
    onOver: () => void,
  ) {
    response.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-cache, no-transform',
      'x-accel-buffering': 'no',
    })
    response.flushHeaders()
    response.on('drain', () => {
      this.isBlocked = false
      const next = this.waiting
      this.waiting = null
      if (next !== null) this.push(next)
    })
    response.on('close', () => {
      this.isOver = true
      clearInterval(this.breath)
      onOver()
    })
    this.breath = setInterval(() => this.write(': breath\n\n'), breathEveryMs)
    this.breath.unref()
  }

  push(text: string): void {
    if (this.isBlocked) this.waiting = text
    else this.write(`data: ${text}\n\n`)
  }

  end(): void {
    if (this.isOver) return
    this.waiting = null
    this.response.end()
  }

  private write(text: string): void {
    if (this.isOver) return
    if (this.response.writableLength + text.length > unreadMaxBytes && this.response.writableLength > 0) {
      this.response.destroy()
      return
    }
    this.isBlocked = !this.response.write(text)
  }
}
