import { PGlite, types } from '@electric-sql/pglite'

/**
 * How the engine is set up where it shares a machine with a game and an encoder, and is asked by one program only. Plans
 * of references between tables are made once and kept; made while a table was small they would read all of it for ever,
 * so what has an index is found by it from the beginning.
 */
const settings = [
  'shared_buffers = 32MB',
  'wal_buffers = 1MB',
  'temp_buffers = 1MB',
  'max_connections = 4',
  'jit = off',
  'enable_seqscan = off',
  'default_statistics_target = 10',
]

/** Opens the engine on a folder; the first time it makes a database there. */
export function openEngine(folder: string): Promise<PGlite> {
  return PGlite.create({ dataDir: folder, postgresqlconf: settings })
}

/** Moments come as the text that they are; whoever knows the column makes of it what it is. */
const asTheyAre = [
  types.TIMESTAMP,
  types.TIMESTAMPTZ,
  types.INTERVAL,
  types.DATE,
  // The same, as arrays.
  1231,
  1115,
  1185,
  1187,
  1182,
]
export const parsers = Object.fromEntries(asTheyAre.map((type) => [type, (value: string) => value]))
