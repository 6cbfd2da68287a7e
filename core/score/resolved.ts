import type { Canvas } from '../composition/canvas.ts'
import type { ResolvedBar } from './parts/bar/resolveBar.ts'
import type { ResolvedChat } from './parts/chat/resolveChat.ts'
import type { ResolvedCode } from './parts/code/resolveCode.ts'
import type { ResolvedClock } from './parts/clock/resolveClock.ts'
import type { ResolvedSponsor } from './parts/sponsor/resolveSponsor.ts'
import type { ResolvedList } from './parts/list/resolveList.ts'
import type { ResolvedTally } from './parts/tally/resolveTally.ts'
import type { ResolvedTop } from './parts/top/resolveTop.ts'
import type { ResolvedBackdrop } from './parts/backdrop/resolveBackdrop.ts'
import type { ResolvedDraw } from './parts/draw/resolveDraw.ts'
import type { ResolvedLine } from './parts/line/resolveLine.ts'
import type { ResolvedMessage } from './parts/message/resolveMessage.ts'
import type { ResolvedParticles } from './parts/particles/resolveParticles.ts'
import type { ResolvedPicture } from './parts/picture/resolvePicture.ts'
import type { ResolvedShape } from './parts/shape/resolveShape.ts'
import type { ResolvedSound } from './parts/sound/resolveSound.ts'
import type { ResolvedTicker } from './parts/ticker/resolveTicker.ts'
import type { ResolvedVoice } from './parts/voice/resolveVoice.ts'
import type { ResolvedLiveBase } from '../board/resolvedLive.ts'
import type { EnvelopePoint } from '../audio/ducking.ts'
import type { MediaAddress } from './mediaFacts.ts'
import type { ResolvedText } from '../text/resolvedText.ts'
import type { ResolvedVisible } from './resolvedBase.ts'
import type { SolvedClip } from './solve.ts'

/** Each kind of part, settled. */
export interface ResolvedKinds {
  picture: ResolvedPicture
  line: ResolvedLine
  message: ResolvedMessage
  sound: ResolvedSound
  backdrop: ResolvedBackdrop
  particles: ResolvedParticles
  ticker: ResolvedTicker
  shape: ResolvedShape
  voice: ResolvedVoice
  draw: ResolvedDraw
  bar: ResolvedBar
  list: ResolvedList
  chat: ResolvedChat
  top: ResolvedTop
  tally: ResolvedTally
  clock: ResolvedClock
  sponsor: ResolvedSponsor
  code: ResolvedCode
}
export type ResolvedPart = ResolvedKinds[keyof ResolvedKinds]
export type ResolvedVisiblePart = Extract<ResolvedPart, ResolvedVisible>
/** The parts that boards keep up to date. */
export type ResolvedLivePart = Extract<ResolvedPart, ResolvedLiveBase>
/** The parts that are only heard. */
export type ResolvedHeardPart = Exclude<ResolvedPart, ResolvedVisible>
/** The parts that show words: measured and fitted by the same code. */
export type ResolvedTextPart = Extract<ResolvedPart, ResolvedText>

/** One play, fully settled. What travels to the sources: they need neither schemas nor rules. */
export interface ResolvedScore {
  version: 2
  canvas: Canvas
  lengthMs: number
  parts: ResolvedPart[]
  /** When each part of the composition is there, also of those that have nothing to show this time: solved once, for all. */
  clips: Record<string, SolvedClip>
  media: Record<string, MediaAddress>
  /** Where the channel's own fonts are fetched that the texts use, by family; what ships is not listed. */
  fonts?: Record<string, FontAddress>
  /** Families beyond the parts' own that the texts need (scripts, emoji), in fallback order. */
  fallbackFamilies: string[]
  /** How sounds go down while a voice speaks; absent where none does. */
  duck?: EnvelopePoint[]
  remarks: SolverRemark[]
}

/** A font file, and its lightest and heaviest weight. */
export interface FontAddress {
  url: string
  weights: [number, number]
}

/** Something that had to give way when anchors were solved. */
export interface SolverRemark {
  type: 'phasesShrunk' | 'cutOff'
  partId: string
}

export function isSeenPart(part: ResolvedPart): part is ResolvedVisiblePart {
  return 'place' in part
}

export function isLivePart(part: ResolvedPart): part is ResolvedLivePart {
  return 'wantKey' in part
}

export function isTextPart(part: ResolvedPart): part is ResolvedTextPart {
  return 'pieces' in part
}
