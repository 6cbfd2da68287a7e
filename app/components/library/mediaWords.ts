import type { MediaView } from '../../../contract/views.ts'
import { seconds } from '../../format/time.ts'

const formats: Record<string, string> = {
  'image/png': 'PNG',
  'image/jpeg': 'JPEG',
  'image/webp': 'WebP',
  'image/avif': 'AVIF',
  'image/gif': 'GIF',
  'image/apng': 'animated PNG',
  'image/svg+xml': 'moving SVG',
  'video/webm': 'WebM',
  'video/mp4': 'MP4',
  'video/lottie+json': 'Lottie',
  'audio/wav': 'WAV',
  'audio/mpeg': 'MP3',
  'audio/flac': 'FLAC',
  'audio/ogg; codecs=vorbis': 'Ogg Vorbis',
  'audio/ogg; codecs=opus': 'Opus',
  'font/woff2': 'WOFF2',
  'font/ttf': 'TrueType',
  'font/otf': 'OpenType',
}

export const formatOf = ({ mime }: Pick<MediaView, 'mime'>) => formats[mime] ?? mime

/** What a file is in a few words: "400 × 400, 1.20 s", "2.40 s, stereo". */
export function gist(file: MediaView): string {
  const { measured } = file
  const length = file.durationMs === null ? '' : `${seconds(file.durationMs)} s`
  if (file.kind === 'picture')
    return [file.widthPx && file.heightPx ? `${file.widthPx} × ${file.heightPx}` : '', length]
      .filter(Boolean)
      .join(', ')
  if (measured?.of === 'sound') return `${length}, ${channelWords(measured.channelCount)}`
  if (measured?.of === 'font')
    return measured.weights[0] === measured.weights[1]
      ? `weight ${measured.weights[0]}`
      : `weights ${measured.weights.join('–')}`
  return length || 'measuring…'
}

export function channelWords(count: number): string {
  const names: Record<number, string> = { 1: 'mono', 2: 'stereo', 6: '5.1' }
  return names[count] ?? `${count} channels`
}
