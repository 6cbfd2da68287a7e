import * as z from 'zod'

/** How a box's queue behaves. Times in milliseconds. */
export const queuePolicy = z.object({
  /** Quiet time between two plays. */
  gapMs: z.int().min(0).max(60_000),
  /** A play that waited longer than this while no source was connected is not shown late. */
  awayMaxMs: z.int().min(0).max(86_400_000),
  /** Sources that are not ready by then join late; the others start. */
  prepareMaxMs: z.int().min(100).max(60_000),
  /** No source ready by then: the play is given up. */
  giveUpMs: z.int().min(1_000).max(120_000),
  /** What could not be prepared for the moment is tried again after this. */
  stallMs: z.int().min(100).max(60_000),
  /** What nobody has let be read by then is shown without being read. */
  approvalMaxMs: z.int().min(1_000).max(3_600_000),
  /** More than this many never wait. */
  waitingMax: z.int().min(1).max(100_000),
})
export type QueuePolicy = z.infer<typeof queuePolicy>

export const defaultPolicy: QueuePolicy = {
  gapMs: 400,
  awayMaxMs: 120_000,
  prepareMaxMs: 4_000,
  giveUpMs: 20_000,
  stallMs: 1_000,
  approvalMaxMs: 300_000,
  waitingMax: 3_000,
}
