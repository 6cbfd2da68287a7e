import type { Look, StyledInk, StyledType, Typeface } from './schema.ts'

/** The colour to draw: a part's own value, else what its role means in this look. `#RRGGBB`. */
export function resolveInk(ink: StyledInk, look: Look): string {
  return 'own' in ink ? ink.own : look.palette[ink.role]
}

/** The typeface to draw: a part's own value, else what its role means in this look. */
export function resolveType(type: StyledType, look: Look): Typeface {
  return 'own' in type ? type.own : look.type[type.role]
}
