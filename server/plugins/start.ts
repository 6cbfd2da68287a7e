import { existsSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { defineNitroPlugin, useStorage } from 'nitropack/runtime'
import { readWelcomeCode } from '../auth/welcomeCode.ts'
import type { Migration } from '../db/migrate.ts'
import { hasAnyPerson } from '../db/queries/people.ts'
import type { ShippedShelf } from '../media/readyShelf.ts'
import { readConfig } from '../system/config.ts'
import { createLogger } from '../system/logger.ts'
import { findProcess } from '../system/processEntry.ts'
import { provideServices, type Services } from '../system/services.ts'
import { startServices } from '../system/startServices.ts'

/** Starts everything that lives as long as the server, and ends it in order. */
export default defineNitroPlugin((nitro) => {
  const starting = start()
  provideServices(starting)
  starting.catch((error: unknown) => {
    process.stderr.write(`${error instanceof Error ? error.message.slice(0, 1000) : 'Thundercrest cannot start.'}\n`)
    process.exit(1)
  })
  // Before the HTTP server waits for its connections to end: sockets and streams would keep it waiting.
  const letGo = () => void starting.then(({ rooms, stream }) => (rooms.closeAll(), stream.close()))
  process.once('SIGTERM', letGo)
  process.once('SIGINT', letGo)
  nitro.hooks.hook('close', async () => (await starting).close())
})

async function start(): Promise<Services> {
  const config = readConfig(process.env)
  const logger = createLogger(config.THUNDERCREST_LOG)
  const services = await startServices({
    config,
    logger,
    migrations: await readMigrations(),
    databaseTemplate: findTemplate(),
    processes: {
      measure: findProcess('measure.mjs', 'server/media/measure/main.ts', import.meta.dev === true),
      // A thread runs no TypeScript: from source the database stays on this one.
      database: import.meta.dev ? null : findProcess('database.mjs', 'server/db/embedded/main.ts', false),
      languages: findProcess('languages.mjs', 'server/speech/languages/main.ts', import.meta.dev === true),
    },
    readShippedFile: readAsset,
  })
  const address = `http://${config.HOST}:${config.PORT}`
  if (config.THUNDERCREST_DEMO) {
    const { loadDemo } = await import('../../demo/loadDemo.ts')
    await loadDemo(services, address, services.readShippedFile, config.THUNDERCREST_DEMO === 'night')
  }
  if (!(await hasAnyPerson(services.database.db))) {
    process.stdout.write(
      `\n  Nobody has an account yet. Make the first one at ${address}/welcome with the code ${readWelcomeCode()}\n\n`,
    )
  }
  logger.info({ database: services.database.kind, port: config.PORT }, 'thundercrest started')
  return services
}

async function readMigrations(): Promise<Migration[]> {
  const names = (await useStorage('assets:migrations').getKeys()).filter((key) => key.endsWith('.sql'))
  return Promise.all(
    names.map(async (name) => ({
      name: name.replace(/\.sql$/, ''),
      sql: new TextDecoder().decode((await readAsset('migrations', name)) ?? undefined),
    })),
  )
}

/**
 * A file that the build put into the server; null when there is none. Text comes as a string, everything else as bytes.
 */
async function readAsset(from: 'migrations' | ShippedShelf, name: string): Promise<Uint8Array | null> {
  const content = await useStorage(`assets:${from}`).getItemRaw<string | Uint8Array>(name)
  return typeof content === 'string' ? new TextEncoder().encode(content) : (content ?? null)
}

/** The initialised empty database that the build lays beside the server. */
function findTemplate(): string | null {
  const places = [
    join(dirname(resolve(process.argv[1] ?? '')), '../database-template'),
    resolve('.output/database-template'),
  ]
  return places.find((place) => existsSync(place)) ?? null
}
