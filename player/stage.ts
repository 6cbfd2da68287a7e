import { sceneAt } from '../core/score/sceneAt.ts'
import type { SceneState } from '../core/score/sceneState.ts'
import type { ResolvedPart, ResolvedVisiblePart } from '../core/score/resolved.ts'
import type { DrawMode, Painter } from './painters/paint.ts'
import { playedAs } from './playedKinds.ts'
import type { PreparedScore } from './preparedScore.ts'
import { plain } from './plain.ts'

/** A surface of the canvas's size on which prepared scores are drawn, at any moment and in any order. */
export interface Stage {
  root: HTMLElement
  /** Puts a score on the stage, nothing of it visible until the first `seek`. */
  mount(prepared: PreparedScore): void
  /** Whether this very score is on the stage. */
  holds(prepared: PreparedScore): boolean
  /**
   * Draws the moment `tMs`; returns what was drawn. `isRunning` tells videos that the next moment follows by itself.
   */
  seek(tMs: number, mode?: DrawMode): SceneState
  /** Resolves when what was drawn last can be seen: videos have found their frames. */
  settled(): Promise<void>
  /** Takes everything off. */
  clear(): void
}

export function createStage(host: HTMLElement): Stage {
  const root = document.createElement('div')
  plain(root, {
    display: 'block',
    position: 'absolute',
    overflow: 'hidden',
    transformOrigin: '0 0',
  })
  host.append(root)
  let mounted: PreparedScore | null = null
  let painters = new Map<string, { key: string; painter: Painter }>()

  const clear = () => {
    for (const { painter } of painters.values()) painter.close?.()
    mounted = null
    painters = new Map()
    root.replaceChildren()
  }
  return {
    root,
    clear,
    holds: (prepared) => mounted === prepared,
    mount(prepared) {
      mounted = prepared
      root.style.width = `${prepared.score.canvas.widthPx}px`
      root.style.height = `${prepared.score.canvas.heightPx}px`
      const before = painters
      painters = new Map()
      const elements: Element[] = []
      for (const part of prepared.score.parts) {
        const key = paintKey(part, prepared)
        const known = before.get(part.id)
        // What only moves, fades or waits differently is not built again: an editor mounts on every step of a drag.
        const kept = known?.key === key ? known : null
        const painter = kept?.painter ?? playedAs(part, prepared).paint(part, prepared)
        if (!painter) continue
        if (kept) before.delete(part.id)
        painters.set(part.id, { key, painter })
        elements.push(painter.element)
      }
      for (const { painter } of before.values()) painter.close?.()
      const isInPlace =
        root.children.length === elements.length && elements.every((element, index) => root.children[index] === element)
      if (!isInPlace) root.replaceChildren(...elements)
    },
    async settled() {
      await Promise.all([...painters.values()].map(({ painter }) => painter.settled?.()))
    },
    seek(tMs, mode = { isRunning: false }) {
      if (!mounted) return { visuals: [], sounds: [] }
      const scene = sceneAt(mounted.score, mounted.layouts, tMs, mounted.board?.showLive)
      const hidden = new Set(painters.keys())
      for (const state of scene.visuals) {
        hidden.delete(state.partId)
        const painter = painters.get(state.partId)?.painter
        if (!painter) continue
        // What is not shown has no animations that could be brought to a moment.
        if (painter.element.style.display !== 'block') painter.element.style.display = 'block'
        painter.draw(state, mode)
      }
      for (const partId of hidden) {
        const painter = painters.get(partId)?.painter
        if (!painter || painter.element.style.display === 'none') continue
        painter.element.style.display = 'none'
        painter.rest?.()
      }
      return scene
    },
  }
}

/**
 * What a painter is built from: everything of a part but what its states carry. Two parts of one key are painted by one
 * painter.
 * @returns one text for one look
 */
function paintKey(part: ResolvedPart, prepared: PreparedScore): string {
  const {
    place: _place,
    opacity: _opacity,
    rotationDeg: _rotationDeg,
    keyframes: _keyframes,
    entrance: _entrance,
    exit: _exit,
    startMs: _startMs,
    endMs: _endMs,
    ...built
  } = part as ResolvedVisiblePart
  return JSON.stringify([built, playedAs(part, prepared).builtFrom(part, prepared)])
}
