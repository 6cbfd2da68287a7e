import * as z from 'zod'

/**
 * What a broadcast program and this server say to each other: JSON-RPC 2.0 over WebSocket, as docs/studio-link.md has it.
 * The program says hello and proves that it knows the secret of a channel's link; from then on it is asked to do things, and
 * says what it shows whenever that changes.
 */
export const studioProtocol = 1
/** What the studio that ships calls itself. */
export const simulatedStudioName = 'Simulated studio'

const name = z.string().min(1).max(200)

export const studioSource = z.object({
  name,
  isShown: z.boolean(),
  scenes: z.array(name).max(200),
  /** Of a browser source that was put there over the link: which it is, and how large it is there. */
  key: z.string().max(200).optional(),
  widthPx: z.int().min(1).max(20_000).optional(),
  heightPx: z.int().min(1).max(20_000).optional(),
})

/** All that a studio shows. */
export const studioScenes = z.object({
  programme: name.nullable(),
  scenes: z.array(name).max(200),
  sources: z.array(studioSource).max(500),
  /** Whether it broadcasts; absent: it does not say. */
  isLive: z.boolean().optional(),
})
export type StudioScenes = z.infer<typeof studioScenes>

export const studioHello = z.object({
  protocol: z.literal(studioProtocol),
  name: z.string().trim().min(1).max(100),
  channel: z.string().min(1).max(100),
})
export const studioProof = z.object({ proof: z.string().regex(/^[0-9a-f]{64}$/) })

const rpcId = z.union([z.int(), z.string().max(100)])

/** A request or a notification of the studio's. */
export const studioRequest = z.object({
  jsonrpc: z.literal('2.0'),
  id: rpcId.optional(),
  method: z.enum(['hello', 'prove', 'scenes.changed']),
  params: z.unknown(),
})
/** What it answers to what it was asked. */
export const studioAnswer = z.object({
  jsonrpc: z.literal('2.0'),
  id: rpcId,
  result: z.unknown().optional(),
  error: z.object({ code: z.int(), message: z.string().max(500) }).optional(),
})
export const fromStudio = z.union([studioRequest, studioAnswer])

/** Errors by code, beside those of JSON-RPC itself. */
export const studioErrors = {
  notProven: -32001,
  noSuchScene: -32002,
  noSuchSource: -32003,
  notPossible: -32004,
} as const

/** What a studio is asked to do. */
export type StudioOrder =
  | { method: 'scenes.list'; params: Record<string, never> }
  | { method: 'scene.set'; params: { scene: string } }
  | { method: 'source.show'; params: { source: string; isShown: boolean } }
  | { method: 'text.set'; params: { source: string; text: string } }
  | {
      method: 'source.create'
      params: {
        /** Which it is: asked for again it is brought up to date and not made twice. */
        key: string
        name: string
        url: string
        widthPx: number
        heightPx: number
        framesPerSecond: number
        scenes: string[]
      }
    }

/** On its way to whichever process the studio is connected to. `leave`: its secret was replaced. */
export type ToStudio = { type: 'order'; number: number; order: StudioOrder } | { type: 'leave'; reason: string }

/** What a studio said, on its way to whoever carries out the channel's lane. */
export type StudioSaid =
  | { type: 'linked'; name: string; shows: StudioScenes }
  | { type: 'shows'; shows: StudioScenes }
  | { type: 'gone' }
  | { type: 'answered'; number: number; fault: string | null }

/** Messages of a studio are no larger. */
export const studioMessageMaxBytes = 256 * 1024
