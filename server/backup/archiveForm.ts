import * as z from 'zod'

/*
 * A backup is one tar file (POSIX.1-2001), so that anybody can look into it without this program:
 *
 *   thundercrest.json            what it is: see `manifest`
 *   tables/<table>.<n>.ndjson    rows, one JSON object a line, as the database names their columns
 *   history/events.<n>.ndjson    everything that happened, as CloudEvents 1.0
 *   media/<sha-256>              pictures, sounds and fonts
 *   end.json                     the SHA-256 of each of them; without it, the file ended early
 */

export const formName = 'thundercrest.backup'
export const formVersion = 1
export const manifestName = 'thundercrest.json'
export const endName = 'end.json'

export const manifest = z.object({
  form: z.literal(formName),
  version: z.number().int(),
  /** The newest migration of the database that it is of. */
  schema: z.string().regex(/^[0-9a-z_]{4,100}$/),
  madeAt: z.iso.datetime(),
  /** The channel that it is of; null: all of a server, secrets of people included. */
  channel: z.object({ id: z.string(), name: z.string() }).nullable(),
  /** Whether media are in it; else they lie where they lay. */
  hasMedia: z.boolean(),
})
export type ArchiveManifest = z.infer<typeof manifest>

export const archiveEnd = z.object({
  entries: z.array(z.object({ name: z.string(), sha256: z.string(), bytes: z.number() })),
})
export type ArchiveEnd = z.infer<typeof archiveEnd>

/** Which part of a backup an entry is; null: none that there is. */
export function partOf(name: string): { part: 'tables' | 'history' | 'media'; of: string } | null {
  const found = /^(?:(tables)\/([a-z_]{1,60})|(history)\/(events))\.\d{1,6}\.ndjson$|^(media)\/([0-9a-f]{64})$/.exec(
    name,
  )
  if (!found) return null
  const [, tables, table, history, events, media, id] = found
  if (tables && table) return { part: 'tables', of: table }
  if (history && events) return { part: 'history', of: events }
  return media && id ? { part: 'media', of: id } : null
}
