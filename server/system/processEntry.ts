import { existsSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'

/** How a process of the server's own is started. */
export interface ProcessEntry {
  path: string
  /** Options for Node itself. */
  execArgv: string[]
}

/**
 * A program that the build lays beside the server, or its source where the server runs from source.
 * @param built its name beside the server
 */
export function findProcess(built: string, source: string, isDev: boolean): ProcessEntry {
  const found = [join(dirname(resolve(process.argv[1] ?? '')), built), resolve('.output/server', built)].find((place) =>
    existsSync(place),
  )
  return found && !isDev ? { path: found, execArgv: [] } : { path: resolve(source), execArgv: ['--import', 'tsx'] }
}
