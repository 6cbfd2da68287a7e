import { breathe } from '../../player/camera/breathe.ts'
import type { PreparedScore } from '../../player/preparedScore.ts'
import type { SceneState } from '../../core/score/sceneState.ts'
import { createStage } from '../../player/stage.ts'

/** A stage that nobody sees, of which pictures are taken. */
export function openHiddenStage() {
  const host = document.createElement('div')
  Object.assign(host.style, {
    position: 'fixed',
    left: '-30000px',
    top: '0',
    width: '0',
    height: '0',
    contain: 'layout',
  })
  host.inert = true
  host.ariaHidden = 'true'
  document.body.append(host)
  const stage = createStage(host)
  return {
    root: stage.root,
    /** Puts a moment of a score on the stage; resolves when all of it can be seen. */
    async show(prepared: PreparedScore, atMs: number): Promise<SceneState> {
      if (!stage.holds(prepared)) {
        stage.mount(prepared)
        await breathe()
      }
      const scene = stage.seek(atMs)
      await stage.settled()
      await breathe()
      return scene
    },
    close() {
      stage.clear()
      host.remove()
    },
  }
}
