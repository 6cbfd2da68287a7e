import { closedAddressReplaced, silenceMaxMs } from '../../contract/sourceLimits.ts'

export interface ConnectionListener<In> {
  onOpen: () => void
  onMessage: (message: In) => void
  onLost: () => void
  /** The address was replaced: there is nothing to come back to. */
  onRefused: () => void
}

export interface Connection<Out> {
  /** Sends now, or as soon as the connection is back. */
  send(message: Out): void
}

const outboxLimit = 100

/** Exponential backoff with full jitter, so that a thousand pages do not come back in the same second. */
function retryDelayMs(attempt: number): number {
  const ceilingMs = Math.min(15_000, 400 * 2 ** attempt)
  return 150 + Math.random() * ceilingMs
}

/** Keeps a socket open for as long as the page lives. What could not be sent waits, and follows after `onOpen`. */
export function connect<In, Out extends { type: string }>(
  url: string,
  listener: ConnectionListener<In>,
): Connection<Out> {
  let socket: WebSocket | null = null
  let attempt = 0
  let outbox: Out[] = []
  let silence: ReturnType<typeof setTimeout> | undefined

  const heard = (from: WebSocket) => {
    clearTimeout(silence)
    silence = setTimeout(() => lose(from), silenceMaxMs)
  }
  /** Gives a socket up. A dead network may never answer a close, so nothing waits for it. */
  const lose = (lost: WebSocket) => {
    if (socket !== lost) return
    socket = null
    clearTimeout(silence)
    lost.close()
    listener.onLost()
    setTimeout(open, retryDelayMs(attempt++))
  }
  const open = () => {
    const opening = new WebSocket(url)
    socket = opening
    heard(opening)
    opening.addEventListener('open', () => {
      if (socket !== opening) return
      attempt = 0
      listener.onOpen()
      const waiting = outbox
      outbox = []
      waiting.forEach((message) => opening.send(JSON.stringify(message)))
    })
    opening.addEventListener('message', (event) => {
      if (socket !== opening) return
      heard(opening)
      listener.onMessage(JSON.parse(String(event.data)) as In)
    })
    opening.addEventListener('close', (event) => {
      if (event.code !== closedAddressReplaced) return lose(opening)
      socket = null
      clearTimeout(silence)
      listener.onRefused()
    })
    opening.addEventListener('error', () => lose(opening))
  }
  open()
  return {
    send(message) {
      if (socket?.readyState === WebSocket.OPEN) socket.send(JSON.stringify(message))
      else if (message.type !== 'pong') outbox = [...outbox, message].slice(-outboxLimit)
    },
  }
}
