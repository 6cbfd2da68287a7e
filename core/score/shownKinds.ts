import { duckedDb } from '../audio/ducking.ts'
import { evaluateText } from '../text/evaluateText.ts'
import type { TextLayout } from '../text/textLayout.ts'
import { evaluateBackdrop, type Hugged } from './parts/backdrop/evaluateBackdrop.ts'
import { evaluateCode } from './parts/code/evaluateCode.ts'
import { evaluateDraw } from './parts/draw/evaluateDraw.ts'
import { evaluateParticles } from './parts/particles/evaluateParticles.ts'
import { evaluatePicture } from './parts/picture/evaluatePicture.ts'
import { evaluateShape } from './parts/shape/evaluateShape.ts'
import { evaluateSound } from './parts/sound/evaluateSound.ts'
import { evaluateTicker } from './parts/ticker/evaluateTicker.ts'
import { evaluateVoice } from './parts/voice/evaluateVoice.ts'
import {
  isLivePart,
  isSeenPart,
  type ResolvedHeardPart,
  type ResolvedLivePart,
  type ResolvedKinds,
  type ResolvedScore,
  type ResolvedTextPart,
  type ResolvedVisiblePart,
} from './resolved.ts'
import type { SoundState, VisualState, VisualStates } from './sceneState.ts'

/** How each text of the score was fitted, by part id. */
export type TextLayouts = ReadonlyMap<string, TextLayout>

/** What a kind of part is once it is settled, where it can be seen. Without a schema: the player knows it, too. */
interface SeenKind<R extends ResolvedVisiblePart, S> {
  /** What is to be drawn of it at a moment inside its clip; null for nothing. */
  at(part: R, tMs: number, score: ResolvedScore, layouts: TextLayouts): S | null
  /** What a plate that hugs it lies under; null where there is nothing yet, and for kinds that no plate hugs. */
  hugged: ((part: R, layouts: TextLayouts) => Hugged | null) | null
  /** It keeps to its box, and is hit there: particles fly everywhere. */
  isBounded: boolean
}

/** What a kind of part sounds like at a moment inside its clip; null for silence. */
type HeardKind<R extends ResolvedHeardPart> = (part: R, tMs: number, score: ResolvedScore) => SoundState | null

const textKind = <R extends ResolvedTextPart>(): SeenKind<R, VisualState & { kind: R['kind'] }> => ({
  at(part, tMs, { canvas }, layouts) {
    const layout = layouts.get(part.id)
    return layout ? (evaluateText(part, layout, tMs, canvas) as unknown as VisualState & { kind: R['kind'] }) : null
  },
  hugged(part, layouts) {
    const layout = layouts.get(part.id)
    return layout ? { place: part.place, widthPx: layout.widthPx, heightPx: layout.heightPx } : null
  },
  isBounded: true,
})

const seenKinds: { [K in keyof VisualStates]: SeenKind<ResolvedKinds[K], VisualStates[K]> } = {
  picture: {
    at: (part, tMs, { canvas }) => evaluatePicture(part, tMs, canvas),
    hugged: (part) => part,
    isBounded: true,
  },
  shape: { at: (part, tMs, { canvas }) => evaluateShape(part, tMs, canvas), hugged: (part) => part, isBounded: true },
  draw: { at: (part, tMs, { canvas }) => evaluateDraw(part, tMs, canvas), hugged: null, isBounded: true },
  code: { at: (part, tMs, { canvas }) => evaluateCode(part, tMs, canvas), hugged: (part) => part, isBounded: true },
  line: textKind(),
  message: textKind(),
  ticker: {
    at(part, tMs, { canvas }, layouts) {
      const layout = layouts.get(part.id)
      return layout ? evaluateTicker(part, layout, tMs, canvas) : null
    },
    hugged: null,
    isBounded: true,
  },
  backdrop: {
    at: (part, tMs, score, layouts) => evaluateBackdrop(part, huggedBy(part.hugs, score, layouts), tMs, score.canvas),
    hugged: null,
    isBounded: true,
  },
  particles: {
    at: (part, tMs, { canvas }) => evaluateParticles(part, tMs, canvas),
    hugged: null,
    isBounded: false,
  },
}

const heardKinds: { [K in ResolvedHeardPart['kind']]: HeardKind<ResolvedKinds[K]> } = {
  sound(part, tMs, { duck }) {
    const state = evaluateSound(part, tMs)
    state.gainDb += duckedDb(duck, tMs)
    return state
  },
  voice: evaluateVoice,
}

/** Parts that need nothing but their score to be drawn. */
type StillPart = Exclude<ResolvedVisiblePart, ResolvedLivePart>

// The tables pair each kind with its own parts; the compiler cannot follow one key through both.
const seen = (kind: keyof VisualStates) => seenKinds[kind] as SeenKind<StillPart, VisualState>

/** What is to be drawn of a part that can be seen, at a moment inside its clip; null for nothing. */
export const shownOf = (part: StillPart, tMs: number, score: ResolvedScore, layouts: TextLayouts) =>
  seen(part.kind).at(part, tMs, score, layouts)

/** What is heard of a part that cannot be seen, at a moment inside its clip; null for silence. */
export const soundOf = (part: ResolvedHeardPart, tMs: number, score: ResolvedScore) =>
  (heardKinds[part.kind] as HeardKind<ResolvedHeardPart>)(part, tMs, score)

/** Whether a kind keeps to its box, and is hit there: what is kept up to date always does. */
export const isBounded = ({ kind }: Pick<VisualState, 'kind'>): boolean =>
  !(kind in seenKinds) || seenKinds[kind as keyof VisualStates].isBounded

/** Whether plates can hug parts of a kind. */
export const canBeHugged = ({ kind }: { kind: keyof ResolvedKinds }): boolean =>
  kind in seenKinds && seenKinds[kind as keyof VisualStates].hugged !== null

// Asked in every frame: nothing is made for parts that are not hugged.
function huggedBy(ids: readonly string[], { parts }: ResolvedScore, layouts: TextLayouts): Hugged[] {
  const hugged: Hugged[] = []
  if (ids.length === 0) return hugged
  for (const part of parts) {
    if (!isSeenPart(part) || isLivePart(part) || !ids.includes(part.id)) continue
    const box = seen(part.kind).hugged?.(part, layouts)
    if (box) hugged.push(box)
  }
  return hugged
}
