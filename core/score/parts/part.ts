import * as z from 'zod'
import type { LiveFields } from '../../board/liveFields.ts'
import { backdrop } from './backdrop/schema.ts'
import { draw } from './draw/schema.ts'
import { bar } from './bar/schema.ts'
import { chat } from './chat/schema.ts'
import { clock } from './clock/schema.ts'
import { sponsor } from './sponsor/schema.ts'
import { list } from './list/schema.ts'
import { tally } from './tally/schema.ts'
import { top } from './top/schema.ts'
import { line } from './line/schema.ts'
import { message } from './message/schema.ts'
import { particles } from './particles/schema.ts'
import { picture } from './picture/schema.ts'
import { shape } from './shape/schema.ts'
import { sound } from './sound/schema.ts'
import { ticker } from './ticker/schema.ts'
import { codeTemplates } from './code/codeTemplates.ts'
import { code } from './code/schema.ts'
import { voice } from './voice/schema.ts'

/**
 * Everything that can stand in a score. A closed union: adding a kind makes the compiler name every table that lacks
 * it (`partKinds.ts`, `resolved.ts`, `shownKinds.ts`, `player/playedKinds.ts`, `app/kinds`).
 */
export const part = z.discriminatedUnion('kind', [
  picture,
  line,
  message,
  sound,
  backdrop,
  particles,
  ticker,
  shape,
  voice,
  draw,
  bar,
  list,
  chat,
  top,
  tally,
  clock,
  sponsor,
  code,
])
export type Part = z.infer<typeof part>
export type PartKind = Part['kind']
/** The parts that boards keep up to date. */
export type LivePart = Extract<Part, LiveFields>
export type LivePartKind = LivePart['kind']
export type PartOf<K extends PartKind> = Extract<Part, { kind: K }>
/** The parts that can be seen: they have a place. */
export type VisiblePart = Extract<Part, { place: unknown }>
/** The parts that are only heard. */
export type HeardPart = Exclude<Part, VisiblePart>
/** The parts that show words in a style. */
export type TextPart = Extract<Part, { maxLines: unknown }>

export function isLivePart(candidate: Part): candidate is LivePart {
  return 'padPx' in candidate
}

export function isVisiblePart(candidate: Part): candidate is VisiblePart {
  return 'place' in candidate
}

/** How a part is heard: by itself, or with the picture of a video; null for what nobody hears in any case. */
export function heardAs(part: Part): HeardPart | PartOf<'picture'>['ownSound'] | null {
  if (part.kind === 'picture') return part.ownSound
  return isVisiblePart(part) ? null : part
}

/** The words of a part that are filled from the event; null where it has none. */
export function templateOf(part: Part): string | null {
  if ('template' in part) return part.template
  return 'face' in part ? part.face.template : null
}

/** All words of a part that are filled from the event. */
export function templatesOf(part: Part): string[] {
  if (part.kind === 'code') return codeTemplates(part)
  const template = templateOf(part)
  return template === null ? [] : [template]
}

/** Gives a part other words; nothing happens where it has none. */
export function changeTemplate(part: Part, to: (template: string) => string): void {
  if ('template' in part) part.template = to(part.template)
  else if ('face' in part) part.face.template = to(part.face.template)
}

export function isTextPart(candidate: Part): candidate is TextPart {
  return 'maxLines' in candidate
}
