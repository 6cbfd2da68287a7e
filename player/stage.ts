import { sceneAt } from '../core/score/sceneAt.ts'
import type { SceneState } from '../core/score/sceneState.ts'
import type { ResolvedPart } from '../core/score/resolved.ts'
import { paintBackdrop } from './painters/backdrop.ts'
import { paintLine } from './painters/line.ts'
import type { Painter } from './painters/paint.ts'
import { paintPicture } from './painters/picture.ts'
import type { PreparedScore } from './prepare.ts'

/** A surface of the canvas's size on which prepared scores are drawn, at any moment and in any order. */
export interface Stage {
  root: HTMLElement
  /** Puts a score on the stage, nothing of it visible until the first `seek`. */
  mount(prepared: PreparedScore): void
  /** Whether this very score is on the stage. */
  holds(prepared: PreparedScore): boolean
  /** Draws the moment `tMs`; returns what was drawn. */
  seek(tMs: number): SceneState
  /** Takes everything off. */
  clear(): void
}

export function createStage(host: HTMLElement): Stage {
  const root = document.createElement('div')
  Object.assign(root.style, { all: 'initial', display: 'block', position: 'absolute', left: '0', top: '0', overflow: 'hidden', transformOrigin: '0 0' })
  host.append(root)
  let mounted: PreparedScore | null = null
  let painters = new Map<string, Painter>()

  const clear = () => {
    mounted = null
    painters = new Map()
    root.replaceChildren()
  }
  return {
    root,
    clear,
    holds: (prepared) => mounted === prepared,
    mount(prepared) {
      clear()
      mounted = prepared
      root.style.width = `${prepared.score.canvas.widthPx}px`
      root.style.height = `${prepared.score.canvas.heightPx}px`
      for (const part of prepared.score.parts) {
        const painter = painterFor(part, prepared)
        if (!painter) continue
        painters.set(part.id, painter)
        root.append(painter.element)
      }
    },
    seek(tMs) {
      if (!mounted) return { visuals: [], sounds: [] }
      const scene = sceneAt(mounted.score, mounted.layouts, tMs)
      const hidden = new Set(painters.keys())
      for (const state of scene.visuals) {
        hidden.delete(state.partId)
        const painter = painters.get(state.partId)
        if (!painter) continue
        painter.draw(state)
        if (painter.element.style.display !== 'block') painter.element.style.display = 'block'
      }
      for (const partId of hidden) {
        const element = painters.get(partId)?.element
        if (element && element.style.display !== 'none') element.style.display = 'none'
      }
      return scene
    },
  }
}

function painterFor(part: ResolvedPart, prepared: PreparedScore): Painter | null {
  switch (part.kind) {
    case 'picture':
      return paintPicture(part, prepared.pictures.get(part.id))
    case 'line': {
      const layout = prepared.layouts.get(part.id)
      return layout ? paintLine(part, layout) : null
    }
    case 'backdrop':
      return paintBackdrop(part)
    case 'sound':
      return null
  }
}
