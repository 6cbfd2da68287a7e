import sharp from 'sharp'
import * as z from 'zod'
import { isSame } from '../../../core/isSame.ts'
import { parseBounded } from '../../../core/json/jsonBounds.ts'
import { limits } from './limits.ts'
import type { Measurement } from './measurement.ts'
import { Refusal } from './refusal.ts'
import { expandedSize } from './vectorSize.ts'

const exportAgain = 'Export the animation again with pictures and shapes inside and without expressions.'
const bounds = { depth: 120, values: 600_000 }

const fields = z.record(z.string(), z.unknown())
const animation = z.looseObject({
  v: z.string(),
  fr: z.number().positive().max(240),
  ip: z.number().min(-1e12).max(1e12),
  op: z.number().min(-1e12).max(1e12),
  w: z.number().positive().max(limits.sidePx),
  h: z.number().positive().max(limits.sidePx),
  layers: z.array(fields).min(1),
  assets: z.array(fields).max(limits.vectorLayers).optional(),
  chars: z.array(fields).optional(),
})
type Vector = z.infer<typeof animation>

/** Whether text is JSON that looks like a vector animation. */
export function looksLikeVector(text: string): boolean {
  return /^\s*\{/.test(text) && /"layers"\s*:/.test(text) && /"op"\s*:/.test(text)
}

/**
 * A Lottie animation: checked here, drawn by the browser's library, which is built without the evaluator of expressions. What
 * is kept of it is written anew: without fonts, whose addresses that library would load, and with pictures only as they stand
 * in the file.
 */
export async function measureVector(bytes: Uint8Array): Promise<Measurement> {
  const checked = animation.safeParse(parse(new TextDecoder().decode(bytes)))
  if (!checked.success)
    throw new Refusal('The animation’s JSON is not a Lottie animation that can be played.', exportAgain)
  const { fr, ip, op, w, h } = checked.data
  const durationMs = Math.round(((op - ip) * 1000) / fr)
  if (!(durationMs > 0)) throw new Refusal('The animation has no length.', exportAgain)
  if (durationMs > limits.vectorMs)
    throw new Refusal('The animation is longer than a minute.', 'Make it shorter, or a WebM video.')
  const { layers, shapes, isEndless } = expandedSize(checked.data)
  if (isEndless) throw new Refusal('The animation contains itself.', exportAgain)
  if (layers > limits.vectorLayers)
    throw new Refusal(
      `The animation has ${layers} layers; ${limits.vectorLayers} are the most.`,
      'Export it as a WebM video.',
    )
  if (shapes > limits.vectorShapes)
    throw new Refusal(
      `The animation draws ${shapes} shapes; ${limits.vectorShapes} are the most.`,
      'Export it as a WebM video.',
    )
  refusePrograms(checked.data)
  const kept = await withinItself(checked.data)
  return {
    kind: 'picture',
    mime: 'video/lottie+json',
    measured: {
      of: 'picture',
      widthPx: Math.round(w),
      heightPx: Math.round(h),
      frameCount: Math.max(1, Math.round(op - ip)),
      frameMs: [],
      durationMs,
      ownSound: null,
      codec: 'lottie',
      seen: null,
    },
    poster: null,
    strip: null,
    // Most files have nothing that has to go: they stay as they are, to the byte.
    converted: isSame(kept, checked.data) ? null : Buffer.from(JSON.stringify(kept)),
  }
}

function parse(text: string): unknown {
  const parsed = parseBounded(text, bounds)
  if (parsed.ok) return parsed.value
  if (parsed.error.isTooMuch)
    throw new Refusal(`The animation is too involved: ${parsed.error.words}`, 'Export it as a WebM video.')
  throw new Refusal('The file ends or breaks in the middle of its JSON.', exportAgain)
}

/** The animation with nothing that lies elsewhere. */
async function withinItself({ fonts, chars, assets, ...rest }: Vector): Promise<Record<string, unknown>> {
  const hasText = [rest.layers, ...(assets ?? []).map((asset) => asset.layers)]
    .filter(Array.isArray)
    .some((layers) => (layers as { ty?: unknown }[]).some((layer) => layer?.ty === 5))
  if (hasText && !chars?.length)
    throw new Refusal(
      'The animation writes words in a font that is not in the file.',
      'Turn its words into shapes, or export it with its letters (glyphs).',
    )
  return {
    ...rest,
    ...(hasText ? { fonts: { list: fontNames(fonts) }, chars } : {}),
    ...(assets ? { assets: await Promise.all(assets.map(withinFile)) } : {}),
  }
}

const isText = (value: unknown): value is string => typeof value === 'string' && value.length <= 200

/** What letters refer to their font by; nothing of where it would come from. */
function fontNames(fonts: unknown): Record<string, unknown>[] {
  const list = (fonts as { list?: unknown } | undefined)?.list
  return (Array.isArray(list) ? (list as Record<string, unknown>[]) : []).slice(0, 50).map((font) => ({
    ...(isText(font.fName) ? { fName: font.fName } : {}),
    ...(isText(font.fFamily) ? { fFamily: font.fFamily } : {}),
    ...(isText(font.fStyle) ? { fStyle: font.fStyle } : {}),
    ...(typeof font.ascent === 'number' ? { ascent: font.ascent } : {}),
  }))
}

/** A part of the animation that others refer to: layers, or a picture that stands in the file. */
async function withinFile(asset: Record<string, unknown>): Promise<Record<string, unknown>> {
  if (Array.isArray(asset.layers)) return asset
  const { p, w, h, id } = asset
  const base64 =
    typeof p === 'string' ? /^data:image\/(?:png|jpeg|webp|gif);base64,([\w+/=]+)$/.exec(p)?.[1] : undefined
  if (base64 === undefined) throw new Refusal('The animation loads pictures from elsewhere.', exportAgain)
  const facts = await sharp(Buffer.from(base64, 'base64'), { limitInputPixels: limits.pixels })
    .metadata()
    .catch(() => null)
  if (!facts || facts.width > limits.vectorPictureSidePx || facts.height > limits.vectorPictureSidePx)
    throw new Refusal(
      facts
        ? `A picture in the animation is ${facts.width} × ${facts.height} pixels; a side may have ${limits.vectorPictureSidePx}.`
        : 'A picture in the animation is damaged.',
      exportAgain,
    )
  return { id, w, h, u: '', p, e: 1 }
}

/** Looks for expressions, which are programs. Linear; without recursion, so that depth does no harm. */
function refusePrograms(root: unknown): void {
  const waiting: unknown[] = [root]
  while (waiting.length > 0) {
    const value = waiting.pop()
    if (typeof value !== 'object' || value === null) continue
    const entries = value as Record<string, unknown>
    if (!Array.isArray(value) && typeof entries.x === 'string' && 'k' in entries)
      throw new Refusal('The animation contains expressions, which are programs.', exportAgain)
    for (const each of Object.values(entries)) waiting.push(each)
  }
}
