import { AsyncLocalStorage } from 'node:async_hooks'
import { readdir, readFile, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { FileStore } from '@tus/file-store'
import { Server } from '@tus/server'
import * as z from 'zod'
import { newId } from '../system/ids.ts'

/** Whose upload a request belongs to. */
interface Uploader {
  channelId: string
}

const unfinishedIsKeptMs = 24 * 3_600_000
const forgetEveryMs = 3_600_000

/** What a channel may have begun and not finished. */
export interface UploadQuota {
  files: number
  bytes: number
}

export interface UploadsOptions {
  /** The address under which it answers. */
  path: string
  folder: string
  maxBytes: number
  quota: UploadQuota
  /** Why no more is taken of a channel just now; null where it is. */
  refusalFor: (channelId: string) => Promise<string | null>
  /** A file is all there. */
  onArrived: (file: { id: string; channelId: string; name: string; sizeBytes: number }) => Promise<void>
}

/** What the library keeps of an upload beside it. */
const begun = z.looseObject({ size: z.number().nonnegative() })

/** Uploads over the open tus protocol: a lost connection goes on where it was cut, also in another session. */
export class Uploads {
  private readonly uploader = new AsyncLocalStorage<Uploader>()
  private readonly server: Server
  private readonly timer: ReturnType<typeof setInterval>

  constructor(private readonly options: UploadsOptions) {
    const refuse = (status_code: number, body: string) => {
      // The library answers what is thrown in this form.

      throw { status_code, body }
    }
    this.server = new Server({
      path: options.path,
      datastore: new FileStore({ directory: options.folder, expirationPeriodInMilliseconds: unfinishedIsKeptMs }),
      maxSize: options.maxBytes,
      relativeLocation: true,
      respectForwardedHeaders: false,
      disableTerminationForFinishedUploads: true,
      namingFunction: () => `${this.channelId()}--${newId('upload')}`,
      onUploadCreate: async (_request, upload) => {
        const refusal = await options.refusalFor(this.channelId())
        if (refusal) refuse(429, refusal)
        const open = await this.unfinished(this.channelId())
        if (open.files >= options.quota.files || open.bytes + (upload.size ?? 0) > options.quota.bytes)
          refuse(
            429,
            `${open.files} uploads of this channel were begun and not finished. Finish or cancel some; those that nobody goes on with are forgotten after a day.`,
          )
        return {}
      },
      onUploadFinish: async (_request, upload) => {
        const name = upload.metadata?.filename ?? ''
        await options.onArrived({ id: upload.id, channelId: this.channelId(), name, sizeBytes: upload.size ?? 0 })
        return {}
      },
      onIncomingRequest: async (_request, id) => {
        // Another channel's upload is as good as none.
        if (id && !id.startsWith(`${this.channelId()}--`)) refuse(404, 'There is no such upload.')
      },
    })
    this.timer = setInterval(() => void this.forgetUnfinished().catch(() => undefined), forgetEveryMs)
    this.timer.unref()
  }

  close(): void {
    clearInterval(this.timer)
  }

  /** Answers a request of a member of a channel. */
  handle(
    channelId: string,
    request: Parameters<Server['handle']>[0],
    response: Parameters<Server['handle']>[1],
  ): Promise<unknown> {
    return this.uploader.run({ channelId }, () => this.server.handle(request, response))
  }

  /** Where an upload of this channel that is all there lies; null for another's, for none, and for half of one. */
  async pathOf(channelId: string, id: string): Promise<string | null> {
    if (!/^[\w-]{1,120}$/.test(id) || !id.startsWith(`${channelId}--`)) return null
    const upload = await this.server.datastore.getUpload(id).catch(() => null)
    return upload && upload.offset === upload.size ? join(this.options.folder, id) : null
  }

  /** Nothing of an upload stays. */
  async forget(id: string): Promise<void> {
    const path = join(this.options.folder, id)
    await Promise.all([rm(path, { force: true }), rm(`${path}.json`, { force: true })])
  }

  /** Removes what was begun and not finished within a day. */
  async forgetUnfinished(): Promise<void> {
    await this.server.cleanUpExpiredUploads()
  }

  /** What a channel has begun, by the size that it will have. */
  private async unfinished(channelId: string): Promise<UploadQuota> {
    const names = (await readdir(this.options.folder)).filter(
      (name) => name.startsWith(`${channelId}--`) && name.endsWith('.json'),
    )
    const sizes = await Promise.all(
      names.map(async (name) => {
        const text = await readFile(join(this.options.folder, name), 'utf8').catch(() => '{}')
        return begun.safeParse(parsed(text)).data?.size ?? 0
      }),
    )
    return { files: names.length, bytes: sizes.reduce((sum, size) => sum + size, 0) }
  }

  private channelId(): string {
    const { channelId } = this.uploader.getStore() ?? {}
    if (!channelId) throw new Error('Uploads: a request without a member')
    return channelId
  }
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}
