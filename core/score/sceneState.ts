import type { BarState } from './parts/bar/evaluateBar.ts'
import type { ChatState } from './parts/chat/evaluateChat.ts'
import type { CodeState } from './parts/code/evaluateCode.ts'
import type { ClockState } from './parts/clock/evaluateClock.ts'
import type { SponsorState } from './parts/sponsor/evaluateSponsor.ts'
import type { ListState } from './parts/list/evaluateList.ts'
import type { TallyState } from './parts/tally/evaluateTally.ts'
import type { TopState } from './parts/top/evaluateTop.ts'
import type { BackdropState } from './parts/backdrop/evaluateBackdrop.ts'
import type { DrawState } from './parts/draw/evaluateDraw.ts'
import type { ParticlesState } from './parts/particles/evaluateParticles.ts'
import type { PictureState } from './parts/picture/evaluatePicture.ts'
import type { ShapeState } from './parts/shape/evaluateShape.ts'
import type { TickerState } from './parts/ticker/evaluateTicker.ts'
import type { TextState } from '../text/evaluateText.ts'

/** What there is to draw of each kind of part that a board keeps up to date. */
export interface LiveStates {
  bar: BarState
  list: ListState
  chat: ChatState
  top: TopState
  tally: TallyState
  clock: ClockState
  sponsor: SponsorState
}

/** What there is to draw of each kind of part that can be seen. */
export interface VisualStates {
  picture: PictureState
  line: TextState & { kind: 'line' }
  message: TextState & { kind: 'message' }
  ticker: TickerState
  backdrop: BackdropState
  shape: ShapeState
  particles: ParticlesState
  draw: DrawState
  code: CodeState
}
/** A text that was fitted into its room. */
export type FittedTextState = VisualStates['line' | 'message']

/** One thing to draw. In drawing order, the first lies at the back. */
export type VisualState = VisualStates[keyof VisualStates] | LiveStates[keyof LiveStates]

/** A sound that should be heard right now, and from which moment of its file. */
export interface SoundState {
  partId: string
  mediaId: string
  sourceOffsetMs: number
  gainDb: number
}

/** Everything seen and heard at one moment of a score. */
export interface SceneState {
  visuals: VisualState[]
  sounds: SoundState[]
}
