import { readAnchor, type AnchorPoint } from '../composition/anchor.ts'
import type { Clip, Edge, LengthRule } from '../composition/clip.ts'
import { err, ok, type Result } from '../result.ts'

/** What the solver needs to know of a part. Times in milliseconds. */
export interface ClipToSolve {
  id: string
  clip: Clip
  entranceMs: number
  exitMs: number
  /** The media's own length, or null where there is none: `natural` is then refused. */
  naturalMs: number | null
}

export interface SolvedClip {
  startMs: number
  endMs: number
  /** The phases as they fit into the clip: shrunk in proportion where it is shorter than both together. */
  entranceMs: number
  exitMs: number
  /** Its end lay beyond the score's maximum. */
  isCutOff: boolean
}

export interface SolvedScore {
  lengthMs: number
  clips: Record<string, SolvedClip>
  /** Parts whose entrance and exit had to shrink. */
  shrunk: string[]
  /** Parts whose end lay beyond the score's maximum and was cut off. */
  cut: string[]
}

export type SolveError =
  | { type: 'cycle'; partIds: string[] }
  | { type: 'missingPart'; partId: string; wanted: string }
  | { type: 'noNaturalLength'; partId: string }

/**
 * Solves the anchors of a score. Edges are nodes of a directed graph; a node hangs on at most two others (an end on its
 * own start and, for *until*, on its anchor), so memoised depth-first walks settle all: linear in the number of parts,
 * and the result does not depend on the order in which they are declared. `score.end` is the largest end that does not
 * itself hang on `score.end`, clamped to the length rule; the rest follows.
 *
 * *entered* is start + entrance and *leaving* is end − exit, with phases shrunk where the clip's length is known on its
 * own (fixed, natural). For clips that last until an anchor the nominal phases count, so that "the text enters when the
 * plate has entered; the plate stays until the text has gone" is not a cycle.
 */
export function solveScore(clips: readonly ClipToSolve[], rule: LengthRule): Result<SolvedScore, SolveError> {
  const byId = new Map(clips.map((clip) => [clip.id, clip]))
  for (const each of clips) {
    const fault = findFault(each, byId)
    if (fault) return err(fault)
  }
  const cycle = findCycle(clips, byId)
  if (cycle) return err({ type: 'cycle', partIds: cycle })

  const hanging = clipsHangingOnScoreEnd(clips, byId)
  let lengthMs = rule.rule === 'fixed' ? rule.ms : 0
  const times = new Map<string, number>()
  const timeOf = (clip: ClipToSolve, point: AnchorPoint): number => {
    const key = `${clip.id}.${point}`
    const known = times.get(key)
    if (known !== undefined) return known
    const value = computeTime(clip, point)
    times.set(key, value)
    return value
  }
  const anchorTime = (edge: Edge): number => {
    const { id, point } = readAnchor(edge.at)
    if (id === 'score') return (point === 'end' ? lengthMs : 0) + edge.offsetMs
    const clip = byId.get(id)
    if (!clip) throw new Error(`solveScore: ${edge.at} was checked to exist`)
    return timeOf(clip, point) + edge.offsetMs
  }
  const computeTime = (clip: ClipToSolve, point: AnchorPoint): number => {
    if (point === 'start') return Math.max(0, anchorTime(clip.clip.start))
    if (point === 'entered') return timeOf(clip, 'start') + ownPhases(clip).entranceMs
    if (point === 'leaving') return timeOf(clip, 'end') - ownPhases(clip).exitMs
    const ownLength = ownLengthMs(clip)
    const startMs = timeOf(clip, 'start')
    if (ownLength !== null) return startMs + ownLength
    return clip.clip.end.length === 'until' ? Math.max(startMs, anchorTime(clip.clip.end.edge)) : startMs
  }

  if (rule.rule === 'fit') {
    for (const clip of clips) if (!hanging.has(clip.id)) lengthMs = Math.max(lengthMs, timeOf(clip, 'end'))
    lengthMs = Math.min(Math.max(lengthMs, rule.minMs), rule.maxMs)
  }
  const solved: SolvedScore = { lengthMs, clips: {}, shrunk: [], cut: [] }
  for (const clip of clips) {
    const endMs = timeOf(clip, 'end')
    const startMs = Math.min(timeOf(clip, 'start'), lengthMs)
    const keptEndMs = Math.min(endMs, lengthMs)
    const phases = fitPhases(clip, keptEndMs - startMs)
    if (endMs > lengthMs) solved.cut.push(clip.id)
    if (phases.entranceMs + phases.exitMs < clip.entranceMs + clip.exitMs) solved.shrunk.push(clip.id)
    solved.clips[clip.id] = { startMs, endMs: keptEndMs, ...phases, isCutOff: endMs > lengthMs }
  }
  return ok(solved)
}

function ownLengthMs(clip: ClipToSolve): number | null {
  const { end } = clip.clip
  if (end.length === 'fixed') return end.ms
  if (end.length === 'natural') return (clip.naturalMs ?? 0) * end.times
  return null
}

function fitPhases(clip: ClipToSolve, lengthMs: number): { entranceMs: number; exitMs: number } {
  const { entranceMs, exitMs } = clip
  if (entranceMs + exitMs <= lengthMs) return { entranceMs, exitMs }
  const shrunkEntranceMs = Math.floor((entranceMs * lengthMs) / (entranceMs + exitMs))
  return { entranceMs: shrunkEntranceMs, exitMs: lengthMs - shrunkEntranceMs }
}

function ownPhases(clip: ClipToSolve): { entranceMs: number; exitMs: number } {
  const lengthMs = ownLengthMs(clip)
  return lengthMs === null ? clip : fitPhases(clip, lengthMs)
}

function findFault(clip: ClipToSolve, byId: ReadonlyMap<string, ClipToSolve>): SolveError | null {
  const edges = clip.clip.end.length === 'until' ? [clip.clip.start, clip.clip.end.edge] : [clip.clip.start]
  for (const edge of edges) {
    const wanted = readAnchor(edge.at).id
    if (wanted !== 'score' && !byId.has(wanted)) return { type: 'missingPart', partId: clip.id, wanted }
  }
  if (clip.clip.end.length === 'natural' && clip.naturalMs === null) return { type: 'noNaturalLength', partId: clip.id }
  return null
}

/** The anchors that a point of a clip hangs on: its own start is among them for every end. */
function dependencies(clip: ClipToSolve, point: AnchorPoint): string[] {
  if (point === 'start') return [clip.clip.start.at]
  if (point === 'entered') return [`${clip.id}.start`]
  if (point === 'leaving') return [`${clip.id}.end`]
  return clip.clip.end.length === 'until' ? [`${clip.id}.start`, clip.clip.end.edge.at] : [`${clip.id}.start`]
}

function findCycle(clips: readonly ClipToSolve[], byId: ReadonlyMap<string, ClipToSolve>): string[] | null {
  const settled = new Set<string>()
  const path: string[] = []
  const walk = (node: string): string[] | null => {
    if (node.startsWith('score.') || settled.has(node)) return null
    const at = path.indexOf(node)
    if (at >= 0) return [...new Set(path.slice(at).map((each) => readAnchor(each).id))]
    const { id, point } = readAnchor(node)
    const clip = byId.get(id)
    if (!clip) return null
    path.push(node)
    for (const next of dependencies(clip, point)) {
      const found = walk(next)
      if (found) return found
    }
    path.pop()
    settled.add(node)
    return null
  }
  for (const clip of clips) {
    const found = walk(`${clip.id}.end`)
    if (found) return found
  }
  return null
}

/** Which clips end at a moment that depends, over any number of anchors, on the end of the score. Expects no cycles. */
function clipsHangingOnScoreEnd(clips: readonly ClipToSolve[], byId: ReadonlyMap<string, ClipToSolve>): Set<string> {
  const known = new Map<string, boolean>()
  const hangs = (node: string): boolean => {
    if (node === 'score.end') return true
    const answer = known.get(node)
    if (answer !== undefined) return answer
    const { id, point } = readAnchor(node)
    const clip = byId.get(id)
    const computed = clip !== undefined && dependencies(clip, point).some(hangs)
    known.set(node, computed)
    return computed
  }
  return new Set(clips.filter((clip) => hangs(`${clip.id}.end`)).map((clip) => clip.id))
}
