import type { Config } from '../system/config.ts'

const mib = 1024 * 1024

/** How much the media of a channel may take, in bytes; null: as much as there is room. */
export const quotaOf = ({ THUNDERCREST_CHANNEL_MEDIA_MB: most }: Pick<Config, 'THUNDERCREST_CHANNEL_MEDIA_MB'>) =>
  most === undefined ? null : most * mib

const said = (bytes: number) => `${Math.round(bytes / mib)} MiB`

/** Why nothing more may come; null: it may. */
export function quotaRefusal(takenBytes: number, quotaBytes: number | null): string | null {
  if (quotaBytes === null || takenBytes < quotaBytes) return null
  return `The media of this channel take ${said(takenBytes)} of the ${said(quotaBytes)} that they may. Take files out that nothing uses, and remove them under Backup and room.`
}
