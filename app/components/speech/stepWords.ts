import type { SpeechStep } from '../../../core/speech/cleanSpeech.ts'
import type { Abuse } from '../../../core/speech/trialMessages.ts'

/** What each step of cleaning does, as people read it. */
export const stepWords: Record<SpeechStep, string> = {
  emotes: 'The platform’s emotes are left out',
  unseen: 'What is not seen, and marks piled on letters, are taken off',
  links: 'An address becomes “link”',
  capitals: 'Shouting is eased',
  blocked: 'Blocked words are left out',
  emoji: 'Rows of emoji become one',
  numbers: 'A long number is said shortly',
  letters: 'Held letters are shortened',
  words: 'Repeated words are shortened',
  length: 'It is cut to the most letters',
  seconds: 'It is cut to the most seconds',
}

export const abuseWords: Record<Abuse, string> = {
  numbers: 'endless figures',
  stretched: 'a letter held',
  repeated: 'words repeated',
  links: 'addresses',
  emoji: 'walls of emoji',
  shouted: 'shouting',
  blocked: 'blocked words',
  disguised: 'disguised words',
  unseen: 'unseen letters',
  endless: 'endless text',
}
