import { develop } from '../../player/camera/develop.ts'
import { expose, type Exposure, type FrameSize } from '../../player/camera/expose.ts'
import { fontFilesOf } from '../../player/camera/fontFiles.ts'
import { fontUses } from '../../player/prepare.ts'
import type { PreparedScore } from '../../player/preparedScore.ts'
import { openFontCutter } from '../proof/fontCutter.ts'
import { openHiddenStage } from '../proof/hiddenStage.ts'

/** Frames are developed together as long as they take no more pixels than this. */
const pixelsAtOnce = 8_500_000
const framesAtOnce = 4

/**
 * Draws moments of a score, transparent where nothing is: by the player, on a stage that nobody sees.
 * @param moments in milliseconds, each within the score
 * @param take gets each frame, in order, and may keep the next waiting
 * @throws what the signal says, or where it cannot be drawn
 */
export async function shootFrames(
  prepared: PreparedScore,
  size: FrameSize,
  moments: readonly number[],
  signal: AbortSignal,
  take: (bitmap: ImageBitmap, frame: number) => Promise<void>,
): Promise<void> {
  const stage = openHiddenStage()
  const fonts = openFontCutter()
  const { score } = prepared
  const files = fontFilesOf(fontUses(prepared), score.fonts)
  const together = Math.max(1, Math.min(framesAtOnce, Math.floor(pixelsAtOnce / (size.widthPx * size.heightPx))))
  try {
    for (let first = 0; first < moments.length; first += together) {
      const exposures: Exposure[] = []
      for (const atMs of moments.slice(first, first + together)) {
        await untilVisible(signal)
        signal.throwIfAborted()
        const scene = await stage.show(prepared, atMs)
        exposures.push(expose(stage.root, scene, score.canvas, size))
      }
      const { sheet, columns } = await develop(exposures, size, files, fonts.cut)
      for (const index of exposures.keys()) {
        const x = (index % columns) * size.widthPx
        const y = Math.floor(index / columns) * size.heightPx
        await take(await createImageBitmap(sheet, x, y, size.widthPx, size.heightPx), first + index)
      }
    }
  } finally {
    stage.close()
    fonts.close()
  }
}

/** Videos show no frames on a page that nobody sees: it is waited for. */
async function untilVisible(signal: AbortSignal): Promise<void> {
  while (document.hidden && !signal.aborted)
    await new Promise<void>((resolve) => {
      document.addEventListener('visibilitychange', () => resolve(), { once: true })
      signal.addEventListener('abort', () => resolve(), { once: true })
    })
}
