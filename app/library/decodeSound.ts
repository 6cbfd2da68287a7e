import { wav16 } from '../../core/audio/wav16.ts'

/** Decodes what this browser knows: also the sound in the file of a video. @throws when it cannot */
export const decodeSound = (bytes: ArrayBuffer): Promise<AudioBuffer> =>
  new OfflineAudioContext(1, 1, 48_000).decodeAudioData(bytes)

/**
 * The sound of a file that only browsers decode (AAC, the track of a video), as a WAV file with 16 bits.
 * @throws when this browser cannot decode it either
 */
export async function soundAsWav(file: Blob, name: string): Promise<File> {
  const buffer = await decodeSound(await file.arrayBuffer())
  const channels = Array.from({ length: buffer.numberOfChannels }, (_, channel) => buffer.getChannelData(channel))
  return new File([wav16(channels, buffer.sampleRate)], `${name.replace(/\.[^.]{1,5}$/, '')}.wav`, {
    type: 'audio/wav',
  })
}
