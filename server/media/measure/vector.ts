import * as z from 'zod'
import { limits } from './limits.ts'
import type { Measurement } from './measurement.ts'
import { Refusal } from './refusal.ts'

const exportAgain = 'Export the animation again with pictures and shapes inside and without expressions.'

const animation = z.object({
  v: z.string(),
  fr: z.number().positive().max(240),
  ip: z.number(),
  op: z.number(),
  w: z.number().positive().max(limits.sidePx),
  h: z.number().positive().max(limits.sidePx),
  layers: z.array(z.record(z.string(), z.unknown())).min(1),
  assets: z.array(z.record(z.string(), z.unknown())).optional(),
})

/** Whether text is JSON that looks like a vector animation. */
export function looksLikeVector(text: string): boolean {
  return /^\s*\{/.test(text) && /"layers"\s*:/.test(text) && /"op"\s*:/.test(text)
}

/**
 * A Lottie animation: checked here, drawn by the browser's library, which is built without the evaluator of
 * expressions.
 */
export function measureVector(bytes: Uint8Array): Measurement {
  const checked = animation.safeParse(parse(new TextDecoder().decode(bytes)))
  if (!checked.success)
    throw new Refusal('The animation’s JSON is not a Lottie animation that can be played.', exportAgain)
  const { fr, ip, op, w, h, assets } = checked.data
  const durationMs = Math.round(((op - ip) * 1000) / fr)
  if (!(durationMs > 0)) throw new Refusal('The animation has no length.', exportAgain)
  if (durationMs > limits.vectorMs)
    throw new Refusal('The animation is longer than a minute.', 'Make it shorter, or a WebM video.')
  for (const asset of assets ?? []) {
    if (typeof asset.p === 'string' && !/^data:image\/(png|jpeg|webp|gif);base64,/.test(asset.p))
      throw new Refusal('The animation loads pictures from elsewhere.', exportAgain)
  }
  walk(checked.data)
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
      hasSound: false,
      codec: 'lottie',
      seen: null,
    },
    poster: null,
    strip: null,
    converted: null,
  }
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    throw new Refusal('The file ends or breaks in the middle of its JSON.', exportAgain)
  }
}

/**
 * Counts layers and looks for expressions, which are programs. Linear; without recursion, so that depth does no harm.
 */
function walk(root: unknown): void {
  const waiting: unknown[] = [root]
  let layers = 0
  while (waiting.length > 0) {
    const value = waiting.pop()
    if (typeof value !== 'object' || value === null) continue
    if (Array.isArray(value)) {
      for (const each of value) waiting.push(each)
      continue
    }
    const fields = value as Record<string, unknown>
    if (Array.isArray(fields.layers)) layers += fields.layers.length
    if (typeof fields.x === 'string' && 'k' in fields)
      throw new Refusal('The animation contains expressions, which are programs.', exportAgain)
    for (const each of Object.values(fields)) waiting.push(each)
  }
  if (layers > limits.vectorLayers)
    throw new Refusal(
      `The animation has ${layers} layers; ${limits.vectorLayers} are the most.`,
      'Export it as a WebM video.',
    )
}
