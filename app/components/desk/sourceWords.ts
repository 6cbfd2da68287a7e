import type { Canvas } from '../../../core/composition/canvas.ts'
import type { SourceView } from '../../../contract/views.ts'

/** What is wrong with a source, and what to do; the worst first. Nothing: it is as it should be. */
export function sourceRemarks(
  { isSetAside, missing, sound, widthPx, heightPx, frames, isSilenced }: SourceView,
  canvas: Canvas,
): string[] {
  const remarks: string[] = []
  if (isSetAside) remarks.push('never ready in time: others start without it. Load its page again.')
  if (missing.length > 0) remarks.push(`could not load: ${missing.join(', ')}`)
  if (sound === 'blocked') remarks.push('silent: click once into its page to let it be heard')
  if (widthPx !== canvas.widthPx || heightPx !== canvas.heightPx)
    remarks.push(`enter width ${canvas.widthPx} and height ${canvas.heightPx} in its program`)
  const share = frames && frames.drawn > 0 ? frames.dropped / (frames.drawn + frames.dropped) : 0
  if (share > droppedMost)
    remarks.push(
      `${Math.round(share * 100)} % of the last alert’s pictures came too late: is it set to ${canvas.framesPerSecond} a second?`,
    )
  if (isSilenced) remarks.push('all sound of this box is off')
  return remarks
}
/** More than that can be seen. */
const droppedMost = 0.1

/** How it is shown: what it is, how large, how quick to answer, and how many pictures came too late. */
export function sourceFacts({ widthPx, heightPx, latencyMs, chromium, frames }: SourceView): string {
  return [
    `${widthPx}×${heightPx}`,
    latencyMs === null ? 'measuring' : `${latencyMs} ms`,
    ...(frames ? [`${frames.dropped} dropped`] : []),
    chromium === null ? 'no Chromium' : `Chromium ${chromium}`,
  ].join(' · ')
}
