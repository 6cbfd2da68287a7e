import { del, get, set } from 'idb-keyval'
import { onBeforeUnmount, ref, shallowRef, type Ref } from 'vue'
import type { Canvas } from '../../core/composition/canvas.ts'
import { hexOfRgb } from '../../core/colour/oklch.ts'
import { loadStill, openVideo } from '../../player/preload/pictures.ts'
import { luminance } from '../../core/colour/contrast.ts'
import type { CanvasBox } from '../../core/composition/canvasBox.ts'

const sampleWidthPx = 96

/**
 * The person's own scene, kept in this browser for each box: shown under the stage, and asked which colours lie under a
 * piece of it.
 */
export function useOwnScene(boxId: string, canvas: Ref<Canvas | null>) {
  const key = `thundercrest.scene.${boxId}`
  const url = ref<string | null>(null)
  const isMoving = ref(false)
  const pixels = shallowRef<ImageData | null>(null)

  async function show(file: Blob | null): Promise<void> {
    if (url.value) URL.revokeObjectURL(url.value)
    url.value = file && URL.createObjectURL(file)
    isMoving.value = file?.type.startsWith('video/') ?? false
    pixels.value = file && url.value ? await samplePixels(url.value, isMoving.value) : null
  }

  async function choose(file: File | null): Promise<void> {
    // Kept before it is seen: what is on the screen is still there after a reload.
    await (file ? set(key, file) : del(key)).catch(() => {})
    await show(file)
  }

  /** The darkest, the middle and the lightest colour under a box of the canvas. */
  function coloursUnder(box: CanvasBox): string[] {
    const data = pixels.value
    if (!data || !canvas.value) return []
    const x = (px: number) =>
      Math.min(data.width - 1, Math.max(0, Math.floor((px / (canvas.value?.widthPx ?? 1)) * data.width)))
    const y = (px: number) =>
      Math.min(data.height - 1, Math.max(0, Math.floor((px / (canvas.value?.heightPx ?? 1)) * data.height)))
    const found: { hex: string; light: number }[] = []
    for (let row = y(box.top); row <= y(box.bottom); row++) {
      for (let column = x(box.left); column <= x(box.right); column++) {
        const at = (row * data.width + column) * 4
        const rgb = [
          (data.data[at] ?? 0) / 255,
          (data.data[at + 1] ?? 0) / 255,
          (data.data[at + 2] ?? 0) / 255,
        ] as const
        found.push({ hex: hexOfRgb(rgb), light: luminance(rgb) })
      }
    }
    found.sort((a, b) => a.light - b.light)
    // A few odd pixels at either end are not what a letter stands on.
    return [0.05, 0.5, 0.95].flatMap((ratio) => found[Math.floor(ratio * (found.length - 1))]?.hex ?? [])
  }

  void get<Blob>(key)
    .then((kept) => kept && show(kept))
    .catch(() => {})
  onBeforeUnmount(() => url.value && URL.revokeObjectURL(url.value))
  return { url, isMoving, hasPixels: pixels, choose, coloursUnder }
}

async function samplePixels(url: string, isVideo: boolean): Promise<ImageData | null> {
  const source = isVideo ? await openVideo(url) : await loadStill(url)
  const ratio = isVideo
    ? (source as HTMLVideoElement).videoHeight / (source as HTMLVideoElement).videoWidth
    : (source as HTMLImageElement).naturalHeight / (source as HTMLImageElement).naturalWidth
  const canvas = new OffscreenCanvas(sampleWidthPx, Math.max(1, Math.round(sampleWidthPx * ratio)))
  const context = canvas.getContext('2d')
  context?.drawImage(source, 0, 0, canvas.width, canvas.height)
  return context?.getImageData(0, 0, canvas.width, canvas.height) ?? null
}
