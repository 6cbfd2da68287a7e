import { levelOf } from '../../contract/mediaFacts.ts'
import type { MediaView } from '../../contract/views.ts'
import { levellingOf, usualLevel } from '../../core/audio/level.ts'

/** The gain at which a file is heard once it is levelled to what is usual; none while it has not been measured. */
export function gainFor({ measured }: MediaView): number {
  const level = measured?.of === 'sound' ? levelOf(measured) : null
  return level ? levellingOf(level, usualLevel).gainDb : 0
}
