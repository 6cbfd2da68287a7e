import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'

/**
 * A bucket that speaks as much of the S3 protocol as the product asks of one, in memory. Unsigned requests are refused.
 */
export class Bucket {
  readonly files = new Map<string, Buffer>()
  private server: Server | null = null

  /** @returns the bucket's address */
  async start(): Promise<string> {
    this.server = createServer((request, response) => {
      const chunks: Buffer[] = []
      request.on('data', (chunk: Buffer) => chunks.push(chunk))
      request.on('end', () => {
        const { status, headers, body } = this.answer(
          request.method ?? '',
          request.url ?? '',
          request.headers.authorization ?? '',
          request.headers.range,
          Buffer.concat(chunks),
        )
        response
          .writeHead(status, { 'content-length': body.length, ...headers })
          .end(request.method === 'HEAD' ? undefined : body)
      })
    }).listen(0, '127.0.0.1')
    await new Promise((resolve) => this.server?.once('listening', resolve))
    return `http://127.0.0.1:${(this.server.address() as AddressInfo).port}/alerts`
  }

  stop(): void {
    this.server?.close()
  }

  private answer(
    method: string,
    url: string,
    authorization: string,
    range: string | undefined,
    sent: Buffer,
  ): { status: number; headers: Record<string, string>; body: Buffer } {
    const nothing = Buffer.alloc(0)
    if (
      !/^AWS4-HMAC-SHA256 Credential=key\/\d{8}\/here\/s3\/aws4_request, SignedHeaders=\S+, Signature=[0-9a-f]{64}$/.test(
        authorization,
      )
    )
      return { status: 403, headers: {}, body: nothing }
    const id = url.replace('/alerts/', '')
    if (method === 'PUT') this.files.set(id, sent)
    if (method === 'PUT' || method === 'DELETE') {
      if (method === 'DELETE') this.files.delete(id)
      return { status: method === 'PUT' ? 200 : 204, headers: {}, body: nothing }
    }
    const file = this.files.get(id)
    if (!file) return { status: 404, headers: {}, body: nothing }
    const [, first, last] = /^bytes=(\d+)-(\d+)$/.exec(range ?? '') ?? []
    return first && last
      ? { status: 206, headers: {}, body: file.subarray(Number(first), Number(last) + 1) }
      : { status: 200, headers: {}, body: file }
  }
}
