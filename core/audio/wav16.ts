/**
 * Samples as a RIFF WAVE file with 16 bits. What lies beyond full scale is cut off there.
 * @param channels samples in −1…1, all of one length
 */
export function wav16(channels: readonly ArrayLike<number>[], rateHz: number): Uint8Array<ArrayBuffer> {
  const frames = channels[0]?.length ?? 0
  const frameBytes = channels.length * 2
  const file = new DataView(new ArrayBuffer(44 + frames * frameBytes))
  const write = (at: number, text: string) =>
    [...text].forEach((letter, index) => file.setUint8(at + index, letter.charCodeAt(0)))
  write(0, 'RIFF')
  file.setUint32(4, file.byteLength - 8, true)
  write(8, 'WAVEfmt ')
  file.setUint32(16, 16, true)
  file.setUint16(20, 1, true)
  file.setUint16(22, channels.length, true)
  file.setUint32(24, rateHz, true)
  file.setUint32(28, rateHz * frameBytes, true)
  file.setUint16(32, frameBytes, true)
  file.setUint16(34, 16, true)
  write(36, 'data')
  file.setUint32(40, frames * frameBytes, true)
  channels.forEach((samples, channel) => {
    for (let frame = 0; frame < frames; frame++)
      file.setInt16(
        44 + frame * frameBytes + channel * 2,
        Math.round(Math.max(-1, Math.min(1, samples[frame] ?? 0)) * 32_767),
        true,
      )
  })
  return new Uint8Array(file.buffer as ArrayBuffer)
}
