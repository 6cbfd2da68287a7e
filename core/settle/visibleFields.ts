import type * as z from 'zod'
import type { visibleBase } from '../composition/visiblePart.ts'

/** The fields that every visible part has. */
export type VisibleFields = { [K in keyof typeof visibleBase]: z.infer<(typeof visibleBase)[K]> }
