import type { MediaView } from '../../contract/views.ts'
import { levelledBy, levellingOf, usualLevel, type SoundLevel } from '../../core/audio/level.ts'

/** The gain at which a file is heard once it is levelled; none while it has not been measured. */
export function gainFor({ measured }: MediaView, wanted: SoundLevel = usualLevel): number {
  if (measured?.of !== 'sound' || !measured.loudness) return 0
  const level = levelledBy(measured.loudness, measured.durationMs)
  return level ? levellingOf(level, wanted).gainDb : 0
}
