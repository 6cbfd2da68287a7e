import type { DatabaseHandle } from './handle.ts'
import type { DatabaseTrouble } from './trouble.ts'
import { definePort } from '../system/port.ts'

/** What handlers need of the database. */
export interface DatabasePort {
  database: DatabaseHandle
  /** Whether the database is in trouble. */
  trouble: DatabaseTrouble
}

export const { provide: provideDatabase, use: useDatabase } = definePort<DatabasePort>('The database')
