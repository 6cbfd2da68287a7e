import { originRatio } from '../../../composition/originRatio.ts'
import { resolveInk } from '../../../look/resolveStyle.ts'
import { randomAt, seedOf } from '../../../random.ts'
import type { ResolvedVisible } from '../../resolvedBase.ts'
import type { SolvedClip } from '../../solve.ts'
import type { PartContext } from '../../../settle/partContext.ts'
import { settleVisible } from '../../../settle/settleVisible.ts'
import { maxParticles, type Particles } from './schema.ts'

/** A sprite with its colour or address settled. */
export type ResolvedSprite = { form: string; ink: string } | { mediaId: string } | { emoteUrl: string }

type Emission = Pick<
  Particles,
  | 'emitter'
  | 'overMs'
  | 'lifeMs'
  | 'speedPxPerS'
  | 'directionDeg'
  | 'spreadDeg'
  | 'gravityPxPerS2'
  | 'windPxPerS'
  | 'dragPerS'
  | 'spinDegPerS'
  | 'sizePx'
  | 'endSizeRatio'
  | 'fadeInRatio'
  | 'fadeOutRatio'
>

export interface ResolvedParticles extends ResolvedVisible, Emission {
  kind: 'particles'
  /** Where particles begin, in canvas pixels. */
  area: { xPx: number; yPx: number; widthPx: number; heightPx: number }
  count: number
  sprites: ResolvedSprite[]
  seed: number
}

/**
 * Settles an emitter. A zone that is gone means the whole canvas; sprites that need emotes and find none leave their
 * place to the others.
 */
export function resolveParticles(part: Particles, times: SolvedClip, context: PartContext): ResolvedParticles {
  const {
    emitter,
    overMs,
    lifeMs,
    directionDeg,
    spreadDeg,
    gravityPxPerS2,
    windPxPerS,
    dragPerS,
    spinDegPerS,
    sizePx,
    endSizeRatio,
    fadeInRatio,
    fadeOutRatio,
    strength,
  } = part
  return {
    kind: 'particles',
    ...settleVisible(part, times, context.look),
    area: areaOf(part, context),
    emitter,
    overMs,
    lifeMs,
    directionDeg,
    spreadDeg,
    gravityPxPerS2,
    windPxPerS,
    dragPerS,
    spinDegPerS,
    sizePx,
    endSizeRatio,
    fadeInRatio,
    fadeOutRatio,
    speedPxPerS: { from: part.speedPxPerS.from * strength, to: part.speedPxPerS.to * strength },
    count: Math.max(1, Math.min(maxParticles, Math.round(part.count * strength))),
    sprites: spritesOf(part, context),
    seed: part.seed ?? Math.floor(randomAt(context.seed, seedOf(part.id)) * 4_294_967_296),
  }
}

function areaOf(part: Particles, { canvas, zones }: PartContext): ResolvedParticles['area'] {
  if (part.area.of === 'own') {
    const ratio = originRatio[part.place.origin]
    return {
      xPx: part.place.xPx - ratio.x * part.widthPx,
      yPx: part.place.yPx - ratio.y * part.heightPx,
      widthPx: part.widthPx,
      heightPx: part.heightPx,
    }
  }
  const { area } = part
  const zone = area.of === 'zone' ? zones.find((each) => each.id === area.zoneId) : undefined
  return zone
    ? { xPx: zone.xPx, yPx: zone.yPx, widthPx: zone.widthPx, heightPx: zone.heightPx }
    : { xPx: 0, yPx: 0, widthPx: canvas.widthPx, heightPx: canvas.heightPx }
}

function spritesOf(part: Particles, { look, message }: PartContext): ResolvedSprite[] {
  const sprites: ResolvedSprite[] = []
  for (const sprite of part.sprites) {
    if (sprite.from === 'form') sprites.push({ form: sprite.form, ink: resolveInk(sprite.ink, look) })
    else if (sprite.from === 'picture') sprites.push({ mediaId: sprite.mediaId })
    else for (const url of new Set(message?.emotes.map((emote) => emote.url))) sprites.push({ emoteUrl: url })
  }
  return sprites
}

/** How long an emitter's particles fly, from its first to the death of its last. Milliseconds. */
export function flightMs(part: Pick<Particles, 'overMs' | 'lifeMs'>): number {
  return part.overMs + part.lifeMs.to
}
