import type { SampleName } from '../../core/events/sampleEvent.ts'

/** How each sample is called. */
export const sampleWords: Record<SampleName, string> = {
  everyday: 'everyday',
  longest: 'long',
  emoji: 'emoji',
  rightToLeft: 'right-to-left',
  markup: 'markup',
  noMessage: 'no message',
  longestMessage: 'longest message',
  largestNumber: 'largest number',
}
