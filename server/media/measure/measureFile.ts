import { fileTypeFromBuffer } from 'file-type'
import { apngHeader, measureApng } from './apng.ts'
import { measureFont } from './font.ts'
import { limits } from './limits.ts'
import type { Measurement } from './measurement.ts'
import { measurePicture } from './picture.ts'
import { Refusal } from './refusal.ts'
import { readEbml } from './ebml.ts'
import { startsAsSvg } from './svgStart.ts'
import { measureSound } from './sounds/sound.ts'
import { measureSvg } from './svg.ts'
import { looksLikeVector, measureVector } from './vector.ts'
import { measureVideo } from './video.ts'

const taken =
  'Pictures (PNG, JPEG, WebP, AVIF, GIF, SVG), videos (WebM, MP4), sounds (WAV, MP3, Ogg, Opus, FLAC, M4A), Lottie animations and fonts are taken.'

/** How a type is measured, how large its files may be, and how long it may take on a slow machine. */
interface Kind {
  maxBytes: number
  deadlineMs: number
  measure: (bytes: Uint8Array) => Measurement | Promise<Measurement>
}

const pictureKind = (mime: string): Kind => ({
  maxBytes: limits.pictureBytes,
  deadlineMs: 20_000,
  measure: (bytes) => measurePicture(bytes, mime),
})
const soundKind = (mime: string): Kind => ({
  maxBytes: limits.soundBytes,
  deadlineMs: 30_000,
  measure: (bytes) => measureSound(bytes, mime),
})
const videoKind = (mime: string): Kind => ({
  maxBytes: limits.videoBytes,
  deadlineMs: 30_000,
  measure: (bytes) => measureVideo(bytes, mime),
})
const fontKind = (mime: string): Kind => ({
  maxBytes: limits.fontBytes,
  deadlineMs: 6_000,
  measure: (bytes) => measureFont(bytes, mime),
})
const refuse = (reason: string, advice: string, canDecodeInBrowser = false): Kind => ({
  maxBytes: Infinity,
  deadlineMs: 6_000,
  measure: () => {
    throw new Refusal(reason, advice, canDecodeInBrowser)
  },
})
const aac = refuse('AAC sound is only decoded by browsers.', 'Save it as MP3, Ogg or WAV.', true)
const heic = refuse('HEIC pictures are not shown by browser sources.', 'Save it as JPEG, PNG or WebP.')

/** Every type that is known, by what its content is. */
const kinds: Record<string, Kind> = {
  'image/png': pictureKind('image/png'),
  'image/jpeg': pictureKind('image/jpeg'),
  'image/webp': pictureKind('image/webp'),
  'image/gif': pictureKind('image/gif'),
  'image/avif': pictureKind('image/avif'),
  'image/apng': { maxBytes: limits.pictureBytes, deadlineMs: 20_000, measure: measureApng },
  'image/svg+xml': { maxBytes: limits.vectorBytes, deadlineMs: 6_000, measure: measureSvg },
  'video/webm': videoKind('video/webm'),
  'video/mp4': videoKind('video/mp4'),
  'video/lottie+json': { maxBytes: limits.vectorBytes, deadlineMs: 6_000, measure: measureVector },
  'audio/wav': soundKind('audio/wav'),
  'audio/mpeg': soundKind('audio/mpeg'),
  'audio/flac': soundKind('audio/flac'),
  'audio/ogg; codecs=vorbis': soundKind('audio/ogg; codecs=vorbis'),
  'audio/ogg; codecs=opus': soundKind('audio/ogg; codecs=opus'),
  'font/woff2': fontKind('font/woff2'),
  'font/ttf': fontKind('font/ttf'),
  'font/otf': fontKind('font/otf'),
  'audio/aac': aac,
  'audio/x-m4a': aac,
  'audio/mp4': aac,
  'image/avif-sequence': refuse(
    'Animated AVIF is not played reliably by browser sources.',
    'Save it as animated WebP or as a WebM video.',
  ),
  'image/heic': heic,
  'image/heif': heic,
  'video/quicktime': refuse(
    'QuickTime videos (ProRes, HEVC) do not play in a browser source.',
    'Save it as WebM (VP9, with transparency if you need it) or as MP4 (H.264).',
  ),
  'video/x-damaged-webm': refuse('The video cannot be read: it is damaged or incomplete.', 'Copy or export it again.'),
  'video/matroska': refuse(
    'Matroska videos do not play in a browser source.',
    'Save it as WebM or MP4; a program for video can do that without encoding anew.',
  ),
  'font/collection': refuse(
    'The file is a collection of several fonts.',
    'Take the WOFF2, TTF or OTF file of a single font.',
  ),
}

/** Names that the sniffing library has for what is called otherwise here. */
const sameAs: Record<string, string> = {
  'audio/vnd.wave': 'audio/wav',
  'audio/wave': 'audio/wav',
  'audio/x-flac': 'audio/flac',
  'image/heic-sequence': 'image/heic',
  'image/heif-sequence': 'image/heif',
  'video/x-matroska': 'video/matroska',
  'video/x-m4v': 'video/mp4',
  'image/vnd.mozilla.apng': 'image/apng',
}

/** What an Ogg file holds, by the name in its first page. */
function oggSound(head: Buffer): string | null {
  if (head.includes('OpusHead')) return 'audio/ogg; codecs=opus'
  return head.includes('\u0001vorbis') ? 'audio/ogg; codecs=vorbis' : null
}

const ebmlKinds: Record<string, string> = { webm: 'video/webm', matroska: 'video/matroska' }
const startsWith = (bytes: Uint8Array, head: readonly number[]) => head.every((byte, at) => bytes[at] === byte)

/** The type of a file by its content, whatever it is called; null for what is not known. */
export async function typeOf(bytes: Uint8Array): Promise<string | null> {
  // Told here: whoever looks for it everywhere in a file that is nested deeply takes long.
  if (startsWith(bytes, [0x1a, 0x45, 0xdf, 0xa3])) return ebmlKinds[readEbml(bytes) ?? ''] ?? 'video/x-damaged-webm'
  const found = await fileTypeFromBuffer(bytes)
  const mime = found ? (sameAs[found.mime] ?? found.mime) : null
  const head = Buffer.from(bytes.buffer, bytes.byteOffset, Math.min(bytes.length, 4096))
  if (mime === 'audio/ogg' || mime === 'video/ogg' || mime === 'application/ogg') return oggSound(head)
  if (mime === 'image/avif') return head.subarray(8, 12).toString('latin1') === 'avis' ? 'image/avif-sequence' : mime
  if (mime === 'image/png' && apngHeader(bytes)) return 'image/apng'
  if (mime === 'application/xml' || mime === null) {
    const text = new TextDecoder().decode(bytes.subarray(0, 65_536)).trimStart()
    if (startsAsSvg(text)) return 'image/svg+xml'
    if (looksLikeVector(text) || (text.startsWith('{') && looksLikeVector(new TextDecoder().decode(bytes))))
      return 'video/lottie+json'
  }
  return mime
}

/**
 * Finds out what a file is and measures it. All decoding of untrusted files happens under this function, in a process
 * of its own.
 * @param onKind told how long the rest may take, once it is known what the file is
 * @throws Refusal with one reason and what to do instead
 */
export async function measureFile(
  bytes: Uint8Array,
  onKind: (deadlineMs: number) => void = () => undefined,
): Promise<Measurement> {
  if (bytes.length === 0) throw new Refusal('The file is empty.', 'Copy it again.')
  const type = await typeOf(bytes)
  const kind = type === null ? undefined : kinds[type]
  if (!kind)
    throw new Refusal(
      type ? `Files of this kind (${type}) cannot be used in an alert.` : 'It cannot be told what this file is.',
      taken,
    )
  if (bytes.length > kind.maxBytes)
    throw new Refusal(
      `The file has ${Math.ceil(bytes.length / 1024 / 1024)} MiB; ${Math.round(kind.maxBytes / 1024 / 1024)} are the most for its kind.`,
      'Make it smaller or shorter.',
    )
  onKind(kind.deadlineMs)
  return kind.measure(bytes)
}
