import type { BoxDocument, Variation } from '../composition/box.ts'
import type { Composition } from '../composition/schema.ts'
import { copyOf } from '../copyOf.ts'
import { isTextPart, isVisiblePart, type Part } from '../score/parts/part.ts'
import type { Edit } from './change.ts'
import { fieldNames } from './fieldNames.ts'
import { findVariation, type VariationAddress } from './findVariation.ts'
import { pasteMotion, pasteStyle } from './pasteStyle.ts'

/** What can be carried over from one variation to others. */
export const carried = ['style', 'motion', 'layout', 'pictures', 'sounds', 'timing', 'message'] as const
export type Carried = (typeof carried)[number]

/** Single properties that can be carried over: each as it is, where both parts have it. */
export const singleFields = [
  'type',
  'sizePx',
  'floorPx',
  'maxWidthPx',
  'maxLines',
  'align',
  'ink',
  'highlightInk',
  'outline',
  'shadow',
  'letters',
  'letterSpacingEm',
  'lineHeight',
  'isUpperCase',
  'opacity',
  'rotationDeg',
  'widthPx',
  'heightPx',
  'cornerPx',
  'paddingPx',
  'fill',
  'stroke',
  'mediaId',
  'colour',
  'motion',
  'keyframes',
  'trimDb',
  'isLevelled',
  'fadeInMs',
  'fadeOutMs',
  'count',
  'strength',
  'sprites',
  'pxPerS',
  'readAlong',
  'duckDb',
  'lineVoice',
  'messageVoice',
  'pauseMs',
] as const
export type SingleField = (typeof singleFields)[number]

/** Those that some part of a composition has. */
export const fieldsIn = ({ parts }: Composition): SingleField[] =>
  singleFields.filter((field) => parts.some((part) => field in part))

function carryFields(from: Part, to: Part, fields: readonly SingleField[]): void {
  for (const field of fields)
    if (field in from && field in to)
      Object.assign(to, { [field]: copyOf((from as unknown as Record<string, unknown>)[field]) })
}

/**
 * The part of another composition that plays the same role: of the same kind (texts count as one) with the same id,
 * else the same name, else the same place among its kind.
 */
export function counterpartOf(part: Part, from: Composition, to: Composition): Part | null {
  const isAlike = (each: Part) => each.kind === part.kind
  const alike = from.parts.filter(isAlike)
  return (
    alike.find(({ id }) => id === part.id) ??
    alike.find(({ name }) => name === part.name) ??
    alike[to.parts.filter(isAlike).indexOf(part)] ??
    null
  )
}

const copies: Record<Exclude<Carried, 'timing'>, (from: Part, to: Part) => void> = {
  style: (from, to) => {
    if (to.kind !== 'sound' && to.kind !== 'voice' && to.kind !== 'message') pasteStyle(from, to)
  },
  message: (from, to) => {
    if (to.kind === 'message') pasteStyle(from, to)
  },
  motion: pasteMotion,
  layout: layOut,
  pictures: (from, to) => {
    if (from.kind === 'picture' && to.kind === 'picture')
      Object.assign(
        to,
        copyOf({
          mediaId: from.mediaId,
          colour: from.colour,
          extent: from.extent,
          crop: from.crop,
          repeats: from.repeats,
        }),
      )
  },
  sounds: (from, to) => {
    if (from.kind === 'voice' && to.kind === 'voice')
      Object.assign(
        to,
        copyOf({
          lineVoice: from.lineVoice,
          messageVoice: from.messageVoice,
          pauseMs: from.pauseMs,
          trimDb: from.trimDb,
          duckDb: from.duckDb,
          isMuted: from.isMuted,
        }),
      )
    if (from.kind === 'sound' && to.kind === 'sound')
      Object.assign(
        to,
        copyOf({
          mediaId: from.mediaId,
          role: from.role,
          trimDb: from.trimDb,
          isLevelled: from.isLevelled,
          isMuted: from.isMuted,
          fadeInMs: from.fadeInMs,
          fadeOutMs: from.fadeOutMs,
        }),
      )
  },
}

/** Where a part stands and how much room it has. */
function layOut(from: Part, to: Part): void {
  if (!isVisiblePart(from) || !isVisiblePart(to)) return
  to.place = copyOf(from.place)
  to.rotationDeg = from.rotationDeg
  if (isTextPart(from) && isTextPart(to))
    Object.assign(to, { maxWidthPx: from.maxWidthPx, align: from.align, fit: from.fit, maxLines: from.maxLines })
  if ('heightPx' in from && 'heightPx' in to) Object.assign(to, { widthPx: from.widthPx, heightPx: from.heightPx })
}

/** Clips are tied to parts by their ids: an anchor to a part that is not there keeps the target's own clip. */
function timeLike(from: Composition, to: Composition): void {
  to.length = copyOf(from.length)
  const known = new Set(['score', ...to.parts.map(({ id }) => id)])
  const isKnown = (at: string) => known.has(at.split('.')[0] ?? '')
  for (const part of to.parts) {
    const like = counterpartOf(part, from, to)
    if (!like || !isKnown(like.clip.start.at) || (like.clip.end.length === 'until' && !isKnown(like.clip.end.edge.at)))
      continue
    part.clip = copyOf(like.clip)
  }
}

/**
 * Carries what is ticked from one variation to others, as one step. Words stay, and so does whatever has no
 * counterpart.
 */
export function applyToMany(
  source: VariationAddress,
  targets: readonly VariationAddress[],
  what: readonly Carried[],
  fields: readonly SingleField[] = [],
): Edit {
  return {
    label: `apply ${[...what, ...fields.map((field) => fieldNames[field] ?? field)].join(', ')} to ${targets.length}`,
    recipe: (draft) => {
      const from = findVariation(draft, source)?.variation.composition
      if (!from) return
      const pattern = copyOf(from)
      for (const target of targets) {
        const to = findVariation(draft, target)?.variation.composition
        if (!to || to === from) continue
        for (const part of to.parts) {
          const like = counterpartOf(part, pattern, to)
          if (!like) continue
          for (const each of what) if (each !== 'timing') copies[each](like, part)
          carryFields(like, part, fields)
        }
        if (what.includes('timing')) timeLike(pattern, to)
      }
    },
  }
}

/** Every variation of a box but one, in their order. */
export function otherVariations(
  { alerts }: BoxDocument,
  { alertId, variationId }: VariationAddress,
): { address: VariationAddress; variation: Variation }[] {
  return alerts.flatMap((alert) =>
    alert.variations
      .filter(({ id }) => alert.id !== alertId || id !== variationId)
      .map((variation) => ({ address: { alertId: alert.id, variationId: variation.id }, variation })),
  )
}
