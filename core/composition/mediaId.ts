import * as z from 'zod'

/** Names a media file: the SHA-256 of its content. */
export const mediaId = z.string().regex(/^[0-9a-f]{64}$/)
