import { levellingOf, type MeasuredLevel } from '../audio/level.ts'
import type { Look } from '../look/schema.ts'

/**
 * How much louder a sound is played than it was recorded, in decibels: brought to the look's level, then its own trim and
 * the look's. What has not been measured yet, what is silent and what is not levelled is heard as it is.
 */
export const soundGainDb = (level: MeasuredLevel | null | undefined, trimDb: number, look: Look): number =>
  (level ? levellingOf(level, look.soundLevel).gainDb : 0) + trimDb + look.soundTrimDb
