import WebSocket from 'ws'

interface Shown {
  eventId: string
  playId: string
  atMs: number
}

/** A source without a picture: ready at once, done at once, and it comes back by itself like the page does. */
export class FaultSource {
  readonly shown: Shown[] = []
  private readonly begun: string[] = []
  private readonly events = new Map<string, string>()
  private socket: WebSocket | null = null
  private isOver = false
  /** Where it is set, it never becomes ready. */
  isStuck = false

  constructor(private readonly url: string) {
    this.connect()
  }

  get isConnected(): boolean {
    return this.socket?.readyState === WebSocket.OPEN
  }

  close(): void {
    this.isOver = true
    this.socket?.terminate()
  }

  private connect(): void {
    if (this.isOver) return
    const socket = new WebSocket(this.url)
    this.socket = socket
    const say = (message: object) => socket.readyState === WebSocket.OPEN && socket.send(JSON.stringify(message))
    socket.on('open', () =>
      say({ type: 'hello', shownPlayIds: this.begun.slice(-200), sound: 'on', widthPx: 1920, heightPx: 1080 }),
    )
    socket.on('message', (data: Buffer) => {
      const message = JSON.parse(data.toString()) as {
        type: string
        playId?: string
        sentAtMs?: number
        play?: { playId: string; eventId: string }
      }
      if (message.type === 'ping') say({ type: 'pong', sentAtMs: message.sentAtMs })
      if (message.type === 'prepare' && message.play) {
        this.events.set(message.play.playId, message.play.eventId)
        if (!this.isStuck) say({ type: 'ready', playId: message.play.playId, missing: [] })
      }
      if (message.type === 'start' && message.playId) {
        this.begun.push(message.playId)
        this.shown.push({
          playId: message.playId,
          eventId: this.events.get(message.playId) ?? '',
          atMs: performance.now(),
        })
        for (const type of ['started', 'done']) say({ type, playId: message.playId })
      }
    })
    socket.on('error', () => undefined)
    socket.on('close', () => setTimeout(() => this.connect(), 150))
  }
}
