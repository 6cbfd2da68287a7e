import { animatedWebp, type WebpFrame } from '../../core/film/animatedWebp.ts'
import { changedBox } from '../../core/film/changedBox.ts'
import { frameAt, type FilmPlan } from '../../core/film/filmPlan.ts'
import { pixelReader, type FilmWriter } from './filmWriter.ts'

const webp = 'image/webp'
const quality = 0.9
/** What a frame has that changes nothing: some picture it needs. */
const nothing = { xPx: 0, yPx: 0, widthPx: 2, heightPx: 2 }

/** Writes an animated WebP: of each frame only what is another than before. */
export async function openWebpWriter(plan: FilmPlan): Promise<FilmWriter | null> {
  const probe = new OffscreenCanvas(2, 2)
  probe.getContext('2d')
  // Browsers that cannot write it give another kind of file.
  if ((await probe.convertToBlob({ type: webp })).type !== webp) return null
  const read = pixelReader(plan)
  const frames: WebpFrame[] = []
  let before: Uint32Array | null = null
  return {
    async add(bitmap, frame) {
      const pixels = read(bitmap)
      const { lasts: durationMs } = frameAt(plan, frame)
      const box = changedBox(before, pixels, plan.widthPx, plan.heightPx) ?? (before ? null : nothing)
      const last = frames.at(-1)
      if (!box && last) last.durationMs += durationMs
      if (!box) return
      const cut = new OffscreenCanvas(box.widthPx, box.heightPx)
      cut
        .getContext('2d')
        ?.putImageData(new ImageData(new Uint8ClampedArray(pixels.buffer), plan.widthPx), -box.xPx, -box.yPx)
      const still = await cut.convertToBlob({ type: webp, quality })
      frames.push({ box, durationMs, still: new Uint8Array(await still.arrayBuffer()) })
      before = pixels
    },
    finish: () => Promise.resolve(new Blob([animatedWebp(plan.widthPx, plan.heightPx, frames)], { type: webp })),
  }
}
