import { defineStore } from 'pinia'
import { until } from '@vueuse/core'
import { computed, ref } from 'vue'
import { Upload } from 'tus-js-client'
import { mediaLimits } from '../../contract/media.ts'
import { err, ok, type Result } from '../../core/result.ts'
import { patient, reasonOf } from '../api/patientUpload.ts'
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

/** What whoever sends a file hears of it. */
interface SendingHeard {
  /** It is all there; the server calls it so. */
  onSent: (intakeId: string) => void
  onFailed: (reason: string) => void
}

const atATime = 3

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

  function add(file: File, heard: Partial<SendingHeard> = {}): void {
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
    if (isTooLarge) return heard.onFailed?.(sending.value.at(-1)?.reason ?? '')
    running.set(
      key,
      new Upload(file, {
        endpoint: '/api/channel/uploads',
        ...patient,
        metadata: { filename: name },
        onProgress: (sentBytes) => change(key, { sentBytes }),
        onSuccess: () => {
          // An intake is called as its upload is.
          heard.onSent?.(decodeURIComponent(running.get(key)?.url?.split('/').at(-1) ?? ''))
          forget(key)
          void media.load().catch(() => {})
          startNext()
        },
        onError: (error) => {
          const reason = reasonOf(error)
          change(key, { state: 'failed', reason })
          heard.onFailed?.(reason)
          startNext()
        },
      }),
    )
  }

  /** Resolves once a file that was sent has been measured: with its id in the library, or why it was refused. */
  function arrivalOf(intakeId: string): Promise<Result<string, string>> {
    const find = () => media.intake.find(({ id }) => id === intakeId)
    return until(find)
      .toMatch((intake) => intake?.state === 'ready' || intake?.state === 'refused')
      .then((intake) =>
        intake?.mediaId ? ok(intake.mediaId) : err(`${intake?.reason ?? ''} ${intake?.advice ?? ''}`.trim()),
      )
  }

  return {
    sending,
    isBusy: computed(() => sending.value.some((each) => each.state !== 'failed')),
    send(files: readonly File[]): void {
      files.forEach((file) => add(file))
      startNext()
    },
    /** Sends one file and waits until it is in the library, or why it is not. */
    sendOne(file: File): Promise<Result<string, string>> {
      return new Promise((resolve) => {
        add(file, { onFailed: (reason) => resolve(err(reason)), onSent: (intakeId) => resolve(arrivalOf(intakeId)) })
        startNext()
      })
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
