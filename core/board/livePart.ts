import type { LiveFields } from './liveFields.ts'
import type { ResolvedLiveBase } from './resolvedLive.ts'
import { noFiles, unseen, type PartDefinition } from '../score/parts/partDefinition.ts'

type Own<P, R extends ResolvedLiveBase> = Pick<PartDefinition<P, R>, 'resolve' | 'caption'> &
  Partial<Pick<PartDefinition<P, R>, 'files' | 'unnoticed'>>

/** A kind of part that a board keeps up to date: it lasts as long as the board does, and its letters come with what it is told. */
export const livePart = <P extends LiveFields, R extends ResolvedLiveBase>(own: Own<P, R>): PartDefinition<P, R> => ({
  naturalMs: () => null,
  letters: () => '',
  files: noFiles(),
  unnoticed: unseen,
  hasOwnPlace: () => true,
  usualSize: ({ widthPx, heightPx }) => ({ widthPx, heightPx }),
  ...own,
})

/** Why nobody reads what says nothing. */
export const wordless = (part: { says: string; opacity: number }): string | null =>
  unseen(part) ?? (part.says.trim() === '' ? 'without words' : null)
