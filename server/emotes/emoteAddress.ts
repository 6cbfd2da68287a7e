import { createHmac, timingSafeEqual } from 'node:crypto'
import type { PlayToShow } from '../../contract/sourceMessages.ts'
import { isTextPart } from '../../core/score/resolved.ts'

const sealOf = (url: string, secret: string) =>
  createHmac('sha256', secret).update(`emote ${url}`).digest('base64url').slice(0, 24)

/**
 * Where this server has the picture of an emote. Sealed: it fetches for nobody what it has not named itself. An emote whose
 * picture is in its address stays as it is.
 */
export function ownEmoteUrl(url: string, secret: string): string {
  return /^https?:/i.test(url) ? `/emotes/${sealOf(url, secret)}/${Buffer.from(url).toString('base64url')}` : url
}

/** Where an emote comes from. Null where this server has not sealed it. */
export function outsideEmoteUrl(seal: string, address: string, secret: string): string | null {
  if (address.length > 4000) return null
  const url = Buffer.from(address, 'base64url').toString('utf8')
  const [given, right] = [Buffer.from(seal), Buffer.from(sealOf(url, secret))]
  return given.length === right.length && timingSafeEqual(given, right) ? url : null
}

/**
 * What sources show of a play, with its emotes where this server has them: a page on air asks nobody else, so that nobody
 * else learns where a broadcast comes from.
 * @param own what becomes of an address
 */
export function withOwnEmotes(show: PlayToShow, own: (url: string) => string): PlayToShow {
  const parts = show.score.parts.map((part) => {
    if (isTextPart(part) && part.pieces.some(({ emoteUrl }) => emoteUrl))
      return {
        ...part,
        pieces: part.pieces.map((piece) => (piece.emoteUrl ? { ...piece, emoteUrl: own(piece.emoteUrl) } : piece)),
      }
    if (part.kind === 'particles' && part.sprites.some((sprite) => 'emoteUrl' in sprite))
      return {
        ...part,
        sprites: part.sprites.map((sprite) =>
          'emoteUrl' in sprite ? { ...sprite, emoteUrl: own(sprite.emoteUrl) } : sprite,
        ),
      }
    return part
  })
  return { ...show, score: { ...show.score, parts } }
}
