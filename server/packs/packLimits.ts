import { mediaLimits } from '../../contract/media.ts'

/** What a pack may be at most: looked at before anything of it is unpacked. */
export const packLimits = {
  entries: 600,
  manifestBytes: 8 * 1024 * 1024,
  fileBytes: mediaLimits.fileBytes,
  allBytes: 1024 * 1024 * 1024,
  perChannel: 100,
} as const
