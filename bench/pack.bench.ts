// A pack of a hundred megabytes: written, looked through and read file by file, beside a plain unzip of the same bytes;
// and taken by a server, every file measured at its door. Each in a process of its own, for what it needs in memory.
import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import {
  createReadStream,
  createWriteStream,
  mkdtempSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { fileURLToPath } from 'node:url'
import { open, type Entry } from 'yauzl'
import { wav16 } from '../core/audio/wav16.ts'
import { plainBox } from '../core/composition/plainBox.ts'
import { starterAlert } from '../core/composition/starter.ts'
import { eventKinds } from '../core/events/kinds.ts'
import { dialFor } from '../core/pack/dialFor.ts'
import type { Manifest, PackedMedia } from '../core/pack/manifest.ts'
import { openPack } from '../server/packs/readPack.ts'
import { writePack } from '../server/packs/writePack.ts'
import { TestServer } from '../test/arrange/server.ts'
import { report, type Measured } from './report.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const fileCount = 40
const secondsEach = 15

/** Noise that no compression makes smaller, as media are. */
function noise(seed: number): Buffer {
  let state = seed
  const channel = () =>
    Float64Array.from(
      { length: 44_100 * secondsEach },
      () => ((state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0) / 2 ** 32 - 0.5) * 0.4,
    )
  return Buffer.from(wav16([channel(), channel()], 44_100))
}

function makeFiles(folder: string): Manifest {
  const media = Array.from({ length: fileCount }, (_, index): PackedMedia => {
    const bytes = noise(index + 1)
    const id = createHash('sha256').update(bytes).digest('hex')
    writeFileSync(join(folder, id), bytes)
    return {
      id,
      file: `media/${id}`,
      name: `Noise ${index + 1}`,
      kind: 'sound',
      mime: 'audio/wav',
      sizeBytes: bytes.length,
      licence: 'CC0-1.0',
    }
  })
  const box = plainBox(
    canvas,
    eventKinds.slice(0, 20).flatMap((kind, index) => {
      const alert = starterAlert(kind, canvas, { pictureId: null, soundId: media[index]?.id ?? null })
      const [everyday] = alert.variations
      return everyday
        ? [
            {
              ...alert,
              variations: [
                everyday,
                {
                  ...structuredClone(everyday),
                  id: `${kind.toLowerCase()}-other`,
                  composition:
                    starterAlert(kind, canvas, { pictureId: null, soundId: media[index + 20]?.id ?? null })
                      .variations[0]?.composition ?? everyday.composition,
                },
              ],
            },
          ]
        : []
    }),
  )
  const dial = dialFor(box, 'look.palette.accent', 'Main colour')
  return {
    format: 'thundercrest.pack',
    version: 1,
    id: 'noise',
    release: '1.0.0',
    name: 'Noise',
    author: '',
    licence: 'CC0-1.0',
    about: '',
    box,
    media,
    dials: dial ? [dial] : [],
  }
}

const parts: Record<string, (folder: string) => Promise<void>> = {
  nothing: () => Promise.resolve(),
  async export(folder) {
    const manifest = JSON.parse(readFileSync(join(folder, 'manifest.json'), 'utf8')) as Manifest
    await pipeline(
      writePack(manifest, { stream: (id: string) => Promise.resolve(createReadStream(join(folder, id))) }),
      createWriteStream(join(folder, 'pack.zip')),
    )
  },
  async read(folder) {
    const pack = await openPack(join(folder, 'pack.zip'))
    if (!pack.ok) throw new Error(pack.error)
    for (const file of pack.value.manifest.media) writeFileSync(join(folder, 'out'), await pack.value.read(file))
    pack.value.close()
  },
  /** The peer: every entry to a file, nothing looked at. */
  unzip: (folder) =>
    new Promise((resolve, reject) => {
      open(join(folder, 'pack.zip'), { lazyEntries: true }, (error, zip) => {
        if (error) return reject(error)
        zip.on('end', () => resolve())
        zip.on('entry', (entry: Entry) =>
          zip.openReadStream(entry, (fault, stream) =>
            fault
              ? reject(fault)
              : void pipeline(stream, createWriteStream(join(folder, 'out'))).then(() => zip.readEntry(), reject),
          ),
        )
        zip.readEntry()
      })
    }),
}

const [part, where] = process.argv.slice(2).filter((each) => each !== '--json')
if (part && where) {
  const startedMs = performance.now()
  await parts[part]?.(where)
  process.stdout.write(
    JSON.stringify({ ms: performance.now() - startedMs, peakMib: process.resourceUsage().maxRSS / 1024 }),
  )
} else await measure()

/** Runs one part in a process of its own. */
function inItsOwn(name: string, folder: string): { ms: number; peakMib: number } {
  const { stdout, stderr, status } = spawnSync(
    process.execPath,
    ['--import', 'tsx', fileURLToPath(import.meta.url), name, folder],
    { encoding: 'utf8' },
  )
  if (status !== 0) throw new Error(stderr)
  return JSON.parse(stdout) as { ms: number; peakMib: number }
}

async function measure(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'thundercrest-pack-'))
  try {
    writeFileSync(join(folder, 'manifest.json'), JSON.stringify(makeFiles(folder)))
    const base = inItsOwn('nothing', folder)
    const rows: [string, string][] = [
      ['export', 'written'],
      ['read', 'looked through, every file read and held against its hash'],
      ['unzip', '  peer: plain unzip, nothing looked at'],
    ]
    const measured = rows.map(([name, what]): Measured => {
      const { ms, peakMib } = inItsOwn(name, folder)
      return {
        what,
        figures: {
          took: `${(ms / 1000).toFixed(2)} s`,
          memory: `${Math.round(peakMib)} MiB`,
          'over an idle process': `${Math.round(peakMib - base.peakMib)} MiB`,
        },
      }
    })
    const path = join(folder, 'pack.zip')
    const tool = performance.now()
    if (spawnSync('unzip', ['-q', '-o', path, '-d', join(folder, 'tool')]).status === 0)
      measured.push({
        what: '  peer: the unzip command',
        figures: { took: `${((performance.now() - tool) / 1000).toFixed(2)} s` },
      })
    measured.push(await taken(path))
    report('pack', measured, [
      `A pack of ${fileCount} files, ${Math.round(statSync(path).size / 1e6)} MB. Memory of a process that does nothing: ${Math.round(base.peakMib)} MiB.`,
    ])
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

async function taken(path: string): Promise<Measured> {
  const server = await TestServer.start()
  try {
    const peak = () =>
      Number(/VmHWM:\s+(\d+) kB/.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))?.[1] ?? 0) / 1024
    const account = server.demo.accounts[0]
    const signedIn = await fetch(`${server.url}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ email: account?.email, password: account?.password }),
    })
    const before = peak()
    const startedMs = performance.now()
    const answer = await fetch(`${server.url}/api/packs`, {
      method: 'POST',
      headers: {
        'content-type': 'application/zip',
        cookie: signedIn.headers
          .getSetCookie()
          .map((each) => each.split(';')[0])
          .join('; '),
      },
      body: readFileSync(path),
    })
    if (answer.status !== 201) throw new Error(await answer.text())
    return {
      what: 'taken by a server: sent, looked through, every sound measured, stored',
      figures: {
        took: `${((performance.now() - startedMs) / 1000).toFixed(1)} s`,
        memory: `${Math.round(peak())} MiB`,
        'over an idle process': `${Math.round(peak() - before)} MiB`,
      },
    }
  } finally {
    await server.remove()
  }
}
