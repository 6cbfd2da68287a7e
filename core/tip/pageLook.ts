import { lanternLook } from '../look/lanternLook.ts'
import type { Look } from '../look/schema.ts'

/** What a channel has its public pages coloured after, as `#RRGGBB`. */
export interface PageColours {
  plate: string
  accent: string
}

/** The look of a channel's public pages: that of its alerts, coloured as the channel wishes. Null: it has neither. */
export function pageLook(look: Look | null, colours: PageColours | null): Look | null {
  if (!colours) return look
  const { palette, ...rest } = look ?? lanternLook
  return { ...rest, palette: { ...palette, ...colours } }
}
