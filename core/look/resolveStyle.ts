import type { Phase, StyledPhase } from '../motion/schema.ts'
import type { Look, RoleTypeface, StyledInk, StyledShadow, StyledType, TextShadow } from './schema.ts'

/** The colour to draw: a part's own value, else what its role means in this look. `#RRGGBB`. */
export function resolveInk(ink: StyledInk, look: Look): string {
  return 'own' in ink ? ink.own : look.palette[ink.role]
}

/** A type role that leaves texts as large and as far apart as they say themselves. */
export const asDesigned = { sizeRatio: 1, trackingEm: 0, outlineRatio: 1, shadow: null }

/** The typeface to draw: a part's own value as it is, else what its role means in this look. */
export function resolveType(type: StyledType, look: Look): RoleTypeface {
  return 'own' in type ? { ...type.own, ...asDesigned } : look.type[type.role]
}

/** A phase as a part's own: what it is, without following anything. */
export function ownPhase(styled: StyledPhase, look: Pick<Look, 'motion'>): Phase {
  return 'role' in styled ? look.motion[styled.role] : styled
}

/**
 * How a part enters or leaves: its own way, else what its role means in this look; as fast as the look has everything.
 */
export function resolvePhase(styled: StyledPhase, look: Look): Phase {
  const phase = ownPhase(styled, look)
  return look.speedRatio === 1 ? phase : { ...phase, ms: Math.round(phase.ms / look.speedRatio) }
}

/** A shadow as it is drawn, its ink settled; null: none. */
export function resolveShadow(
  styled: StyledShadow | null,
  look: Look,
): (Omit<TextShadow, 'ink'> & { ink: string }) | null {
  const shadow = styled && 'role' in styled ? look.type[styled.role].shadow : styled
  return shadow && { xPx: shadow.xPx, yPx: shadow.yPx, blurPx: shadow.blurPx, ink: resolveInk(shadow.ink, look) }
}
