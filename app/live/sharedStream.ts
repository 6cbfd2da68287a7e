/** Who hears a stream of server-sent events. */
export interface StreamListener {
  /** @returns false where something before this was missed */
  onText: (text: string) => boolean
  onState: (isOpen: boolean) => void
  /** All that was heard, in one text, for somebody who comes late; null: nothing was. */
  whole: () => string | null
}

/** What tabs of one browser tell each other about a stream. */
type Told = { type: 'text'; text: string } | { type: 'state'; isOpen: boolean } | { type: 'ask' }

/** What the tab that leads has heard of its stream. */
interface Heard {
  isOpen: boolean
}

const retryAfterMs = 1500

/**
 * Listens to a stream of server-sent events that all tabs of a browser share: a browser keeps six connections to a
 * host, and each stream holds one for as long as it lasts. The tab that has the lock leads: it holds the stream and
 * tells the others; when it is closed or crashes the next one leads. Where a page may not lock (plain http from another
 * host), each tab listens for itself while it is seen.
 * @param name the same for tabs that may hear the same
 * @returns what ends listening
 */
export function shareStream(name: string, url: string, listener: StreamListener): () => void {
  return 'locks' in navigator ? shareByLock(name, url, listener) : listenWhileSeen(url, listener)
}

function shareByLock(name: string, url: string, listener: StreamListener): () => void {
  const tabs = new BroadcastChannel(name)
  const ending = new AbortController()
  /** Null while another tab leads. */
  let heard: Heard | null = null
  const tell = (told: Told) => tabs.postMessage(told)

  tabs.addEventListener('message', ({ data }: MessageEvent<Told>) => {
    if (data.type === 'state') listener.onState(data.isOpen)
    else if (data.type === 'text') {
      if (!heard && !listener.onText(data.text)) tell({ type: 'ask' })
    }
    // Whoever leads answers a newcomer with all that it has heard.
    else if (heard) {
      tell({ type: 'state', isOpen: heard.isOpen })
      const whole = listener.whole()
      if (whole !== null) tell({ type: 'text', text: whole })
    }
  })

  const lead = () =>
    new Promise<void>((resolve) => {
      const mine: Heard = (heard = { isOpen: false })
      const stop = listen(url, {
        ...listener,
        onText(text) {
          const isUnderstood = listener.onText(text)
          if (isUnderstood) tell({ type: 'text', text })
          return isUnderstood
        },
        onState(isOpen) {
          mine.isOpen = isOpen
          listener.onState(isOpen)
          tell({ type: 'state', isOpen })
        },
      })
      ending.signal.addEventListener('abort', () => {
        stop()
        resolve()
      })
    })
  navigator.locks.request(name, { signal: ending.signal }, lead).catch((error: unknown) => {
    if (!ending.signal.aborted) throw error
  })
  tell({ type: 'ask' })
  return () => {
    ending.abort()
    tabs.close()
  }
}

function listenWhileSeen(url: string, listener: StreamListener): () => void {
  let stop: (() => void) | null = null
  const turn = () => {
    if (document.visibilityState === 'visible') stop ??= listen(url, listener)
    else {
      stop?.()
      stop = null
    }
  }
  document.addEventListener('visibilitychange', turn)
  turn()
  return () => {
    document.removeEventListener('visibilitychange', turn)
    stop?.()
  }
}

/** Holds a stream open. A browser tries again by itself where the connection broke, and never where it was refused. */
function listen(url: string, { onText, onState }: StreamListener): () => void {
  let retry: ReturnType<typeof setTimeout> | undefined
  let source: EventSource | null = null
  const open = () => {
    const opened = (source = new EventSource(url))
    opened.addEventListener('open', () => onState(true))
    opened.addEventListener('message', ({ data }: MessageEvent<string>) => {
      if (onText(data)) return
      // A stream that is opened anew begins with the whole.
      opened.close()
      retry = setTimeout(open, retryAfterMs)
    })
    opened.addEventListener('error', () => {
      onState(false)
      if (opened.readyState === EventSource.CLOSED) retry = setTimeout(open, retryAfterMs)
    })
  }
  open()
  return () => {
    clearTimeout(retry)
    source?.close()
  }
}
