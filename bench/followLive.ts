import type { DemoFile } from '../test/arrange/server.ts'

/** Listens to what screens of a channel are told, message by message. @returns ends it */
export async function followLive(
  { url }: Pick<DemoFile, 'url'>,
  cookie: string,
  onMessage: (text: string) => void,
): Promise<() => Promise<void>> {
  const ending = new AbortController()
  const answer = await fetch(`${url}/api/channel/live`, { headers: { cookie }, signal: ending.signal })
  const reading = (async () => {
    const decoder = new TextDecoder()
    let text = ''
    const reader = answer.body?.getReader()
    for (let piece = await reader?.read(); piece && !piece.done; piece = await reader?.read()) {
      text += decoder.decode(piece.value, { stream: true })
      for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
        const message = text.slice(0, end).replace(/^data: /, '')
        text = text.slice(end + 2)
        if (!message.startsWith(':')) onMessage(message)
      }
    }
  })().catch(() => undefined)
  return async () => {
    ending.abort()
    await reading
  }
}
