import { mkdir, readFile, rm, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Logger } from 'pino'
import { err, ok, type Result } from '../../core/result.ts'
import { Turns } from '../../core/turns.ts'
import type { IntakeView } from '../../contract/media.ts'
import type { Database } from '../db/handle.ts'
import {
  addIntake,
  changeIntake,
  countWaiting,
  forgetOldIntake,
  listIntake,
  requeueMeasuring,
  takeWaiting,
  type IntakeRow,
} from '../db/queries/intake.ts'
import {
  addMedia,
  changeMedia,
  findOwnMedia,
  forgetMedia,
  listDeletedBefore,
  listUnmeasured,
  type MediaRow,
} from '../db/queries/media.ts'
import { mediaTaken } from '../db/queries/keeping.ts'
import type { MeasureAnswer, Measurement } from './measure/measurement.ts'
import type { Measurer } from './measurer.ts'
import type { HeldFiles } from './heldFiles.ts'
import type { MediaStore } from './mediaStore.ts'

/** Raised when measuring finds out more or otherwise: what was measured before is then measured again. */
export const measuringVersion = 2

const sideBySide = 2
const readyIsListedMs = 10 * 60_000
const intakeIsKeptMs = 7 * 24 * 3_600_000
const deletedIsKeptMs = 30 * 24 * 3_600_000

export interface LibraryOptions {
  db: Database
  logger: Logger
  store: MediaStore
  held: HeldFiles
  measurer: Measurer
  /** Where the bytes of arriving files lie under the id of their intake. */
  uploadsFolder: string
  now: () => number
  nodeId: string
  /** Something of a channel's media changed. */
  onChange: (channelId: string) => void
  /** Whether something that was ever designed or put on air refers to a file. */
  isUsed: (channelId: string, mediaId: string) => Promise<boolean>
}

/**
 * Files on their way into the channels' libraries: each waits, is measured, and is ready or refused. All of that is in
 * the database, so a stopped server goes on where it was.
 */
export class MediaLibrary {
  /** Files are taken up side by side: one that takes long keeps nobody else waiting. */
  private readonly pumping = new Set<Promise<void>>()
  private readonly turns = new Turns()
  private readonly again = new Set<string>()
  private isClosed = false
  private readonly revisions = new Map<string, number>()

  constructor(private readonly options: LibraryOptions) {}

  /** Counts up with every change of a channel's media: screens load again when it does. */
  revision(channelId: string): number {
    return this.revisions.get(channelId) ?? 0
  }

  changed(channelId: string): void {
    this.revisions.set(channelId, this.revision(channelId) + 1)
    this.options.onChange(channelId)
  }

  /** Where the bytes of an arriving file lie. */
  uploadPath(id: string): string {
    return join(this.options.uploadsFolder, id)
  }

  waitingCount(channelId: string): Promise<number> {
    return countWaiting(this.options.db, channelId)
  }

  /** What all files of a channel take together. */
  async takenBytes(channelId: string): Promise<number> {
    return (await mediaTaken(this.options.db, channelId)).bytes
  }

  /** Takes a file whose bytes are all there. Kept before this returns. */
  async accept(file: { id: string; channelId: string; name: string; sizeBytes: number }): Promise<void> {
    await addIntake(this.options.db, { ...file, state: 'waiting' })
    this.changed(file.channelId)
    this.pump()
  }

  /**
   * Measures a file that comes in a pack, by the same door as every other, and stores it; it is in no library yet, and held
   * until whoever asked lets go of it.
   * @returns its columns, or why it is refused
   */
  async storeForPack(path: string): Promise<Result<PackedColumns, string>> {
    const { measurer, held } = this.options
    const answer = await measurer.measure(path)
    if (!answer.ok) return err(`${answer.reason} ${answer.advice}`.trim())
    const kept = answer.measurement.converted ?? (await readFile(path))
    return ok({
      id: await held.put(kept),
      sizeBytes: kept.length,
      ...columnsOf(answer.measurement),
      ...(await this.keepPictures(answer.measurement)),
    })
  }

  async listIntake(channelId: string): Promise<IntakeView[]> {
    const rows = await listIntake(this.options.db, channelId, new Date(this.options.now() - readyIsListedMs))
    return rows.map(({ id, name, sizeBytes, state, reason, advice, canDecodeHere, mediaId }) => ({
      id,
      name,
      sizeBytes,
      state,
      reason,
      advice,
      canDecodeHere,
      mediaId,
    }))
  }

  /** Looks for files that are not measured yet: some were added past the door. */
  wake(): void {
    this.pump()
  }

  /** Another process has changed something of a channel's media. */
  changedElsewhere(channelId: string): void {
    this.revisions.set(channelId, this.revision(channelId) + 1)
  }

  /** What nodes that are gone were measuring is measured again. @param alive the nodes that are not */
  async takeOver(alive: readonly string[]): Promise<void> {
    if (await requeueMeasuring(this.options.db, alive)) this.pump()
  }

  /** Goes on with what waits, and puts in order what is old. */
  async resume(): Promise<void> {
    const { db, now } = this.options
    await forgetOldIntake(db, new Date(now() - intakeIsKeptMs))
    await this.forgetDeleted(new Date(now() - deletedIsKeptMs))
    this.pump()
  }

  /** Resolves once nothing waits. */
  async settled(): Promise<void> {
    while (this.pumping.size > 0) await Promise.all(this.pumping)
  }

  close(): void {
    this.isClosed = true
    this.options.measurer.close()
  }

  private pump(): void {
    if (this.pumping.size >= sideBySide || this.isClosed) return
    const pumping = this.work()
      .catch((error: unknown) => this.options.logger.error({ err: error }, 'measuring media stopped'))
      .finally(() => this.pumping.delete(pumping))
    this.pumping.add(pumping)
  }

  private async work(): Promise<void> {
    while (!this.isClosed) {
      const row = await this.turns.take(() => takeWaiting(this.options.db, this.options.nodeId))
      if (row) {
        // There may be more, for another hand.
        this.pump()
        await this.takeIn(row)
        continue
      }
      const unmeasured = await this.turns.take(() => this.nextUnmeasured())
      if (!unmeasured) return
      await this.measureAgain(unmeasured).finally(() => this.again.delete(unmeasured.id))
    }
  }

  /** A file that no measuring of today has seen, and that nobody is looking at just now. */
  private async nextUnmeasured(): Promise<MediaRow | null> {
    const rows = await listUnmeasured(this.options.db, measuringVersion, sideBySide)
    const next = rows.find(({ id }) => !this.again.has(id)) ?? null
    if (next) this.again.add(next.id)
    return next
  }

  private async takeIn(row: IntakeRow): Promise<void> {
    this.changed(row.channelId)
    const path = this.uploadPath(row.id)
    const answer = await this.options.measurer.measure(path)
    if (this.isClosed) return
    if (answer.ok) await this.keep(row, path, answer.measurement)
    else await this.refuse(row, answer)
    // Whether it was taken or refused, nothing of it is left behind here.
    await Promise.all([rm(path, { force: true }), rm(`${path}.json`, { force: true })])
    this.changed(row.channelId)
  }

  private async keep(row: IntakeRow, path: string, measurement: Measurement): Promise<void> {
    const { db, held } = this.options
    const bytes = measurement.converted ?? (await readFile(path))
    const id = await held.put(bytes)
    const pictures = await this.keepPictures(measurement)
    const adding = db.transaction(async (tx) => {
      await addMedia(tx, {
        id,
        channelId: row.channelId,
        name: row.name,
        licence: 'own',
        sizeBytes: bytes.length,
        ...columnsOf(measurement),
        ...pictures,
      })
      await changeIntake(tx, row.id, { state: 'ready', mediaId: id })
    })
    await adding.finally(() => held.release([id, pictures.posterId, pictures.stripId]))
  }

  private async refuse(
    row: IntakeRow,
    { reason, advice, canDecodeInBrowser }: Extract<MeasureAnswer, { ok: false }>,
  ): Promise<void> {
    this.options.logger.info({ intake: row.id, reason }, 'a media file was refused')
    await changeIntake(this.options.db, row.id, { state: 'refused', reason, advice, canDecodeHere: canDecodeInBrowser })
  }

  /** A file that came before there was measuring, or with a product that ships it. */
  private async measureAgain(row: MediaRow): Promise<void> {
    const { db, store, held, measurer, logger } = this.options
    const bytes = await store.read(row.id)
    const path = this.uploadPath(`again-${row.channelId}-${row.id}`)
    let changes: Partial<MediaRow> = { measuredBy: measuringVersion }
    if (bytes) {
      await mkdir(this.options.uploadsFolder, { recursive: true })
      await writeFile(path, bytes)
      const answer = await measurer.measure(path)
      await rm(path, { force: true })
      if (this.isClosed) return
      if (answer.ok)
        changes = {
          ...columnsOf(answer.measurement),
          sizeBytes: bytes.length,
          ...(await this.keepPictures(answer.measurement)),
        }
      else logger.warn({ media: row.id, reason: answer.reason }, 'a media file of the library cannot be measured')
    }
    const now = await findOwnMedia(db, row.channelId, row.id)
    await changeMedia(db, row.channelId, row.id, keepingSight(changes, now)).finally(() =>
      held.release([changes.posterId ?? null, changes.stripId ?? null]),
    )
    this.changed(row.channelId)
  }

  private async keepPictures({
    poster,
    strip,
  }: Measurement): Promise<{ posterId: string | null; stripId: string | null }> {
    const { held } = this.options
    return { posterId: poster && (await held.put(poster)), stripId: strip && (await held.put(strip)) }
  }

  /** Files that were deleted long ago and that nothing uses go for good. */
  private async forgetDeleted(before: Date): Promise<void> {
    const { db, held, isUsed } = this.options
    for (const row of await listDeletedBefore(db, before)) {
      if (await isUsed(row.channelId, row.id)) continue
      await held.removeUnused(await forgetMedia(db, row))
    }
  }
}

/** What a browser saw of a file stays: measuring here does not see it. */
function keepingSight(changes: Partial<MediaRow>, now: MediaRow | null): Partial<MediaRow> {
  const was = now?.measured?.of === 'picture' ? now.measured : null
  const { measured } = changes
  if (!now || !was?.seen || measured?.of !== 'picture' || measured.seen !== null) return changes
  const ownSound = measured.ownSound && {
    ...measured.ownSound,
    heard: measured.ownSound.heard ?? was.ownSound?.heard ?? null,
  }
  return {
    ...changes,
    measured: { ...measured, seen: was.seen, ownSound: ownSound ?? null },
    posterId: now.posterId,
    stripId: now.stripId,
  }
}

/** What is known of a stored file before a channel has it. */
export type PackedColumns = ReturnType<typeof columnsOf> & {
  id: string
  sizeBytes: number
  posterId: string | null
  stripId: string | null
}

/** A measurement as the columns of a file. */
function columnsOf({ kind, mime, measured }: Measurement) {
  const picture = measured.of === 'picture' ? measured : null
  return {
    kind,
    mime,
    measured,
    measuredBy: measuringVersion,
    widthPx: picture?.widthPx ?? null,
    heightPx: picture?.heightPx ?? null,
    durationMs: measured.of === 'font' ? null : measured.durationMs,
  }
}
