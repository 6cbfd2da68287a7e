import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { Upload } from 'tus-js-client'
import { mediaLimits } from '../../contract/media.ts'
import { useMediaStore } from './media.ts'

/** A file that is being sent from this browser. */
export interface SendingFile {
  key: number
  name: string
  sizeBytes: number
  sentBytes: number
  /** `waiting`: the connection is gone or others go first; it goes on by itself. */
  state: 'waiting' | 'sending' | 'failed'
  reason: string
}

const atATime = 3
/** A lost connection is tried again for about ten minutes before a person is asked. */
const retryDelays = [500, 1000, 2000, 4000, 8000, ...Array.from({ length: 40 }, () => 15_000)]
/** So much is sent in one request: what a lost connection costs at most. */
const chunkBytes = 4 * 1024 * 1024

/**
 * Files on their way from this browser to the server, several at a time, each resumed where it was cut. What a closed
 * tab interrupts is resumed when the same file is given again.
 */
export const useUploadsStore = defineStore('uploads', () => {
  const sending = ref<SendingFile[]>([])
  const media = useMediaStore()
  const running = new Map<number, Upload>()
  let nextKey = 1

  const change = (key: number, to: Partial<SendingFile>) =>
    (sending.value = sending.value.map((each) => (each.key === key ? { ...each, ...to } : each)))
  const forget = (key: number) => {
    sending.value = sending.value.filter((each) => each.key !== key)
    running.delete(key)
  }

  function startNext(): void {
    const busy = sending.value.filter((each) => each.state === 'sending').length
    for (const { key } of sending.value
      .filter((each) => each.state === 'waiting')
      .slice(0, Math.max(0, atATime - busy))) {
      change(key, { state: 'sending' })
      void begin(key)
    }
  }

  async function begin(key: number): Promise<void> {
    const upload = running.get(key)
    if (!upload) return
    const [previous] = await upload.findPreviousUploads().catch(() => [])
    if (previous) upload.resumeFromPreviousUpload(previous)
    upload.start()
  }

  function add(file: File): void {
    const key = nextKey++
    const name = file.name || `Pasted ${new Date().toLocaleTimeString()}`
    const isTooLarge = file.size > mediaLimits.fileBytes
    sending.value = [
      ...sending.value,
      {
        key,
        name,
        sizeBytes: file.size,
        sentBytes: 0,
        state: isTooLarge ? 'failed' : 'waiting',
        reason: isTooLarge
          ? `It has ${Math.ceil(file.size / 1024 / 1024)} MiB; ${mediaLimits.fileBytes / 1024 / 1024} are the most. Make it smaller or shorter.`
          : '',
      },
    ]
    if (isTooLarge) return
    running.set(
      key,
      new Upload(file, {
        endpoint: '/api/channel/uploads',
        retryDelays,
        chunkSize: chunkBytes,
        metadata: { filename: name },
        removeFingerprintOnSuccess: true,
        onProgress: (sentBytes) => change(key, { sentBytes }),
        onShouldRetry: (error) => {
          const status = error.originalResponse?.getStatus() ?? 0
          return status === 0 || status >= 500 || status === 423 || status === 429
        },
        onSuccess: () => {
          forget(key)
          void media.load().catch(() => {})
          startNext()
        },
        onError: (error) => {
          change(key, { state: 'failed', reason: reasonOf(error) })
          startNext()
        },
      }),
    )
  }

  return {
    sending,
    isBusy: computed(() => sending.value.some((each) => each.state !== 'failed')),
    send(files: readonly File[]): void {
      files.forEach(add)
      startNext()
    },
    again(key: number): void {
      change(key, { state: 'waiting', reason: '' })
      startNext()
    },
    async cancel(key: number): Promise<void> {
      const upload = running.get(key)
      forget(key)
      await upload?.abort(true).catch(() => {})
      startNext()
    },
  }
})

function reasonOf(error: Error & { originalResponse?: { getStatus(): number; getBody(): string } | null }): string {
  const status = error.originalResponse?.getStatus() ?? 0
  if (status === 401) return 'You are not signed in any more. Sign in, then try again.'
  if (status === 403) return 'Your role may not add files. Ask an editor or an owner.'
  if (status === 0) return 'The server cannot be reached. What was sent is kept there; try again to go on.'
  return error.originalResponse?.getBody().slice(0, 200) || 'The server did not take the file. Try again.'
}
