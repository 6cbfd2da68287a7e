import type { ResolvedLivePart, ResolvedPart, ResolvedScore } from '../core/score/resolved.ts'
import type { ShowLive } from '../core/score/sceneAt.ts'
import type { TextLayout } from '../core/text/textLayout.ts'
import type { LoadedPicture } from './preload/pictures.ts'
import type { Painter } from './painters/paint.ts'
import type { FrameFont } from './frame/frameFonts.ts'
import type { FontUse } from './preload/fonts.ts'
import type { LoadedSound } from './sound/mix.ts'
import type { SoundLoader } from './sound/output.ts'

/** What playing a kind of part takes, once it is settled. */
export interface PlayedKind<R extends ResolvedPart> {
  /**
   * Loads what it needs; each promise puts what it loaded where it belongs in `prepared`, and rejects for a file that is
   * missing or broken.
   * @param output null where nothing is to be heard
   */
  load(part: R, prepared: PreparedScore, output: SoundLoader | null): Promise<unknown>[]
  /** The letters that it needs, in which type. */
  fonts(part: R): FontUse[]
  /** Its painter; null for what is only heard, and for a text that was not measured. */
  paint(part: R, prepared: PreparedScore): Painter | null
  /** What its painter is built from beside itself, as JSON. */
  builtFrom(part: R, prepared: PreparedScore): unknown
}

/** What plays the parts that a board keeps up to date. Alerts have none of it. */
export interface BoardPlay {
  playedAs(part: ResolvedLivePart): PlayedKind<ResolvedPart>
  showLive: ShowLive
}

/** A score with everything it needs decoded and measured: it can start in the next frame. */
export interface PreparedScore {
  score: ResolvedScore
  board: BoardPlay | null
  layouts: Map<string, TextLayout>
  /** By part id. */
  pictures: Map<string, LoadedPicture>
  /** What particles are made of, by media id or address. */
  sprites: Map<string, HTMLImageElement>
  /** Typefaces of documents of their own, by part id. */
  frameFonts: Map<string, FrameFont[]>
  sounds: LoadedSound[]
  /** Names of parts and families whose files could not be loaded. The rest plays without them. */
  missing: string[]
}
