import { plainBox } from '../core/composition/plainBox.ts'
import { manifest, manifestVersion, type Manifest, type PackedMedia } from '../core/pack/manifest.ts'
import { alertsOf, type SetMedia } from './alertsOf.ts'
import { boardOf } from './boards.ts'
import { dialsOf } from './dials.ts'
import type { GallerySet } from './set.ts'

/** A set as the pack that it is. @throws where it would be no valid pack */
export function manifestFor(set: GallerySet, media: SetMedia, packed: PackedMedia[]): Manifest {
  const sounds = { arrival: media.sound('arrival'), support: media.sound('support'), crowd: media.sound('crowd') }
  const box = { ...plainBox(set.canvas, alertsOf(set, media)), look: { ...set.look, sounds } }
  return manifest.parse({
    format: 'thundercrest.pack',
    version: manifestVersion,
    id: set.id,
    release: '1.1.0',
    name: set.name,
    author: 'Thundercrest',
    licence: 'CC0-1.0',
    about: set.about,
    box,
    media: packed,
    dials: dialsOf(set, sounds),
    board: boardOf(set),
  })
}
