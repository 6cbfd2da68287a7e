import { AsyncLocalStorage } from 'node:async_hooks'
import { FileStore } from '@tus/file-store'
import { Server } from '@tus/server'
import { mediaLimits } from '../../contract/media.ts'
import { newId } from '../system/ids.ts'
import type { MediaLibrary } from './library.ts'

/** Whose upload a request belongs to. */
interface Uploader {
  channelId: string
}

const unfinishedIsKeptMs = 24 * 3_600_000

/** Uploads over the open tus protocol: a lost connection goes on where it was cut, also in another session. */
export class Uploads {
  private readonly uploader = new AsyncLocalStorage<Uploader>()
  private readonly server: Server

  constructor(folder: string, library: MediaLibrary) {
    const refuse = (status_code: number, body: string) => {
      // The library answers what is thrown in this form.

      throw { status_code, body }
    }
    this.server = new Server({
      path: '/api/channel/uploads',
      datastore: new FileStore({ directory: folder, expirationPeriodInMilliseconds: unfinishedIsKeptMs }),
      maxSize: mediaLimits.fileBytes,
      relativeLocation: true,
      respectForwardedHeaders: false,
      disableTerminationForFinishedUploads: true,
      namingFunction: () => `${this.channelId()}--${newId('upload')}`,
      onUploadCreate: async () => {
        if ((await library.waitingCount(this.channelId())) >= mediaLimits.waitingFiles)
          refuse(429, 'Too many files wait to be measured. Send the rest in a minute.')
        return {}
      },
      onUploadFinish: async (_request, upload) => {
        const name =
          (upload.metadata?.filename ?? '').replaceAll(/\p{C}/gu, '').trim().slice(0, mediaLimits.nameLetters) ||
          'Unnamed'
        await library.accept({ id: upload.id, channelId: this.channelId(), name, sizeBytes: upload.size ?? 0 })
        return {}
      },
      onIncomingRequest: async (_request, id) => {
        // Another channel's upload is as good as none.
        if (id && !id.startsWith(`${this.channelId()}--`)) refuse(404, 'There is no such upload.')
      },
    })
  }

  /** Answers a request of a member of a channel. */
  handle(
    channelId: string,
    request: Parameters<Server['handle']>[0],
    response: Parameters<Server['handle']>[1],
  ): Promise<unknown> {
    return this.uploader.run({ channelId }, () => this.server.handle(request, response))
  }

  /** Removes what was begun and not finished within a day. */
  async forgetUnfinished(): Promise<void> {
    await this.server.cleanUpExpiredUploads()
  }

  private channelId(): string {
    const { channelId } = this.uploader.getStore() ?? {}
    if (!channelId) throw new Error('Uploads: a request without a member')
    return channelId
  }
}
