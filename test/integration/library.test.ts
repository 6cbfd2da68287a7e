import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { pino } from 'pino'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { starterAlert } from '../../core/composition/starter.ts'
import type { DatabaseHandle } from '../../server/db/handle.ts'
import { migrate } from '../../server/db/migrate.ts'
import { openEmbedded } from '../../server/db/openEmbedded.ts'
import { addBox, findBox, isMediaUsed, saveDraft } from '../../server/db/queries/boxes.ts'
import { addIntake } from '../../server/db/queries/intake.ts'
import { addMedia, changeMedia, findOwnMedia, listMedia, setMediaDeleted } from '../../server/db/queries/media.ts'
import { addChannel } from '../../server/db/queries/people.ts'
import { FolderStore } from '../../server/media/folderStore.ts'
import { MediaLibrary, measuringVersion } from '../../server/media/library.ts'
import { HeldFiles } from '../../server/media/heldFiles.ts'
import { Measurer } from '../../server/media/measurer.ts'
import { replaceEverywhere } from '../../server/media/replaceEverywhere.ts'
import { readMigrations } from '../../server/operate/readMigrations.ts'
import { inkOfAll } from '../media/shape.ts'
import { wav } from '../media/wav.ts'
import { plainBox } from '../../core/composition/plainBox.ts'

const channelId = 'channel-library'
const folder = mkdtempSync(join(tmpdir(), 'thundercrest-library-'))
const uploadsFolder = join(folder, 'uploads')
const store = new FolderStore(join(folder, 'media'))
const entry = {
  path: fileURLToPath(new URL('../../server/media/measure/main.ts', import.meta.url)),
  execArgv: ['--import', 'tsx'],
}
const golden = (name: string) => readFileSync(new URL(`../media/files/${name}`, import.meta.url))
const template = fileURLToPath(new URL('../../.output/database-template', import.meta.url))
let database: DatabaseHandle
let nowMs = Date.UTC(2026, 10, 25)

const openLibrary = (measurer = new Measurer(entry)) =>
  new MediaLibrary({
    db: database.db,
    logger: pino({ level: 'silent' }),
    store,
    held: new HeldFiles(database.db, store),
    measurer,
    uploadsFolder,
    now: () => nowMs,
    nodeId: 'node-1',
    onChange: () => undefined,
    isUsed: (channel, id) => isMediaUsed(database.db, channel, id),
  })

/** Puts a file where an upload would have left it. */
function arrived(id: string, bytes: Uint8Array, name = id) {
  writeFileSync(join(uploadsFolder, id), bytes)
  writeFileSync(join(uploadsFolder, `${id}.json`), '{}')
  return { id, channelId, name, sizeBytes: bytes.length }
}

beforeAll(async () => {
  mkdirSync(uploadsFolder)
  database = await openEmbedded(join(folder, 'database'), template)
  await migrate(database, readMigrations())
  await addChannel(database.db, { id: channelId, name: 'Library', locale: 'en', timeZone: 'UTC', currency: 'EUR' })
})
afterAll(async () => {
  await database.close()
  rmSync(folder, { recursive: true, force: true })
})

describe('a file on its way into the library', () => {
  it('is measured, kept with pictures of it, and leaves nothing where it arrived', async () => {
    const library = openLibrary()
    await library.accept(arrived('moving', golden('moving.webp'), 'Moving'))
    await library.settled()
    const [row] = await listMedia(database.db, channelId)
    expect(row).toMatchObject({
      name: 'Moving',
      kind: 'picture',
      mime: 'image/webp',
      durationMs: 600,
      measuredBy: measuringVersion,
      measured: { seen: { ink: inkOfAll } },
    })
    expect((await store.read(row?.posterId ?? ''))?.subarray(8, 12).toString()).toBe('WEBP')
    expect(await store.read(row?.id ?? '')).toEqual(golden('moving.webp'))
    expect(readdirSync(uploadsFolder)).toEqual([])
    expect(await library.listIntake(channelId)).toMatchObject([{ state: 'ready', mediaId: row?.id }])
    library.close()
  })
  it('that is refused says why and what to do, and leaves nothing at all', async () => {
    const library = openLibrary()
    const before = readdirSync(join(folder, 'media'))
    await library.accept(arrived('cut', golden('still.png').subarray(0, 80), 'Cut'))
    await library.settled()
    expect((await library.listIntake(channelId)).find((each) => each.id === 'cut')).toMatchObject({
      state: 'refused',
      reason: 'The file ends in the middle of the picture.',
      advice: 'Copy or export it again.',
    })
    expect([readdirSync(uploadsFolder), readdirSync(join(folder, 'media'))]).toEqual([[], before])
    library.close()
  })
  it('that is there already is the one that is there; a deleted one comes back', async () => {
    const library = openLibrary()
    const [row] = await listMedia(database.db, channelId)
    await setMediaDeleted(database.db, channelId, row?.id ?? '', new Date())
    await library.accept(arrived('again', golden('moving.webp'), 'Another name'))
    await library.settled()
    expect((await listMedia(database.db, channelId)).map(({ id, name }) => [id, name])).toEqual([[row?.id, 'Moving']])
    library.close()
  })
  it('is taken up again by a server that was stopped in the middle', async () => {
    const measuring = { state: 'measuring' as const, takenBy: 'node-0' }
    await addIntake(database.db, { ...arrived('interrupted', wav({ seconds: 1 }), 'Interrupted'), ...measuring })
    const library = openLibrary()
    // While whoever measures it lives, nobody else does.
    await library.takeOver(['node-0', 'node-1'])
    await library.settled()
    expect((await library.listIntake(channelId)).find(({ id }) => id === 'interrupted')?.state).toBe('measuring')
    await library.takeOver(['node-1'])
    await library.settled()
    expect((await listMedia(database.db, channelId)).find((row) => row.name === 'Interrupted')).toMatchObject({
      kind: 'sound',
      durationMs: 1000,
    })
    library.close()
  })
  it('that was there before there was measuring is measured, and keeps what a browser saw of it', async () => {
    const id = await store.put(golden('moving-vp9.webm'))
    const seen = { hasAlpha: true, ink: inkOfAll, dominant: '#E0964B', colours: ['#E0964B'] }
    const old = {
      id,
      channelId,
      name: 'Old',
      kind: 'picture' as const,
      mime: 'video/webm',
      durationMs: 400,
      licence: 'own',
      posterId: 'f'.repeat(64),
    }
    await addMedia(database.db, {
      ...old,
      measured: {
        of: 'picture',
        widthPx: 1,
        heightPx: 1,
        frameCount: 1,
        frameMs: [],
        durationMs: null,
        ownSound: null,
        codec: null,
        seen,
      },
    })
    const library = openLibrary()
    await library.resume()
    await library.settled()
    expect(await findOwnMedia(database.db, channelId, id)).toMatchObject({
      widthPx: 96,
      measuredBy: measuringVersion,
      posterId: old.posterId,
      measured: { codec: 'vp9', frameCount: 4, seen },
    })
    library.close()
  })
})

describe('the process that measures', () => {
  const misbehaving = { path: fileURLToPath(new URL('../arrange/slowMeasurer.mjs', import.meta.url)), execArgv: [] }
  const file = (what: string) => {
    const path = join(folder, what)
    writeFileSync(path, what)
    return path
  }
  it('is ended when it hangs, crashes or hoards, and the next file is measured by another', async () => {
    const measurer = new Measurer(misbehaving, { deadlineMs: 1500, memoryBytes: 200_000_000 })
    const reasons: string[] = []
    for (const what of ['fine', 'fine', 'hang', 'fine', 'crash', 'fine', 'hoard', 'fine']) {
      const answer = await measurer.measure(file(what))
      reasons.push(answer.ok ? 'ok' : answer.reason)
    }
    const [first, second, hang, third, crash, fourth, hoard, fifth] = reasons
    expect([hang, crash, hoard]).toEqual([
      'Measuring the file takes too long.',
      'The file makes the program that measures it stop.',
      'Measuring the file takes too much memory.',
    ])
    expect(second).toBe(first)
    expect(new Set([first, third, fourth, fifth]).size).toBe(4)
    measurer.close()
  })
  it('is one of several: a file that takes long keeps nobody else waiting', async () => {
    const measurer = new Measurer(misbehaving, { deadlineMs: 6000, memoryBytes: 200_000_000 })
    const order: string[] = []
    const long = measurer.measure(file('hang')).then(() => order.push('hang'))
    for (let count = 0; count < 3; count++) await measurer.measure(file('fine')).then(() => order.push('fine'))
    await long
    expect(order).toEqual(['fine', 'fine', 'fine', 'hang'])
    measurer.close()
  })
  it('that does not start is an answer too', async () => {
    const measurer = new Measurer({ path: join(folder, 'nowhere.mjs'), execArgv: [] })
    expect(await measurer.measure(file('fine'))).toMatchObject({
      ok: false,
      reason: 'The program that measures files does not start.',
    })
  })
})

describe('files that are on their way into several places', () => {
  it('stay while anybody holds them or refers to them, and go with the last', async () => {
    const held = new HeldFiles(database.db, store)
    const bytes = Buffer.from('a lantern that two packs bring')
    const [id] = await Promise.all([held.put(bytes), held.put(bytes)])
    await held.release([id])
    expect(await store.read(id)).toEqual(bytes)
    await held.removeUnused([id])
    expect(await store.read(id)).toEqual(bytes)
    await held.release([id])
    expect(await store.read(id)).toBeNull()
    // What a library has stays, whoever gives it up.
    const [row] = await listMedia(database.db, channelId)
    const kept = await store.read(row?.id ?? '')
    expect(await held.put(kept ?? Buffer.alloc(0))).toBe(row?.id)
    await held.release([row?.id ?? null])
    expect(await store.read(row?.id ?? '')).toEqual(kept)
  })
})

describe('files and the boxes that use them', () => {
  const [from, to] = ['1', '2'].map((digit) => digit.repeat(64)) as [string, string]
  const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
  const document = plainBox(canvas, [starterAlert('follow', canvas, { pictureId: from, soundId: null })])
  beforeAll(() =>
    addBox(database.db, { id: 'box-media', channelId, name: 'Box', draft: document, sourceToken: 'src-media' }),
  )
  const pictureOf = async () => {
    const box = await findBox(database.db, channelId, 'box-media')
    return box?.draft.alerts[0]?.variations[0]?.composition.parts.find((part) => part.kind === 'picture')?.mediaId
  }

  it('are replaced in all drafts, and put back by what that answered', async () => {
    const places = await replaceEverywhere(database.db, channelId, from, to, null)
    expect(Object.keys(places)).toEqual(['box-media'])
    expect(await pictureOf()).toBe(to)
    await replaceEverywhere(database.db, channelId, to, from, places)
    expect(await pictureOf()).toBe(from)
    const box = await findBox(database.db, channelId, 'box-media')
    expect(box?.draftRevision).toBe(2)
    expect(await saveDraft(database.db, 'box-media', 0, document)).toBe(false)
  })
  it('go for good a month after they were deleted, unless something uses them', async () => {
    const bytes = { used: Buffer.from('used'), unused: Buffer.from('unused'), lately: Buffer.from('lately') }
    const ids: Record<string, string> = {}
    for (const [name, content] of Object.entries(bytes)) {
      ids[name] = await store.put(content)
      await addMedia(database.db, {
        id: ids[name],
        channelId,
        name,
        kind: 'picture',
        mime: 'image/png',
        licence: 'own',
        measuredBy: measuringVersion,
      })
      await changeMedia(database.db, channelId, ids[name], {
        deletedAt: new Date(name === 'lately' ? nowMs : nowMs - 40 * 86_400_000),
      })
    }
    await replaceEverywhere(database.db, channelId, from, ids.used ?? '', null)
    nowMs += 1000
    const library = openLibrary()
    await library.resume()
    await library.settled()
    library.close()
    expect(await Promise.all(Object.values(ids).map((id) => store.size(id)))).toEqual([4, null, 6])
  })
})
