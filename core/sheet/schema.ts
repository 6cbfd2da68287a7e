import * as z from 'zod'

/** No plan lasts longer. */
export const longestRunMs = 10 * 60_000
/** So many steps and blocks stand in one sheet. */
const stepsMax = 100

const ms = z.int().min(0).max(longestRunMs)
const name = z.string().trim().min(1).max(200)
const words = z.string().trim().min(1).max(500)
/** How long something is held and then given back; null: it stays. */
const forMs = z.int().min(100).max(longestRunMs).nullable()

/** One thing that is done. Words are templates: they know the variables of what started the sheet. */
export const step = z.discriminatedUnion('do', [
  /** An alert of a box, in its line or beside whatever plays. */
  z.object({
    do: z.literal('play'),
    boxId: z.string().min(1).max(60),
    alertId: z.string().min(1).max(60),
    /** One of its cases; null: whichever applies. */
    variationId: z.string().min(1).max(60).nullable(),
    isBeside: z.boolean(),
  }),
  /** A sound by itself, levelled like every sound of the box where it is heard. */
  z.object({
    do: z.literal('sound'),
    boxId: z.string().min(1).max(60),
    mediaId: z.string().min(1).max(100),
    trimDb: z.number().min(-60).max(12),
  }),
  z.object({ do: z.literal('say'), words }),
  z.object({ do: z.literal('scene'), scene: name, forMs }),
  z.object({ do: z.literal('source'), source: name, shows: z.enum(['shown', 'hidden', 'other']), forMs }),
  z.object({ do: z.literal('text'), source: name, words }),
  z.object({ do: z.literal('counter'), counter: name, change: z.int().min(-1_000_000).max(1_000_000) }),
  z.object({ do: z.literal('points'), change: z.int().min(-1_000_000).max(1_000_000), why: words }),
  z.object({ do: z.literal('webhook'), url: z.url({ protocol: /^https?$/ }).max(2000) }),
  /** All of another trigger's sheet. */
  z.object({ do: z.literal('sheet'), triggerId: z.string().min(1).max(60) }),
  z.object({ do: z.literal('wait'), ms }),
])
export type Step = z.infer<typeof step>
export type StepOf<K extends Step['do']> = Extract<Step, { do: K }>

/** Steps one after another, or all of them at once. */
export type Block = { do: 'inTurn' | 'together'; of: SheetNode[] }
export type SheetNode = Step | Block

const block: z.ZodType<Block> = z.lazy(() =>
  z.object({ do: z.enum(['inTurn', 'together']), of: z.array(z.union([step, block])).max(stepsMax) }),
)

export const isBlock = (node: SheetNode): node is Block => node.do === 'inTurn' || node.do === 'together'

/** How many steps and blocks there are, and how deep they lie in each other. */
export function sizeOf(node: SheetNode): { count: number; depth: number } {
  if (!isBlock(node)) return { count: 1, depth: 0 }
  const inside = node.of.map(sizeOf)
  return {
    count: 1 + inside.reduce((sum, { count }) => sum + count, 0),
    depth: 1 + Math.max(0, ...inside.map(({ depth }) => depth)),
  }
}

/** All steps of a sheet, in the order in which they are written. */
export const stepsOf = (node: SheetNode): Step[] => (isBlock(node) ? node.of.flatMap(stepsOf) : [node])

/** What a trigger does: one block with everything in it. */
export const runSheet = block
  .refine((root) => sizeOf(root).count <= stepsMax, `a run sheet has at most ${stepsMax} steps`)
  .refine((root) => sizeOf(root).depth <= 5, 'blocks lie at most five deep in each other')
export type RunSheet = Block
