import { boxVersion, type BoxDocument } from './box.ts'

/** A document as it was once stored: known by its version alone. */
export interface StoredBox {
  version: number
}

type Loose = Record<string, unknown>
type Migration = { from: number; migrate: (document: Loose) => Loose }

const plainText = {
  fit: 'shrink',
  maxLines: 1,
  align: 'middle',
  lineHeight: 1.24,
  letterSpacingEm: 0,
  isUpperCase: false,
  shadow: null,
  letters: null,
}
const plainPicture = {
  fit: 'contain',
  crop: { left: 0, top: 0, right: 0, bottom: 0 },
  repeats: 'loop',
  colour: { mode: 'asIs' },
}

/** What version 2 added to each kind of part that version 1 knew, set so that it draws and sounds as before. */
const newFields: Record<string, Loose> = {
  picture: plainPicture,
  line: plainText,
  sound: { fadeInMs: 0, fadeOutMs: 0 },
  backdrop: {},
}

function migratePart(part: Loose): Loose {
  const kind = String(part.kind)
  const heard = { ...newFields[kind], isLocked: false }
  if (kind === 'sound') return { ...part, ...heard }
  const { entrance, exit } = part.motion as { entrance: Loose; exit: Loose }
  const motion = { entrance: { ...entrance, easing: null }, exit: { ...exit, easing: null } }
  return { rotationDeg: 0, ...part, ...heard, motion, keyframes: [], isHidden: false, groupId: null }
}

function mapList(list: unknown, change: (each: Loose) => Loose): Loose[] {
  return (list as Loose[]).map(change)
}

/**
 * Version 3 levels sounds and lays pictures out by their artwork. What was made before is left as it looked and
 * sounded.
 */
function migrateTo3(part: Loose): Loose {
  if (part.kind === 'picture') return { ...part, extent: 'file' }
  if (part.kind !== 'sound') return part
  const { gainDb, ...sound } = part
  return { ...sound, trimDb: gainDb, isLevelled: false }
}

const levelOfVersion3 = { targetLufs: -16, ceilingDbtp: -1 }

/**
 * Version 6: a look has a glow, says how large its types are and how things move, and has seasons. All of it set so
 * that nothing changes.
 */
function migrateLookTo6(look: Loose): Loose {
  const palette = look.palette as Record<string, string>
  const types = Object.fromEntries(
    Object.entries(look.type as Record<string, Loose>).map(([role, type]) => [
      role,
      { ...type, sizeRatio: 1, trackingEm: 0, outlineRatio: 1 },
    ]),
  )
  const motion = {
    enter: { motion: 'spring', ms: 900, easing: null },
    words: { motion: 'rise', ms: 450, easing: null },
    leave: { motion: 'fade', ms: 300, easing: null },
  }
  return { ...look, palette: { ...palette, glow: palette.accent }, type: types, motion, speedRatio: 1 }
}

/**
 * Version 7: types have a shadow that parts may follow, alerts share sounds, and boxes have packs. Nothing looks or
 * sounds otherwise.
 */
function migrateLookTo7(look: Loose): Loose {
  const types = Object.fromEntries(
    Object.entries(look.type as Record<string, Loose>).map(([role, type]) => [role, { ...type, shadow: null }]),
  )
  return { ...look, type: types, sounds: { arrival: null, support: null, crowd: null } }
}

/** What a new box began with when boxes were given a policy. */
const policyOfVersion9 = [
  { rule: 'gap', isOn: true, ms: 400 },
  {
    rule: 'order',
    isOn: true,
    of: [
      { kind: 'raid', from: null },
      { kind: 'tip', from: 2000 },
    ],
    steps: 2,
  },
  { rule: 'merge', isOn: true, kinds: ['follow'], withinMs: 10_000, below: null, isEvenWritten: false },
  { rule: 'gifts', isOn: true },
  { rule: 'elastic', isOn: true, waiting: 8, lastMs: null },
  { rule: 'airtime', isOn: false, percent: 60 },
  { rule: 'age', isOn: true, kinds: null, ms: 180_000 },
]

const hasWords = ({ kind }: Loose) => kind === 'line' || kind === 'message' || kind === 'ticker'

/** Changes every part of a document, wherever it stands. */
function mapParts(document: Loose, change: (part: Loose) => Loose): Loose[] {
  return mapList(document.alerts, (alert) => ({
    ...alert,
    variations: mapList(alert.variations, (variation) => {
      const composition = variation.composition as Loose
      return { ...variation, composition: { ...composition, parts: mapList(composition.parts, change) } }
    }),
  }))
}

/**
 * Version 5 lets an alert listen to several kinds, and viewers choose. What a membership is called in rules tells it
 * from the level of a surge.
 */
function migrateAlertTo5({ kind, ...alert }: Loose): Loose {
  const isMembership = kind === 'membership' || kind === 'membershipRenewal'
  const renamed = (rule: unknown): unknown =>
    rule && isMembership
      ? {
          ...(rule as Loose),
          of: mapList((rule as Loose).of, (term) =>
            'of' in term
              ? (renamed(term) as Loose)
              : { ...term, field: term.field === 'level' ? 'levelName' : term.field },
          ),
        }
      : rule
  return {
    ...alert,
    kinds: [kind],
    offer: null,
    variations: mapList(alert.variations, (variation) => {
      const composition = variation.composition as Loose
      const parts = mapList(composition.parts, (part) =>
        part.kind === 'picture' || part.kind === 'sound' ? { ...part, takesChoice: false } : part,
      )
      return { ...variation, rule: renamed(variation.rule), composition: { ...composition, version: 4, parts } }
    }),
  }
}

/** One step for each version that ever landed, oldest first. Never edited once it has. */
const migrations: readonly Migration[] = [
  {
    from: 1,
    migrate: (document) => ({
      ...document,
      version: 2,
      zones: [],
      alerts: mapList(document.alerts, (alert) => ({
        ...alert,
        variations: mapList(alert.variations, (variation) => {
          const composition = variation.composition as Loose
          return {
            ...variation,
            composition: { ...composition, version: 2, silenced: [], parts: mapList(composition.parts, migratePart) },
          }
        }),
      })),
    }),
  },
  {
    from: 2,
    migrate: (document) => ({
      ...document,
      version: 3,
      look: { ...(document.look as Loose), soundLevel: levelOfVersion3 },
      alerts: mapList(document.alerts, (alert) => ({
        ...alert,
        variations: mapList(alert.variations, (variation) => {
          const composition = variation.composition as Loose
          return {
            ...variation,
            composition: { ...composition, version: 3, parts: mapList(composition.parts, migrateTo3) },
          }
        }),
      })),
    }),
  },
  {
    // Before there were rules the first variation always played; it still does.
    from: 3,
    migrate: (document) => ({
      ...document,
      version: 4,
      alerts: mapList(document.alerts, (alert) => ({
        ...alert,
        variations: mapList(alert.variations, (variation) => ({ rule: null, share: null, ...variation })),
      })),
    }),
  },
  { from: 4, migrate: (document) => ({ ...document, version: 5, alerts: mapList(document.alerts, migrateAlertTo5) }) },
  {
    from: 5,
    migrate: (document) => ({ ...document, version: 6, look: migrateLookTo6(document.look as Loose), seasons: [] }),
  },
  {
    from: 6,
    migrate: (document) => ({
      ...document,
      version: 7,
      look: migrateLookTo7(document.look as Loose),
      seasons: mapList(document.seasons, (season) => ({ ...season, look: migrateLookTo7(season.look as Loose) })),
      alerts: mapParts(document, (part) => (part.kind === 'sound' ? { ...part, role: null } : part)),
      packs: [],
      design: null,
    }),
  },
  // Version 8: texts may light up as they are read, and alerts may have a voice. Nothing did before.
  {
    from: 7,
    migrate: (document) => ({
      ...document,
      version: 8,
      alerts: mapParts(document, (part) => (hasWords(part) ? { ...part, readAlong: null } : part)),
    }),
  },
  // Version 9: a box says how it behaves when much comes at once. What was made before has what a new one begins with.
  { from: 8, migrate: (document) => ({ ...document, version: 9, policy: policyOfVersion9 }) },
  // Version 10: a video's own sound may be heard. It never was: what was made before stays as silent as it was.
  {
    from: 9,
    migrate: (document) => ({
      ...document,
      version: 10,
      alerts: mapParts(document, (part) =>
        part.kind === 'picture' ? { ...part, ownSound: { isMuted: true, isLevelled: true, trimDb: 0 } } : part,
      ),
    }),
  },
]

/**
 * Brings a stored document to the version of today; one that is of today comes back as it is. What was stored had been
 * checked against the schema of its own time.
 * @throws when the version is newer than this program.
 */
export function migrateBox(stored: StoredBox): BoxDocument {
  let document = stored as unknown as Loose
  for (const { from, migrate } of migrations) if (document.version === from) document = migrate(document)
  if (document.version !== boxVersion)
    throw new Error(`A box document of version ${String(document.version)} is newer than this program`)
  return document as unknown as BoxDocument
}
