import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'

/** The engines that the alerts of a channel that are on air speak with; none while reading aloud is switched off. */
export function enginesUsed({ boxes, speech }: Pick<ChannelOnAir, 'boxes' | 'speech'>): Set<string> {
  const used = new Set<string>()
  if (!speech.isOn) return used
  for (const { version } of boxes) {
    for (const { variations } of version?.document.alerts ?? []) {
      for (const part of variations.flatMap(({ composition }) => composition.parts)) {
        if (part.kind !== 'voice' || part.isMuted) continue
        used.add((part.lineVoice ?? speech.lineVoice).engine)
        if (part.readsMessage) used.add((part.messageVoice ?? speech.messageVoice).engine)
      }
    }
  }
  return used
}
