import type { Logger } from 'pino'
import type { Clock } from './clock.ts'
import type { Config } from './config.ts'
import type { Metrics } from './metrics.ts'
import { definePort } from './port.ts'

/** What handlers need of the process. */
export interface RuntimePort {
  config: Config
  logger: Logger
  dataFolder: string
  clock: Clock
  metrics: Metrics
}

export const { provide: provideRuntime, use: useRuntime } = definePort<RuntimePort>('The process')
