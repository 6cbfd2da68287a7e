import type { ResolvedScore } from '../core/score/resolved.ts'
import type { TextLayout } from '../core/text/textLayout.ts'
import type { LoadedPicture } from './preload/pictures.ts'
import type { LoadedSound } from './sound/output.ts'

/** A score with everything it needs decoded and measured: it can start in the next frame. */
export interface PreparedScore {
  score: ResolvedScore
  layouts: Map<string, TextLayout>
  /** By part id. */
  pictures: Map<string, LoadedPicture>
  /** What particles are made of, by media id or address. */
  sprites: Map<string, HTMLImageElement>
  sounds: LoadedSound[]
  /** Names of parts and families whose files could not be loaded. The rest plays without them. */
  missing: string[]
}
