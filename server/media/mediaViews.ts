import type { Measured, SoundMeasured } from '../../contract/media.ts'
import { mediaUrl } from '../../contract/mediaFacts.ts'
import type { MediaView } from '../../contract/views.ts'
import type { MediaRow } from '../db/queries/media.ts'

/** More stretches than this are not told apart on a screen. */
const shownStretches = 2000

export function mediaView({
  id,
  name,
  kind,
  mime,
  widthPx,
  heightPx,
  durationMs,
  licence,
  sizeBytes,
  tags,
  addedAt,
  measured,
  posterId,
  stripId,
}: MediaRow): MediaView {
  return {
    ...{ id, name, kind, mime, widthPx, heightPx, durationMs, licence, sizeBytes, tags },
    url: mediaUrl(id),
    addedAtMs: addedAt.getTime(),
    measured: measured && forScreens(measured),
    posterUrl: posterId && `${mediaUrl(id)}/poster?${posterId.slice(0, 12)}`,
    stripUrl: stripId && `${mediaUrl(id)}/strip?${stripId.slice(0, 12)}`,
  }
}

function forScreens(measured: Measured): Measured {
  if (measured.of === 'picture' && measured.ownSound?.heard)
    return { ...measured, ownSound: { ...measured.ownSound, heard: shownSound(measured.ownSound.heard) } }
  return measured.of === 'sound' ? shownSound(measured) : measured
}

function shownSound(measured: SoundMeasured): SoundMeasured {
  const level =
    measured.waveform.find(({ peaks }) => (peaks.length * 3) / 4 <= shownStretches) ?? measured.waveform.at(-1)
  return { ...measured, waveform: level ? [level] : [] }
}
