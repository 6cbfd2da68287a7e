/** Who hears a stream of server-sent events. */
export interface StreamListener {
  onText: (text: string) => void
  onState: (isOpen: boolean) => void
}

/** What tabs of one browser tell each other about a stream. */
type Told = { type: 'text'; text: string } | { type: 'state'; isOpen: boolean } | { type: 'ask' }

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
  let last: { text: string | null; isOpen: boolean } | null = null
  const tell = (told: Told) => tabs.postMessage(told)

  tabs.addEventListener('message', ({ data }: MessageEvent<Told>) => {
    if (data.type === 'text') listener.onText(data.text)
    else if (data.type === 'state') listener.onState(data.isOpen)
    // Whoever leads answers a newcomer with what it heard last.
    else if (last) {
      tell({ type: 'state', isOpen: last.isOpen })
      if (last.text !== null) tell({ type: 'text', text: last.text })
    }
  })

  const lead = () =>
    new Promise<void>((resolve) => {
      const heard: { text: string | null; isOpen: boolean } = { text: null, isOpen: false }
      last = heard
      const stop = listen(url, {
        onText(text) {
          heard.text = text
          listener.onText(text)
          tell({ type: 'text', text })
        },
        onState(isOpen) {
          heard.isOpen = isOpen
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
    opened.addEventListener('message', ({ data }: MessageEvent<string>) => onText(data))
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
