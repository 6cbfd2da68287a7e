import * as z from 'zod'
import { mediaId } from '../composition/mediaId.ts'
import { soundLevel } from '../audio/level.ts'
import { motionRole, phase } from '../motion/schema.ts'

/** sRGB colour as `#RRGGBB`. */
export const hexColour = z.string().regex(/^#[0-9a-fA-F]{6}$/, 'a colour is written as #RRGGBB')

export const inkRoles = ['headline', 'body', 'accent', 'outline', 'plate', 'glow'] as const
export const inkRole = z.enum(inkRoles)
export type InkRole = z.infer<typeof inkRole>
export type Palette = Record<InkRole, string>

/** A colour that follows the look (`role`) or stands on its own (`own`); never both. */
export const styledInk = z.union([z.strictObject({ role: inkRole }), z.strictObject({ own: hexColour })])
export type StyledInk = z.infer<typeof styledInk>

/** What letters throw behind them, in canvas pixels. */
export const textShadow = z.object({
  xPx: z.number().min(-100).max(100),
  yPx: z.number().min(-100).max(100),
  blurPx: z.number().min(0).max(40),
  ink: styledInk,
})
export type TextShadow = z.infer<typeof textShadow>

export const typeRoles = ['display', 'text'] as const
export const typeRole = z.enum(typeRoles)

/** A typeface as the shelf knows it. `weight` is CSS's 100–900. */
export const typeface = z.object({ family: z.string().min(1).max(80), weight: z.int().min(100).max(900) })
export type Typeface = z.infer<typeof typeface>

/**
 * What a type role says besides: how large, how wide apart and how strongly outlined its texts are, against what they
 * say themselves; and its shadow.
 */
export const roleTypeface = typeface.extend({
  sizeRatio: z.number().min(0.4).max(2),
  trackingEm: z.number().min(-0.2).max(0.6),
  outlineRatio: z.number().min(0).max(3),
  shadow: textShadow.nullable(),
})
export type RoleTypeface = z.infer<typeof roleTypeface>

/** Sounds that alerts share: for who comes, for who gives, for what many do together. */
export const soundRoles = ['arrival', 'support', 'crowd'] as const
export const soundRole = z.enum(soundRoles)
export type SoundRole = z.infer<typeof soundRole>

/** The design tokens of a box. Parts refer to its roles, so that one change reaches all alerts. */
export const look = z.object({
  name: z.string().min(1).max(80),
  palette: z.record(inkRole, hexColour),
  type: z.record(typeRole, roleTypeface),
  motion: z.record(motionRole, phase),
  /** How fast everything enters and leaves: 2 is twice as fast. */
  speedRatio: z.number().min(0.25).max(4),
  /** What every sound of the box is brought to. */
  soundLevel,
  /** Added to every sound of the box, in decibels. */
  soundTrimDb: z.number().min(-40).max(6),
  /** The file of each shared sound; null: parts keep their own. */
  sounds: z.record(soundRole, mediaId.nullable()),
})
export type Look = z.infer<typeof look>

/** A typeface that follows the look or stands on its own. */
export const styledType = z.union([z.strictObject({ role: typeRole }), z.strictObject({ own: typeface })])
export type StyledType = z.infer<typeof styledType>

/** A shadow that follows a type role or stands on its own. */
export const styledShadow = z.union([z.strictObject({ role: typeRole }), textShadow])
export type StyledShadow = z.infer<typeof styledShadow>
