import { OggVorbisDecoder } from '@wasm-audio-decoders/ogg-vorbis'
import { OggOpusDecoder } from 'ogg-opus-decoder'
import { speakersOf } from '../../../../core/audio/speakers.ts'
import { Refusal } from '../refusal.ts'
import { piecesOf } from './pieces.ts'
import type { DecodedPiece } from './decode.ts'

interface OggDecoder {
  ready: Promise<unknown>
  decode(
    piece: Uint8Array,
  ):
    | { channelData: Float32Array[]; samplesDecoded: number; sampleRate: number }
    | Promise<{ channelData: Float32Array[]; samplesDecoded: number; sampleRate: number }>
  flush(): Promise<{ channelData: Float32Array[]; samplesDecoded: number; sampleRate: number }>
  free(): void
}

export const decodeVorbis = (bytes: Uint8Array) => decodeOgg(bytes, new OggVorbisDecoder() as OggDecoder)
export const decodeOpus = (bytes: Uint8Array) => decodeOgg(bytes, new OggOpusDecoder() as OggDecoder)

async function* decodeOgg(bytes: Uint8Array, decoder: OggDecoder): AsyncGenerator<DecodedPiece> {
  if (!endsWithLastPage(bytes))
    throw new Refusal('The file ends in the middle of the sound.', 'Copy or export it again.')
  await decoder.ready
  try {
    for (const piece of piecesOf(bytes)) {
      const decoded = await decoder.decode(piece)
      if (decoded.samplesDecoded > 0) yield pieceOf(decoded)
    }
    const rest = await decoder.flush()
    if (rest.samplesDecoded > 0) yield pieceOf(rest)
  } finally {
    decoder.free()
  }
}

const pieceOf = ({ channelData, sampleRate }: { channelData: Float32Array[]; sampleRate: number }): DecodedPiece => ({
  channels: channelData,
  rateHz: sampleRate,
  speakers: speakersOf('vorbis', channelData.length),
})

/** Whether the last page is whole and says that it is the last (RFC 3533 § 6: flag 4). */
function endsWithLastPage(bytes: Uint8Array): boolean {
  const file = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.length)
  const page = file.lastIndexOf('OggS', undefined, 'latin1')
  if (page < 0 || page + 27 > file.length) return false
  const segments = file.readUInt8(page + 26)
  if (page + 27 + segments > file.length) return false
  const size = file.subarray(page + 27, page + 27 + segments).reduce((sum, length) => sum + length, 0)
  return (file.readUInt8(page + 5) & 4) === 4 && page + 27 + segments + size <= file.length
}
