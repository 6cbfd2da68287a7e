// The peer of the fan-out benchmark: an HTTP server that passes a body on to every WebSocket, and nothing else.
import { createServer } from 'node:http'
import { WebSocketServer } from 'ws'

const server = createServer((request, response) => {
  let body = ''
  request.on('data', (chunk: Buffer) => (body += chunk.toString()))
  request.on('end', () => {
    for (const client of sockets.clients) client.send(body)
    response.end('{}')
  })
})
const sockets = new WebSocketServer({ server })
server.listen(0, '127.0.0.1', () => {
  const address = server.address()
  process.send?.(typeof address === 'object' && address ? address.port : 0)
})
