import * as z from 'zod'
import { mediaId } from '../composition/mediaId.ts'
import { boxDocument, standsOnBoards, type BoxDocument } from '../composition/box.ts'
import { migrateBox, type StoredBox } from '../composition/migrateBox.ts'
import { findUnstorable } from '../json/unstorable.ts'
import { parseBounded } from '../json/jsonBounds.ts'
import { composition, type Composition } from '../composition/schema.ts'
import { mediaUses } from '../library/mediaUses.ts'
import { mediaOfPart } from '../library/partMedia.ts'
import { err, ok, type Result } from '../result.ts'
import { trigger, type Trigger } from '../triggers/schema.ts'
import { dial, type Dial } from './dial.ts'
import { packHead } from './design.ts'
import { readPacked, soundsOfTriggers } from './packedTriggers.ts'
import { stepsOf } from './places.ts'

/**
 * The version of the manifest's form. What an older one holds is brought up to date where it is read. A pack says the
 * oldest that has all that it holds, so that older programs still take it: triggers came with the second, boards with the
 * third.
 */
export const manifestVersion = 3
const versionWithTriggers = 2
export const versionOf = ({ triggers, board }: Pick<Manifest, 'triggers' | 'board'>): number => {
  if (board !== undefined) return manifestVersion
  return triggers === undefined ? 1 : versionWithTriggers
}

const words = (most: number) => z.string().max(most)

/** A file of a pack. Its name in the zip is made from its content. */
const packedMedia = z.strictObject({
  id: mediaId,
  file: z.string().regex(/^media\/[0-9a-f]{64}$/),
  name: z.string().min(1).max(200),
  kind: z.enum(['picture', 'sound', 'font']),
  mime: z.string().min(3).max(100),
  sizeBytes: z.int().min(1),
  licence: words(200),
})
export type PackedMedia = z.infer<typeof packedMedia>

/** What a designer hands out, as `manifest.json` of the zip says it. */
export const manifest = z.strictObject({
  format: z.literal('thundercrest.pack'),
  version: z.int().min(1).max(manifestVersion),
  ...packHead,
  name: z.string().min(1).max(80),
  box: boxDocument,
  media: z.array(packedMedia).max(500),
  dials: z.array(dial).max(60),
  /** What viewers can set off with it. Left out where there is nothing. */
  triggers: z.array(trigger).min(1).max(50).optional(),
  /** The scene of a board in the same look, for a canvas as the box has it. Left out where there is none. */
  board: composition.refine(({ parts }) => parts.every(standsOnBoards), 'a part has no place on a board').optional(),
})
export type Manifest = z.infer<typeof manifest>

/** The manifest as its file: the same bytes for the same pack. */
export const manifestText = (of: Manifest): string => `${JSON.stringify(manifest.parse(of), null, 2)}\n`

/** The files that a pack needs: what parts, offers, looks, seasons and triggers name, and what dials put in their places. */
export function neededMedia(
  box: BoxDocument,
  dials: readonly Dial[] = [],
  triggers: readonly Trigger[] = [],
  board: Pick<Composition, 'parts'> = { parts: [] },
): string[] {
  const offered = dials.flatMap((dial) =>
    dial.kind === 'picture' || dial.kind === 'sound'
      ? [dial.initial]
      : dial.bindings.flatMap(({ transform }) =>
          transform.as === 'choose'
            ? Object.values(transform.of).filter((value): value is string => mediaId.safeParse(value).success)
            : [],
        ),
  )
  const named = [...mediaUses(box).map((use) => use.mediaId), ...board.parts.flatMap(mediaOfPart)]
  return [...new Set([...named, ...offered, ...soundsOfTriggers(triggers)])].sort()
}

const manifestBounds = { depth: 64, values: 500_000 }
/** So many places all dials of a pack together may walk through: a fifth of a second where it is turned. */
const dialWorkMost = 300_000

/** How many places the dials of a pack walk through; null where one of them alone walks too far. */
function workOfDials({ box, dials }: Pick<Manifest, 'box' | 'dials'>): number | null {
  let sum = 0
  // The same path walks the same way.
  const known = new Map<string, number>()
  for (const { bindings } of dials) {
    for (const { path } of bindings) {
      const steps = known.get(path) ?? stepsOf(box, path)
      if (steps === null) return null
      known.set(path, steps)
      sum += steps
      if (sum > dialWorkMost) return sum
    }
  }
  return sum
}

/**
 * Reads a manifest, whatever it is.
 * @returns an error in words for a form that is newer, one that does not fit (with its path), or a box that needs files
 * it does not bring
 */
export function readManifest(text: string): Result<Manifest, string> {
  const parsed = parseBounded(text, manifestBounds)
  if (!parsed.ok)
    return err(parsed.error.isTooMuch ? `manifest.json: ${parsed.error.words}` : 'manifest.json is not JSON.')
  if (findUnstorable(parsed.value) !== null)
    return err('manifest.json has characters in it that cannot be kept: NUL, or half of a pair.')
  const head = z
    .looseObject({
      format: z.literal('thundercrest.pack'),
      version: z.int().min(1),
      box: z.looseObject({ version: z.int().min(1) }),
    })
    .safeParse(parsed.value)
  if (!head.success) return err('manifest.json is not the manifest of a pack.')
  if (head.data.version > manifestVersion)
    return err(
      `The pack was made with a newer Thundercrest: its form is ${head.data.version}, this one reads up to ${manifestVersion}.`,
    )
  let box: BoxDocument
  try {
    box = migrateBox(head.data.box as StoredBox)
  } catch {
    return err('The alerts of the pack were made with a newer Thundercrest.')
  }
  // What a pack was made of is nothing that it hands on.
  const checked = manifest.safeParse({ ...head.data, box: { ...box, packs: [], design: null } })
  const issue = checked.error?.issues[0]
  if (!checked.success)
    return err(`manifest.json, ${issue?.path.map(String).join(' › ') ?? ''}: ${issue?.message ?? 'does not fit'}`)
  const work = workOfDials(checked.data)
  if (work === null || work > dialWorkMost)
    return err(
      'The dials of the pack turn more places than a pack has. Name the places that they turn, with fewer stars.',
    )
  const brought = new Set(checked.data.media.map(({ id }) => id))
  const missing = neededMedia(checked.data.box, checked.data.dials, checked.data.triggers, checked.data.board).filter(
    (id) => !brought.has(id),
  )
  if (missing.length > 0)
    return err(`The pack needs ${missing.length === 1 ? 'a file' : `${missing.length} files`} that it does not bring.`)
  const { triggers, ...rest } = checked.data
  return ok(triggers ? { ...rest, triggers: readPacked(triggers) } : rest)
}
