import { existsSync } from 'node:fs'
import { access, constants, stat, statfs } from 'node:fs/promises'
import { createServer } from 'node:net'
import { dirname, join } from 'node:path'
import { findChromium } from '../../scripts/chromium.mjs'
import { listNights, nightsFolder } from '../backup/nightly.ts'
import { openServer } from '../db/openServer.ts'
import { findEngines } from '../speech/engines.ts'
import { findRunning, openAlone, type operatorContext, type RunningServer } from './context.ts'
import { readOperatorFile } from './operatorFile.ts'

type Context = ReturnType<typeof operatorContext>
/** What was found: fine, worth knowing, or in the way. */
interface Finding {
  about: string
  is: 'fine' | 'note' | 'wrong'
  words: string
}
type Said = Omit<Finding, 'about'>

const fine = (words: string): Said => ({ is: 'fine', words })
const note = (words: string): Said => ({ is: 'note', words })
const wrong = (words: string): Said => ({ is: 'wrong', words })
const marks = { fine: 'ok  ', note: 'note', wrong: 'NO  ' }

const gib = 1024 ** 3
const nodeLeast = [20, 19] as const
const dayMs = 86_400_000

/** Looks at everything that a server needs, and says of each what to do. @returns whether nothing is in the way */
export async function doctor(context: Context, say: (words: string) => void): Promise<boolean> {
  const running = await findRunning(context.dataFolder)
  const looks: [string, () => Promise<Said> | Said][] = [
    ['Node', lookAtNode],
    ['Data folder', () => lookAtFolder(context)],
    ['Server', () => lookAtServer(context, running)],
    ['Database', () => lookAtDatabase(context, running)],
    ['Disk', () => lookAtDisk(context)],
    ['Nightly backups', () => lookAtNights(context)],
    ['Voices', () => lookAtVoices(context)],
    ['Chromium for tests', lookAtChromium],
    ['Operator’s token', () => lookAtToken(context)],
  ]
  let isWell = true
  for (const [about, look] of looks) {
    const found = await Promise.resolve()
      .then(look)
      .catch((error: unknown) => wrong(error instanceof Error ? error.message : 'It cannot be looked at.'))
    if (found.is === 'wrong') isWell = false
    say(`${marks[found.is]} ${about.padEnd(19)} ${found.words}`)
  }
  return isWell
}

function lookAtNode(): Said {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number)
  const isEnough = major > nodeLeast[0] || (major === nodeLeast[0] && minor >= nodeLeast[1])
  return isEnough
    ? fine(process.versions.node)
    : wrong(`${process.versions.node} is too old: install ${nodeLeast.join('.')} or newer.`)
}

async function lookAtFolder({ dataFolder }: Context): Promise<Said> {
  if (!existsSync(dataFolder)) return note(`${dataFolder} is not there yet: the first start makes it.`)
  const { mode } = await stat(dataFolder)
  await access(dataFolder, constants.R_OK | constants.W_OK | constants.X_OK)
  return (mode & 0o077) === 0
    ? fine(`${dataFolder}, nobody else can look into it`)
    : wrong(`Others on this machine can look into ${dataFolder}: chmod 700 it.`)
}

async function lookAtServer({ config }: Context, running: RunningServer | null): Promise<Said> {
  if (running) return fine(`runs at ${running.address}`)
  const { PORT, HOST } = config
  const isFree = await new Promise<boolean>((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen(PORT, HOST, () => probe.close(() => resolve(true)))
  })
  return isFree
    ? note(`does not run; port ${PORT} is free for it: npm start`)
    : wrong(`does not run, and something else uses port ${PORT}: stop that, or set PORT.`)
}

async function lookAtDatabase(context: Context, running: RunningServer | null): Promise<Said> {
  const { config, dataFolder } = context
  if (running) {
    const answer = await fetch(`${running.address}/readyz`)
    return answer.ok ? fine('answers') : wrong('does not answer: the log of the server says why.')
  }
  if (config.DATABASE_URL) {
    const database = await openServer(config.DATABASE_URL, 1)
    await database.close()
    return fine('the PostgreSQL server answers')
  }
  if (!existsSync(join(dataFolder, 'database'))) {
    const file = await readOperatorFile(dataFolder)
    return file?.hasDatabase
      ? wrong('is missing, though there was one: see the newest nightly backup.')
      : note('is not there yet')
  }
  const { close } = await openAlone(context)
  await close()
  return fine('opens, and is up to date')
}

async function lookAtDisk({ dataFolder }: Context): Promise<Said> {
  let place = dataFolder
  while (!existsSync(place)) place = dirname(place)
  const { bavail, bsize } = await statfs(place)
  const free = bavail * bsize
  const words = `${(free / gib).toFixed(1)} GiB free`
  return free < gib ? wrong(`${words}: make room, alerts are lost where nothing can be written.`) : fine(words)
}

async function lookAtNights({ config, dataFolder }: Context): Promise<Said> {
  if (config.DATABASE_URL) return note('none are taken of a PostgreSQL server: back it up by its own means.')
  const [newest] = await listNights(nightsFolder(dataFolder))
  if (!newest) return note('none yet: the first is taken within a day of running.')
  const days = (Date.now() - newest.atMs) / dayMs
  return days > 3
    ? note(`the newest is ${Math.floor(days)} days old: ${newest.path}`)
    : fine(`the newest is ${newest.path}`)
}

async function lookAtVoices({ config }: Context): Promise<Said> {
  const engines = findEngines(config.THUNDERCREST_VOICES)
  try {
    const { voices, troubles } = await engines.voices()
    if (troubles.length > 0)
      return wrong(troubles.map(({ engine, reason }) => `${engine} does not speak: ${reason}`).join(' '))
    return fine(`${voices.length} of them`)
  } finally {
    engines.close()
  }
}

function lookAtChromium(): Said {
  const path = findChromium() as string | null
  return path ? fine(path) : note('not there; only npm test needs it, and installs it where it may.')
}

async function lookAtToken({ dataFolder }: Context): Promise<Said> {
  return (await readOperatorFile(dataFolder))
    ? fine(`in ${join(dataFolder, 'operator.json')}: for /metrics from another machine`)
    : note('made by the first start')
}
