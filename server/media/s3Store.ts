import { createHash } from 'node:crypto'
import { Readable } from 'node:stream'
import type { ReadableStream as NodeReadableStream } from 'node:stream/web'
import { AwsClient } from 'aws4fetch'
import { checkMediaId, type ByteSpan, type MediaStore } from './mediaStore.ts'

export interface S3Settings {
  /** With the bucket in its path, e.g. `https://objects.example/alerts`. */
  bucketUrl: string
  region: string
  accessKeyId: string
  secretAccessKey: string
}

/** Media files in a bucket that speaks the S3 protocol. */
export class S3Store implements MediaStore {
  private readonly client: AwsClient

  constructor(private readonly settings: S3Settings) {
    const { region, accessKeyId, secretAccessKey } = settings
    this.client = new AwsClient({ service: 's3', region, accessKeyId, secretAccessKey, retries: 3 })
  }

  async put(bytes: Uint8Array): Promise<string> {
    const id = createHash('sha256').update(bytes).digest('hex')
    if ((await this.size(id)) !== null) return id
    await this.ask('PUT', id, { body: Buffer.from(bytes), headers: { 'content-type': 'application/octet-stream' } })
    return id
  }

  async read(id: string): Promise<Buffer | null> {
    const answer = await this.ask('GET', id)
    return answer && Buffer.from(await answer.arrayBuffer())
  }

  async size(id: string): Promise<number | null> {
    const answer = await this.ask('HEAD', id)
    return answer && Number(answer.headers.get('content-length') ?? 0)
  }

  async stream(id: string, span: ByteSpan | null): Promise<Readable> {
    const answer = await this.ask('GET', id, span ? { headers: { range: `bytes=${span.first}-${span.last}` } } : {})
    if (!answer?.body) throw new Error(`S3Store: the file ${id} is gone`)
    return Readable.fromWeb(answer.body as NodeReadableStream)
  }

  async remove(id: string): Promise<void> {
    await this.ask('DELETE', id)
  }

  /** @returns null for a file that is not there. @throws for every other answer that is no success */
  private async ask(method: string, id: string, more: RequestInit = {}): Promise<Response | null> {
    const answer = await this.client.fetch(`${this.settings.bucketUrl.replace(/\/$/, '')}/${checkMediaId(id)}`, {
      method,
      ...more,
    })
    if (answer.status === 404) return null
    if (!answer.ok) throw new Error(`S3Store: ${method} answered ${answer.status}`)
    return answer
  }
}
