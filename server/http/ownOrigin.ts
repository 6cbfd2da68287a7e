import type { Config } from '../system/config.ts'

const hostOf = ({ HOST }: Config) => (HOST === '0.0.0.0' || HOST === '::' ? '127.0.0.1' : HOST)

/** Where this server is reached on its own machine. */
export const ownAddress = (config: Config): string => `http://${hostOf(config)}:${config.PORT}`

/** Where this server reaches itself, however it was reached: simulated platforms live in the same process. */
export function ownOrigin(config: Config, requested: URL): string {
  return `http://${hostOf(config)}:${requested.port || config.PORT}`
}
