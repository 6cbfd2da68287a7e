import type { ResolvedScore } from '../../core/score/resolved.ts'
import { develop } from '../../player/camera/develop.ts'
import { expose } from '../../player/camera/expose.ts'
import { fontFilesOf } from '../../player/camera/fontFiles.ts'
import { fontUses, prepareScore } from '../../player/prepare.ts'
import { openFontCutter } from '../proof/fontCutter.ts'
import { openHiddenStage } from './hiddenStage.ts'

/**
 * A moment of a score as a PNG as large as its canvas, transparent where nothing is drawn: by the player, on a stage of its own that
 * nobody sees.
 * @throws where it cannot be drawn
 */
export async function momentPicture(score: ResolvedScore, tMs: number): Promise<Blob> {
  const stage = openHiddenStage()
  const fonts = openFontCutter()
  try {
    const prepared = await prepareScore(score, null)
    const scene = await stage.show(prepared, Math.min(Math.round(tMs), score.lengthMs - 1))
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
    stage.close()
    fonts.close()
  }
}
