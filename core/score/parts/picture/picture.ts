import { fileMs, oneFile, unseen, type PartDefinition } from '../partDefinition.ts'
import { heardOfVideo } from './heardOfVideo.ts'
import { resolvePicture, type ResolvedPicture } from './resolvePicture.ts'
import type { Picture } from './schema.ts'

export const picturePart: PartDefinition<Picture, ResolvedPicture> = {
  resolve: resolvePicture,
  heard: heardOfVideo,
  naturalMs: fileMs,
  letters: () => '',
  files: oneFile(),
  caption: ({ mediaId }) => (mediaId === null ? 'no picture yet' : ''),
  unnoticed: unseen,
  hasOwnPlace: () => true,
  usualSize: ({ widthPx, heightPx }) => ({ widthPx, heightPx }),
}
