import WebSocket from 'ws'

/**
 * A source that is ready at once, and done at once: what is measured with it is the way there.
 * @param onHeard told when a play starts, or something is heard beside one, by this process's clock
 */
export async function openReadySource(address: string, onHeard: (atMs: number) => void): Promise<WebSocket> {
  const socket = new WebSocket(address)
  await new Promise((resolve, reject) => socket.once('open', resolve).once('error', reject))
  socket.on('message', (data: Buffer) => {
    const atMs = performance.now()
    // A thousand scores are not read by one process in reality: only what is needed of them is.
    const head = data.subarray(0, 200).toString()
    const type = /"type":"(\w+)"/.exec(head)?.[1]
    const playId = /"playId":"([^"]+)"/.exec(head)?.[1]
    if (type === 'prepare') socket.send(`{"type":"ready","playId":"${playId}","missing":[]}`)
    else if (type === 'ping') socket.send(`{"type":"pong","sentAtMs":${/"sentAtMs":([\d.]+)/.exec(head)?.[1]}}`)
    else if (type === 'beside') onHeard(atMs)
    else if (type === 'start') {
      onHeard(atMs)
      for (const said of ['started', 'done']) socket.send(`{"type":"${said}","playId":"${playId}"}`)
    }
  })
  socket.send(JSON.stringify({ type: 'hello', shownPlayIds: [], sound: 'on', widthPx: 1920, heightPx: 1080 }))
  return socket
}
