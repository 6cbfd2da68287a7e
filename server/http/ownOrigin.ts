import type { Config } from '../system/config.ts'

/** Where this server reaches itself, however it was reached: simulated platforms live in the same process. */
export function ownOrigin({ HOST, PORT }: Config, requested: URL): string {
  return `http://${HOST === '0.0.0.0' || HOST === '::' ? '127.0.0.1' : HOST}:${requested.port || PORT}`
}
