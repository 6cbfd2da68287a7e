import * as z from 'zod'

/** How strictly messages are cleaned before they are read aloud: three ready levels, and every step on its own. */
export const strictnesses = ['open', 'careful', 'strict'] as const
export const strictness = z.enum(strictnesses)
export type Strictness = z.infer<typeof strictness>

const word = z.string().trim().min(1).max(60)

/** What is done to a message before it is read aloud. */
export const speechRules = z.object({
  /** Addresses are read as the word "link". */
  easesLinks: z.boolean(),
  /** How many times the same letter may follow itself; more is two. 0: as often as it is written. */
  lettersInARow: z.int().min(0).max(50),
  /** How many times the same words may follow themselves. 0: as often as they are written. */
  wordsInARow: z.int().min(0).max(50),
  /** Numbers of more figures are "a very long number". 0: every number is read. */
  figures: z.int().min(0).max(100),
  /** Words in capitals are read as words, not spelled out or shouted. */
  easesCapitals: z.boolean(),
  emoji: z.enum(['keep', 'once', 'drop']),
  /** The platform's own pictures in a message are read by their names, or left out. */
  readsEmotes: z.boolean(),
  /** What becomes of a message with blocked words: they are left out, or none of it is read. */
  blocked: z.enum(['keep', 'leaveOut', 'refuse']),
  /** Words of the channel's own that are blocked besides the lists, and words of the lists that are fine here. */
  ownBlocked: z.array(word).max(500),
  allowed: z.array(word).max(500),
  /** How names and words are spoken here. */
  pronunciations: z.array(z.object({ written: word, spoken: word })).max(300),
  maxLetters: z.int().min(10).max(500, 'a voice reads at most 500 letters'),
  maxSeconds: z.number().min(1).max(60),
})
export type SpeechRules = z.infer<typeof speechRules>

const own = { ownBlocked: [], allowed: [], pronunciations: [] }

/** The ready levels. *open* only takes away what nobody hears; *careful* is what a channel begins with. */
export const readyRules: Record<Strictness, SpeechRules> = {
  open: {
    easesLinks: false,
    lettersInARow: 0,
    wordsInARow: 0,
    figures: 0,
    easesCapitals: false,
    emoji: 'keep',
    readsEmotes: true,
    blocked: 'keep',
    ...own,
    maxLetters: 500,
    maxSeconds: 60,
  },
  careful: {
    easesLinks: true,
    lettersInARow: 3,
    wordsInARow: 3,
    figures: 8,
    easesCapitals: true,
    emoji: 'once',
    readsEmotes: false,
    blocked: 'leaveOut',
    ...own,
    maxLetters: 300,
    maxSeconds: 25,
  },
  strict: {
    easesLinks: true,
    lettersInARow: 2,
    wordsInARow: 2,
    figures: 5,
    easesCapitals: true,
    emoji: 'drop',
    readsEmotes: false,
    blocked: 'refuse',
    ...own,
    maxLetters: 180,
    maxSeconds: 14,
  },
}
