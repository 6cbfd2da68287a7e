import type { Ingest } from './ingest.ts'
import { definePort } from '../system/port.ts'

/** What handlers need of what comes in. */
export interface IngestPort {
  ingest: Ingest
}

export const { provide: provideIngest, use: useIngest } = definePort<IngestPort>('What comes in')
