import type { ResolvedScore } from '../../core/score/resolved.ts'
import { develop } from '../../player/camera/develop.ts'
import { expose } from '../../player/camera/expose.ts'
import { fontFilesOf } from '../../player/camera/fontFiles.ts'
import { fontUses, prepareScore } from '../../player/prepare.ts'
import { createStage } from '../../player/stage.ts'
import { openFontCutter } from '../proof/fontCutter.ts'

/**
 * A moment of a score as a PNG as large as its canvas, transparent where nothing is drawn: by the player, on a stage of its own that
 * nobody sees.
 * @throws where it cannot be drawn
 */
export async function momentPicture(score: ResolvedScore, tMs: number): Promise<Blob> {
  const host = document.createElement('div')
  Object.assign(host.style, { position: 'fixed', left: '-30000px', top: '0', width: '0', height: '0' })
  host.inert = true
  host.ariaHidden = 'true'
  document.body.append(host)
  const stage = createStage(host)
  const fonts = openFontCutter()
  try {
    const prepared = await prepareScore(score, null)
    stage.mount(prepared)
    const scene = stage.seek(Math.min(Math.round(tMs), score.lengthMs - 1))
    await stage.settled()
    const { widthPx, heightPx } = score.canvas
    const exposure = expose(stage.root, scene, score.canvas, { widthPx, heightPx })
    const { sheet } = await develop(
      [exposure],
      { widthPx, heightPx },
      fontFilesOf(fontUses(prepared), score.fonts),
      fonts.cut,
    )
    return await new Promise<Blob>((resolve, reject) =>
      sheet.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('The moment cannot be drawn'))), 'image/png'),
    )
  } finally {
    stage.clear()
    host.remove()
    fonts.close()
  }
}
