import type { DetailedError, UploadOptions } from 'tus-js-client'

/** How uploads go on where they were cut: each piece is confirmed, and a lost connection is tried again for about ten minutes. */
export const patient = {
  retryDelays: [500, 1000, 2000, 4000, 8000, ...Array.from({ length: 40 }, () => 15_000)],
  /** So much is sent in one request: what a lost connection costs at most. */
  chunkSize: 4 * 1024 * 1024,
  removeFingerprintOnSuccess: true,
  onShouldRetry: (error: DetailedError) => {
    const status = error.originalResponse?.getStatus() ?? 0
    return status === 0 || status >= 500 || status === 423 || status === 429
  },
} satisfies Partial<UploadOptions>

/** Why an upload was given up, in words. */
export function reasonOf(
  error: Error & { originalResponse?: { getStatus(): number; getBody(): string } | null },
): string {
  const status = error.originalResponse?.getStatus() ?? 0
  if (status === 401) return 'You are not signed in any more. Sign in, then try again.'
  if (status === 403) return 'Your role may not add files. Ask an editor or an owner.'
  if (status === 0) return 'The server cannot be reached. What was sent is kept there; try again to go on.'
  return error.originalResponse?.getBody().slice(0, 200) || 'The server did not take the file. Try again.'
}
