import type { ResolvedLivePart, ResolvedPart, ResolvedScore } from '../core/score/resolved.ts'
import type { ShowLive } from '../core/score/sceneAt.ts'
import type { TextLayout } from '../core/text/textLayout.ts'
import type { LoadedPicture } from './preload/pictures.ts'
import type { PlayedKind } from './playedKinds.ts'
import type { LoadedSound } from './sound/output.ts'

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
  sounds: LoadedSound[]
  /** Names of parts and families whose files could not be loaded. The rest plays without them. */
  missing: string[]
}
