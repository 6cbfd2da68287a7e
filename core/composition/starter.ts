import type { EventKind } from '../events/kinds.ts'
import type { Alert } from './box.ts'
import type { Canvas } from './canvas.ts'
import type { Composition } from './schema.ts'
import { starterLine, starterPicture, starterSound } from './starterParts.ts'

/** Words that an alert of each kind starts with. */
const starterWords: Record<EventKind, { headline: string; second: string }> = {
  follow: { headline: '{name}', second: 'is now following' },
  subscription: { headline: '{name}', second: 'subscribed at tier {tier}' },
  resubscription: { headline: '{name}', second: 'stays for month {months}' },
  giftBatch: { headline: '{name}', second: 'gave away {count} subscriptions' },
  giftRecipient: { headline: '{recipient}', second: 'received a subscription from {name}' },
  membership: { headline: '{name}', second: 'became a member: {level}' },
  membershipRenewal: { headline: '{name}', second: 'is a member for {months} months' },
  tip: { headline: '{name}', second: 'tipped {amount}' },
  paidMessage: { headline: '{name}', second: 'paid {amount} to say something' },
  charityDonation: { headline: '{name}', second: 'donated {amount}' },
  applause: { headline: '{name}', second: 'clapped with {points} points' },
  raid: { headline: '{name}', second: 'arrives with {party}' },
  purchase: { headline: '{name}', second: 'bought {item}' },
  surgeStarted: { headline: 'A surge begins', second: 'level {level}' },
  surgeLevelled: { headline: 'Level {level}', second: '{points} points together' },
  surgeEnded: { headline: 'The surge is over', second: 'level {level}, {points} points' },
  goalStarted: { headline: '{goal}', second: 'a new goal: {amount}' },
  goalReached: { headline: '{goal}', second: 'reached: {amount}' },
  redemption: { headline: '{name}', second: 'redeemed {reward}' },
  chatCommand: { headline: '{name}', second: 'called {command}' },
  chatMessage: { headline: '{name}', second: '{message}' },
}

export interface StarterMedia {
  pictureId: string | null
  soundId: string | null
}

/** Words, picture and sound arranged so that nothing overlaps: the text enters when the picture has entered. */
export function starterComposition(
  canvas: Canvas,
  words: { headline: string; second: string },
  media: StarterMedia,
): Composition {
  return {
    version: 4,
    length: { rule: 'fixed', ms: 7000 },
    silenced: [],
    parts: [
      starterPicture(canvas, media.pictureId),
      starterLine(canvas, 'headline', words.headline, { at: 'picture.entered', offsetMs: 0 }),
      starterLine(canvas, 'second', words.second, { at: 'headline.entered', offsetMs: -200 }),
      starterSound(media.soundId),
    ],
  }
}

/** An alert for a kind of event, with one everyday variation. */
export function starterAlert(kind: EventKind, canvas: Canvas, media: StarterMedia, words = starterWords[kind]): Alert {
  const id = kind.toLowerCase()
  return {
    id,
    kinds: [kind],
    isOn: true,
    offer: null,
    variations: [
      {
        id: `${id}-everyday`,
        name: 'Everyday',
        rule: null,
        share: null,
        composition: starterComposition(canvas, words, media),
      },
    ],
  }
}
