import * as z from 'zod'
import { hexOfRgb, rgbOfHex, type Rgb } from '../colour/oklch.ts'
import { copyOf } from '../copyOf.ts'
import { motionRoles } from '../motion/schema.ts'
import { err, ok, type Result } from '../result.ts'
import { hexColour, inkRole, inkRoles, look as lookSchema, typeRoles, type Look, type TextShadow } from './schema.ts'

/*
 * Looks as design tokens: the JSON of the W3C Design Tokens Community Group (format module, 2025.10). What it has types for is
 * written in them, so that other tools read colours, typefaces and times; what it has none for stands in `$extensions`. Shared sounds
 * are files of one channel and stay there.
 */

const extensionKey = 'thundercrest'
const rounded = (value: number) => Math.round(value * 10_000) / 10_000

const px = (value: number) => ({ value, unit: 'px' })
const coloured = (hex: string) => ({
  colorSpace: 'srgb',
  components: rgbOfHex(hex).map(rounded),
  hex: hex.toLowerCase(),
})

/** A shadow's ink that follows the palette is an alias, as the format has them. */
function shadowToken({ xPx, yPx, blurPx, ink }: TextShadow): object {
  return {
    color: 'role' in ink ? `{palette.${ink.role}}` : coloured(ink.own),
    offsetX: px(xPx),
    offsetY: px(yPx),
    blur: px(blurPx),
    spread: px(0),
  }
}

/** A look as a design token file. */
export function toDesignTokens(look: Look): object {
  const colours = Object.fromEntries(inkRoles.map((role) => [role, { $value: coloured(look.palette[role]) }]))
  const types = Object.fromEntries(
    typeRoles.map((role) => {
      const { family, weight, sizeRatio, trackingEm, outlineRatio, shadow } = look.type[role]
      return [
        role,
        {
          family: { $type: 'fontFamily', $value: family },
          weight: { $type: 'fontWeight', $value: weight },
          size: { $type: 'number', $value: sizeRatio },
          tracking: { $type: 'number', $value: trackingEm },
          outline: { $type: 'number', $value: outlineRatio },
          ...(shadow
            ? { shadow: { $type: 'shadow', $value: shadowToken(shadow) } }
            : { $extensions: { [extensionKey]: { shadow: null } } }),
        },
      ]
    }),
  )
  const motions = Object.fromEntries(
    motionRoles.map((role) => [
      role,
      {
        duration: { $type: 'duration', $value: { value: look.motion[role].ms, unit: 'ms' } },
        $extensions: { [extensionKey]: { motion: look.motion[role].motion, easing: look.motion[role].easing } },
      },
    ]),
  )
  return {
    $description: `${look.name}, a look made with Thundercrest`,
    palette: { $type: 'color', ...colours },
    type: types,
    motion: motions,
    $extensions: {
      [extensionKey]: {
        name: look.name,
        speedRatio: look.speedRatio,
        soundLevel: look.soundLevel,
        soundTrimDb: look.soundTrimDb,
      },
    },
  }
}

type Tree = Record<string, unknown>
const isTree = (value: unknown): value is Tree => typeof value === 'object' && value !== null && !Array.isArray(value)

/**
 * Everything that a token may say, by its path with dots: values as they are, aliases followed, types inherited from
 * groups.
 */
function valuesIn(tree: Tree, depthMax: number): Map<string, unknown> {
  const values = new Map<string, unknown>()
  const walk = (node: Tree, path: readonly string[]): void => {
    if (path.length > depthMax) return
    if ('$value' in node) values.set(path.join('.'), node.$value)
    for (const [name, child] of Object.entries(node))
      if (!name.startsWith('$') && isTree(child)) walk(child, [...path, name])
  }
  walk(tree, [])
  return values
}

const aliasHops = 8

/** A value with its aliases followed; undefined where one leads nowhere or in a circle. */
function followed(values: ReadonlyMap<string, unknown>, path: string): unknown {
  let value = values.get(path)
  for (let hop = 0; hop < aliasHops; hop++) {
    const alias = typeof value === 'string' ? /^\{([^{}]+)\}$/.exec(value)?.[1] : undefined
    if (alias === undefined) return value
    value = values.get(alias)
  }
  return undefined
}

const colourValue = z.union([
  hexColour,
  z
    .object({ colorSpace: z.literal('srgb'), components: z.tuple([z.number(), z.number(), z.number()]) })
    .transform(({ components }) => hexOfRgb(components as Rgb)),
  z.object({ hex: hexColour }).transform(({ hex }) => hex),
])
const durationValue = z
  .object({ value: z.number().min(0), unit: z.enum(['ms', 's']) })
  .transform(({ value, unit }) => Math.round(unit === 's' ? value * 1000 : value))
const length = z.object({ value: z.number(), unit: z.literal('px') }).transform(({ value }) => value)
const shadowInk = z.union([
  z
    .string()
    .regex(/^\{palette\.\w+\}$/)
    .transform((alias) => alias.slice(9, -1))
    .pipe(inkRole)
    .transform((role) => ({ role })),
  colourValue.transform((own) => ({ own: own.toUpperCase() })),
])
const shadowValue = z
  .object({ color: shadowInk, offsetX: length, offsetY: length, blur: length })
  .transform(({ color, offsetX, offsetY, blur }) => ({ xPx: offsetX, yPx: offsetY, blurPx: blur, ink: color }))
const familyValue = z.union([
  z.string(),
  z
    .array(z.string())
    .min(1)
    .transform(([first]) => first ?? ''),
])

/** What was taken from a token file. */
export interface ReadTokens {
  look: Look
  /** How many values were taken over. */
  taken: number
  /** Tokens that say something a look has no place for, or in a way that is not understood. */
  ignored: string[]
}

const ignoredListed = 50

/**
 * Reads a design token file over a look: what it says is taken, what it does not say stays. Tokens are found by their
 * place (`palette.headline`, `type.display.family`, `motion.enter.duration` …), whatever else the file holds.
 * @returns an error in words where nothing in it is for a look
 */
export function readDesignTokens(file: unknown, before: Look): Result<ReadTokens, string> {
  if (!isTree(file)) return err('This is no design token file: it is not a JSON object.')
  const values = valuesIn(file, 6)
  const next = copyOf(before)
  const used = new Set<string>()
  function take<Schema extends z.ZodType>(path: string, schema: Schema, put: (value: z.infer<Schema>) => void): void {
    if (!values.has(path)) return
    const checked = schema.safeParse(followed(values, path))
    if (!checked.success) return
    put(checked.data)
    used.add(path)
  }
  for (const role of inkRoles)
    take(`palette.${role}`, colourValue, (hex) => void (next.palette[role] = hex.toUpperCase()))
  for (const role of typeRoles) {
    Object.assign(next.type[role], ownExtension(isTree(file.type) ? file.type[role] : undefined))
    take(`type.${role}.family`, familyValue, (family) => void (next.type[role].family = family))
    take(`type.${role}.weight`, z.int(), (weight) => void (next.type[role].weight = weight))
    take(`type.${role}.size`, z.number(), (ratio) => void (next.type[role].sizeRatio = ratio))
    take(`type.${role}.tracking`, z.number(), (em) => void (next.type[role].trackingEm = em))
    take(`type.${role}.outline`, z.number(), (ratio) => void (next.type[role].outlineRatio = ratio))
    take(`type.${role}.shadow`, shadowValue, (shadow) => void (next.type[role].shadow = shadow))
  }
  for (const role of motionRoles) {
    take(`motion.${role}.duration`, durationValue, (ms) => void (next.motion[role].ms = ms))
    Object.assign(next.motion[role], ownExtension(isTree(file.motion) ? file.motion[role] : undefined))
  }
  Object.assign(next, ownExtension(file))
  const checked = lookSchema.safeParse(next)
  if (!checked.success)
    return err(
      `${checked.error.issues[0]?.path.join('.') ?? ''}: ${checked.error.issues[0]?.message ?? 'the look would not be valid'}`,
    )
  if (used.size === 0) return err('Nothing in this file is for a look: no palette, type or motion tokens were found.')
  return ok({
    look: checked.data,
    taken: used.size,
    ignored: [...values.keys()].filter((path) => !used.has(path)).slice(0, ignoredListed),
  })
}

/** What this program wrote beside the tokens; the whole is checked afterwards. */
function ownExtension(node: unknown): Tree {
  const extensions = isTree(node) ? node.$extensions : undefined
  const own = isTree(extensions) ? extensions[extensionKey] : undefined
  return isTree(own) ? own : {}
}
