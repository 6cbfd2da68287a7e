import type { SampleOf } from './kindDefinition.ts'
import { kindOf, type EventKind } from './kinds.ts'
import type { CanonicalEvent } from './schema.ts'

const everydayName = 'pip_rye'

/**
 * Samples that show what a design can take, by the viewer's name: an everyday one, everything as long and as large as it can be, an
 * emoji, right-to-left, markup; and an everyday viewer who wrote nothing, wrote very much, or gave the largest number.
 */
export const sampleNames = {
  everyday: everydayName,
  longest: 'the_person_with_an_exceptionally_long_display_name',
  emoji: '🥐wisp',
  rightToLeft: 'نورا_خبز',
  markup: '<b>bold</b>',
  noMessage: everydayName,
  longestMessage: everydayName,
  largestNumber: everydayName,
} as const
export type SampleName = keyof typeof sampleNames

/** A loaf with a heart, drawn small: what a platform's emote is in samples, without any network. */
const emoteUrl =
  'data:image/svg+xml,' +
  encodeURIComponent(
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 28 28"><path d="M3 19C2 10 8 6 14 6s12 4 11 13q0 3-3 3H6q-3 0-3-3Z" fill="#E0964B" stroke="#3A1D0C" stroke-width="1.6"/><path d="M14 19l-4-4a2.4 2.4 0 0 1 4-2.6 2.4 2.4 0 0 1 4 2.6Z" fill="#C4503A"/></svg>',
  )
const emoteWord = 'loafHug'

const everydayMessage = `o pão de centeio é o melhor da noite ${emoteWord}`
const longestMessage = `I have been watching since the very first batch came out of this oven and I still cannot decide between the rye and the long ferment with the walnuts, so please bake both of them again tomorrow ${emoteWord} and save me a slice of each, thank you all`

/** What a sample viewer writes; each word `loafHug` is an emote. */
const sampleMessages: Record<SampleName, string> = {
  everyday: everydayMessage,
  longest: longestMessage,
  emoji: `🥐🔥 ${emoteWord} ${emoteWord} 👩‍🍳`,
  rightToLeft: 'الخبز هنا أفضل من أي مكان آخر',
  markup: '<script>alert(1)</script> {name} & co',
  noMessage: '',
  longestMessage,
  largestNumber: everydayMessage,
}

/** Whose numbers are the largest that are plausible. */
const isLarge = (viewerName: SampleName) => viewerName === 'longest' || viewerName === 'largestNumber'

function messageOf(viewerName: SampleName): { text: string; emotes: { from: number; to: number; url: string }[] } {
  const text = sampleMessages[viewerName]
  return {
    text,
    emotes: [...text.matchAll(new RegExp(emoteWord, 'g'))].map(({ index }) => ({
      from: index,
      to: index + emoteWord.length,
      url: emoteUrl,
    })),
  }
}

/** What samples are made with. */
function sampleOf(viewerName: SampleName): SampleOf {
  return {
    message: messageOf(viewerName),
    longText: longestMessage,
    longName: sampleNames.longest,
    large: (usual, largest) => (isLarge(viewerName) ? largest : usual),
  }
}

/** An event to design and test with: what this kind usually carries, done by the given sample viewer. */
export function sampleEvent<K extends EventKind>(
  kind: K,
  viewerName: SampleName = 'everyday',
  occurredAtMs = 0,
): CanonicalEvent {
  const { message, ...rest } = kindOf(kind).sample(sampleOf(viewerName)) as { message?: SampleOf['message'] }
  const data = {
    viewer: { id: `sample-${viewerName}`, name: sampleNames[viewerName] },
    ...rest,
    ...(message && message.text !== '' ? { message } : {}),
  }
  // One K at a time the pieces fit by construction; the compiler cannot follow that through the union.
  return { kind, source: 'sample', externalId: `sample-${kind}-${viewerName}`, occurredAtMs, data } as CanonicalEvent
}
