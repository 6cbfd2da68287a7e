import type { Alert, BoxDocument, Variation } from '../core/composition/box.ts'
import type { Canvas } from '../core/composition/canvas.ts'
import type { Composition } from '../core/composition/schema.ts'
import { plainBox } from '../core/composition/plainBox.ts'
import { waitingForVoice } from '../core/edit/addPart.ts'
import { starterAlert } from '../core/composition/starter.ts'
import {
  starterBackdrop,
  starterDraw,
  starterLine,
  starterMessage,
  starterParticles,
  starterVoice,
} from '../core/composition/starterParts.ts'
import type { Zone } from '../core/composition/zone.ts'
import type { EventKind } from '../core/events/kinds.ts'
import type { CanonicalEvent } from '../core/events/schema.ts'
import { lanternLook } from '../core/look/lanternLook.ts'
import { paletteFrom } from '../core/look/paletteFrom.ts'
import type { Season } from '../core/look/seasons.ts'
import type { LetterMotion } from '../core/motion/letters.ts'
import type { MotionName } from '../core/motion/schema.ts'
import { copyOf } from '../core/copyOf.ts'
import type { DrawPart } from '../core/score/parts/draw/schema.ts'
import type { PresetName } from '../core/score/parts/particles/presets.ts'
import type { Rule } from '../core/rules/schema.ts'

/** Lantern Loaf: a made-up night bakery that broadcasts while it bakes. */

export const demoChannel = {
  id: 'channel-lantern-loaf',
  name: 'Lantern Loaf',
  locale: 'en-IE',
  timeZone: 'Europe/Lisbon',
  currency: 'EUR',
}

/** The platforms that are linked, three made-up ones and the channel's own tip page. */
export const demoFeeds = ['Alder', 'Birch', 'Cedar', 'Till'] as const

/** Finds the id of a demo media file by its file name without ending. */
export type MediaByFile = (file: string) => string

interface AlertPlan {
  kind: EventKind
  /** Kinds that it listens to besides. */
  also?: readonly EventKind[]
  headline: string
  second: string
  picture: string
  sound: string
  entrance?: MotionName
  lengthMs?: number
  hasBackdrop?: boolean
  hasMessage?: boolean
  /** What a voice says of it before it reads the message. */
  said?: string
  letters?: LetterMotion
  particles?: PresetName
  /** Sounds that viewers choose from, by file and what they read. */
  offersSounds?: readonly { file: string; label: string }[]
  /** Special cases, in the order in which they are asked, before the everyday one. */
  cases?: readonly CasePlan[]
  /** What it says where several have become one. */
  several?: { headline?: string; second: string; picture?: string; sound?: string }
}

/** What a special case says and shows otherwise. */
interface CasePlan {
  id: string
  name: string
  /** Null where only run sheets play it. */
  rule: Rule | null
  headline?: string
  second: string
  picture?: string
  sound?: string
  lengthMs?: number
  /** A prize is drawn instead of showing a picture. */
  draws?: boolean
}

const when = (field: string, is: 'atLeast' | 'exactly' | 'atMost', value: number): Rule => ({
  match: 'all',
  of: [{ field, is, value }],
})
const between = (field: string, from: number, to: number): Rule => ({
  match: 'all',
  of: [{ field, is: 'between', from, to }],
})

const letterwise = (motion: LetterMotion['motion'], staggerMs: number, ms: number): LetterMotion => ({
  motion,
  unit: 'letter',
  order: 'start',
  staggerMs,
  ms,
  strength: 1,
})

const plans: readonly AlertPlan[] = [
  {
    kind: 'follow',
    headline: '{name}',
    second: 'joins the night shift',
    picture: 'lantern',
    sound: 'oven-bell',
    several: { second: 'and {others, plural, one {# more joins} other {# more join}} the night shift' },
  },
  {
    kind: 'subscription',
    headline: '{name}',
    second: 'has a standing order, tier {tier}',
    picture: 'rising-loaf',
    sound: 'dough-thump',
    entrance: 'rise',
    hasBackdrop: true,
  },
  {
    kind: 'resubscription',
    headline: '{name}',
    second: 'month {months} of the standing order',
    picture: 'loaf',
    sound: 'dough-thump',
    entrance: 'spring',
    letters: letterwise('ripple', 80, 1400),
    cases: [
      {
        id: 'year',
        name: 'A year of bread',
        rule: when('months', 'exactly', 12),
        second: 'a year of bread',
        picture: 'golden-crust',
        sound: 'rush-hour-brass',
        lengthMs: 9000,
      },
      {
        id: 'years',
        name: 'Two years and more',
        rule: when('months', 'atLeast', 24),
        second: '{months} months at this counter',
        picture: 'rising-loaf',
        sound: 'rush-hour-brass',
      },
      {
        id: 'again',
        name: 'Again',
        rule: when('months', 'atLeast', 2),
        second: 'month {months} of the standing order',
      },
    ],
  },
  {
    kind: 'giftBatch',
    headline: 'A tray of {count}',
    second: 'from {name}',
    picture: 'tray-of-five',
    sound: 'tray-slide',
    entrance: 'fromLeft',
    hasBackdrop: true,
    particles: 'rosette',
    several: {
      headline: '{count} for the counter',
      second: 'from {name} and {others, plural, one {# other} other {# others}}',
    },
    cases: [
      {
        id: 'rack',
        name: 'The whole rack',
        rule: when('count', 'atLeast', 20),
        second: 'the whole rack, from {name}',
        picture: 'golden-crust',
        sound: 'rush-hour-brass',
        lengthMs: 9000,
      },
      { id: 'tray', name: 'A tray of five', rule: when('count', 'exactly', 5), second: 'a tray of five, from {name}' },
    ],
  },
  {
    kind: 'tip',
    headline: '{name} left {amount}',
    second: 'for the night bakers',
    picture: 'golden-crust',
    sound: 'paper-bag',
    entrance: 'zoom',
    lengthMs: 8000,
    hasMessage: true,
    said: '{name} left {amount}',
    particles: 'scatter',
    several: {
      headline: '{name} and {others, plural, one {# more} other {# more}}',
      second: 'left {total} for the night bakers',
    },
    offersSounds: [
      { file: 'oven-bell', label: 'oven bell' },
      { file: 'tray-slide', label: 'tray slide' },
      { file: 'kettle', label: 'kettle' },
    ],
    cases: [
      {
        id: 'fire',
        name: 'Oven on fire',
        rule: when('amount', 'atLeast', 10_000),
        second: 'and the oven is on fire',
        picture: 'oven-on-fire',
        sound: 'rush-hour-brass',
        lengthMs: 10_000,
      },
      { id: 'loaf', name: 'Loaf', rule: between('amount', 2000, 9999), second: 'a whole loaf for the night bakers' },
      {
        id: 'slice',
        name: 'Slice',
        rule: between('amount', 500, 1999),
        second: 'a slice for the night bakers',
        picture: 'loaf',
        sound: 'oven-bell',
      },
    ],
  },
  {
    kind: 'raid',
    headline: 'A queue at the door',
    second: '{name} brings {party, plural, one {# guest} other {# guests}}',
    picture: 'queue-at-the-door',
    sound: 'rush-hour-brass',
    entrance: 'fromRight',
    lengthMs: 9000,
    hasBackdrop: true,
    cases: [
      {
        id: 'queue',
        name: 'A queue at the door',
        rule: when('party', 'atLeast', 50),
        second: '{name} brings {party} guests round the corner',
      },
    ],
  },
  {
    kind: 'applause',
    headline: '{name} claps',
    second: '{points, plural, one {# point} other {# points}}',
    picture: 'flour',
    sound: 'crackle',
    entrance: 'drop',
    letters: letterwise('bloom', 40, 500),
  },
  {
    kind: 'surgeStarted',
    also: ['surgeLevelled', 'surgeEnded'],
    headline: 'Rush hour',
    second: 'level {level}, {points} points together',
    picture: 'flour',
    sound: 'rush-hour-brass',
    entrance: 'rise',
    hasBackdrop: true,
    lengthMs: 6000,
    cases: [
      {
        id: 'begins',
        name: 'Rush hour begins',
        rule: { match: 'all', of: [{ field: 'kind', is: 'oneOf', values: ['surgeStarted'] }] },
        second: 'it begins: {points} points',
      },
      {
        id: 'over',
        name: 'Rush hour is over',
        rule: { match: 'all', of: [{ field: 'kind', is: 'oneOf', values: ['surgeEnded'] }] },
        second: 'over at level {level}, with {points} points',
        picture: 'rising-loaf',
        sound: 'kettle',
      },
    ],
  },
  {
    kind: 'redemption',
    headline: '{reward}',
    second: 'called by {name}',
    picture: 'swinging-bell',
    sound: 'oven-bell',
    entrance: 'drop',
    lengthMs: 5000,
    offersSounds: [
      { file: 'oven-bell', label: 'oven bell' },
      { file: 'kettle', label: 'kettle' },
      { file: 'dough-thump', label: 'dough thump' },
    ],
    cases: [
      {
        id: 'crust',
        name: 'Golden crust draw',
        rule: null,
        second: '{name} reaches for the shelf',
        draws: true,
      },
      {
        id: 'bell',
        name: 'Oven bell',
        rule: null,
        headline: '{name}',
        second: 'rang the oven bell',
        picture: 'swinging-bell',
        lengthMs: 4500,
      },
      {
        id: 'oven',
        name: 'Oven cam',
        rule: null,
        headline: 'Mind the heat',
        second: '{name} opens the oven',
        picture: 'flames',
        sound: 'crackle',
        lengthMs: 4500,
      },
      {
        id: 'loaf',
        name: 'A loaf gets a name',
        rule: null,
        headline: '{input}',
        second: 'so says {name}',
        picture: 'loaf',
        sound: 'dough-thump',
        lengthMs: 6000,
      },
      {
        id: 'flour',
        name: 'Flour cloud',
        rule: null,
        headline: 'Flour!',
        second: '{name} shook the sack',
        picture: 'flour',
        sound: 'dough-thump',
        lengthMs: 4000,
      },
      {
        id: 'rise',
        name: 'The dough rises',
        rule: null,
        headline: 'It rises',
        second: 'because you all asked for it',
        picture: 'rising-loaf',
        sound: 'rush-hour-brass',
        lengthMs: 6000,
      },
    ],
  },
  {
    kind: 'goalReached',
    headline: 'Goal reached',
    second: '{goal}: {amount}',
    picture: 'flames',
    sound: 'kettle',
    entrance: 'rise',
    lengthMs: 9500,
    particles: 'embers',
  },
]

function alertOf(plan: AlertPlan, canvas: Canvas, media: MediaByFile): Alert {
  const files = { pictureId: media(plan.picture), soundId: media(plan.sound) }
  const alert = starterAlert(plan.kind, canvas, files, { headline: plan.headline, second: plan.second })
  alert.kinds.push(...(plan.also ?? []))
  if (plan.offersSounds)
    alert.offer = {
      kind: 'sound',
      options: plan.offersSounds.map(({ file, label }) => ({ id: file, label, mediaId: media(file) })),
    }
  const composition = alert.variations[0]?.composition
  if (!composition) return alert
  if (plan.lengthMs) composition.length = { rule: 'fixed', ms: plan.lengthMs }
  for (const part of composition.parts) {
    if (part.kind === 'picture' && plan.entrance)
      part.motion.entrance = { motion: plan.entrance, ms: 900, easing: null }
    if (part.kind === 'sound' && plan.offersSounds) part.takesChoice = true
    if (part.kind === 'line' && part.id === 'headline') part.letters = plan.letters ?? null
    if (part.kind === 'line' && canvas.heightPx > canvas.widthPx) part.maxWidthPx = canvas.widthPx * 0.9
  }
  if (plan.hasBackdrop)
    composition.parts.unshift(starterBackdrop(canvas, ['headline', 'second'], { at: 'headline.start', offsetMs: -120 }))
  if (plan.hasMessage) composition.parts.push(starterMessage(canvas, { at: 'second.entered', offsetMs: 0 }))
  if (plan.said) {
    composition.parts.push(starterVoice(plan.said, { at: 'headline.entered', offsetMs: 0 }))
    composition.length = waitingForVoice(composition.length)
    for (const part of composition.parts)
      if (part.kind === 'message') part.readAlong = { ink: { role: 'accent' }, keeps: true }
  }
  if (plan.particles)
    composition.parts.push(starterParticles(canvas, plan.particles, { at: 'picture.entered', offsetMs: 0 }))
  const special = (plan.cases ?? []).map((each) => caseOf(each, composition, plan.kind, canvas, media))
  alert.variations.unshift(...special, ...(plan.several ? [severalOf(plan, composition, canvas, media)] : []))
  return alert
}

/** What is shown where several have become one: nobody's message is in it, and no voice reads one. */
function severalOf(plan: AlertPlan, everyday: Composition, canvas: Canvas, media: MediaByFile): Variation {
  const special = { id: 'several', name: 'Several at once', rule: null, second: '', ...plan.several }
  const { isCalled: _never, ...variation } = caseOf(special, everyday, plan.kind, canvas, media)
  const { parts } = variation.composition
  variation.composition.parts = parts.filter(({ kind }) => kind !== 'message' && kind !== 'voice')
  variation.composition.length = { rule: 'fixed', ms: plan.lengthMs ?? 7000 }
  for (const part of variation.composition.parts) if (part.kind === 'sound') part.takesChoice = false
  return { ...variation, isForSeveral: true }
}

/** The everyday composition with what is special about a case. */
function caseOf(
  { id, name, rule, headline, second, picture, sound, lengthMs, draws }: CasePlan,
  everyday: Composition,
  kind: EventKind,
  canvas: Canvas,
  media: MediaByFile,
): Variation {
  const composition = copyOf(everyday)
  if (draws) {
    const words = starterLine(canvas, 'second', second)
    composition.length = { rule: 'fit', minMs: 3000, maxMs: 30_000 }
    // Above where the prize lands.
    composition.parts = [
      { ...words, place: { ...words.place, yPx: Math.round(canvas.heightPx * 0.09) } },
      goldenCrust(canvas, media),
    ]
  }
  if (lengthMs)
    composition.length =
      everyday.length.rule === 'fit'
        ? waitingForVoice({ rule: 'fixed', ms: lengthMs })
        : { rule: 'fixed', ms: lengthMs }
  for (const part of composition.parts) {
    if (part.kind === 'line' && part.id === 'second') part.template = second
    if (part.kind === 'line' && part.id === 'headline' && headline) part.template = headline
    if (part.kind === 'picture' && picture) part.mediaId = media(picture)
    if (part.kind === 'sound' && sound) part.mediaId = media(sound)
  }
  const isCalled = rule === null ? { isCalled: true as const } : {}
  return { id: `${kind.toLowerCase()}-${id}`, name, rule, share: null, ...isCalled, composition }
}

/** What stands on the shelf of the night bakery: one of five, the golden crust rarely. */
function goldenCrust(canvas: Canvas, media: MediaByFile): DrawPart {
  const prize = (id: string, name: string, weight: number) => ({ id, name, mediaId: media(id), weight })
  return {
    ...starterDraw(canvas),
    name: 'Golden crust draw',
    prizes: [
      prize('croissant', 'Croissant', 3),
      prize('rye', 'Rye', 3),
      prize('bun', 'Bun', 4),
      prize('pretzel', 'Pretzel', 2),
      prize('golden-crust', 'Golden crust', 1),
    ],
    rare: { prizeId: 'golden-crust', percent: 4 },
    face: { template: 'golden crust draw · one of five for {name}', pxPerS: 90 },
    sounds: { stroke: media('tray-slide'), open: media('paper-bag'), rare: media('rush-hour-brass') },
  }
}

/** The weeks before the Three Kings: the bakery in frost. */
const frostWindow: Season = {
  id: 'frost',
  from: '12-01',
  to: '01-06',
  look: { ...lanternLook, name: 'Frosted window', palette: paletteFrom('#7FC8E8', '#F2B8C6'), speedRatio: 0.8 },
  swaps: [],
}

/** Where the oven camera is in the counter's scene. */
const ovenCamera: Zone = {
  id: 'oven-cam',
  name: 'Oven cam',
  purpose: 'camera',
  xPx: 40,
  yPx: 40,
  widthPx: 420,
  heightPx: 300,
}

function documentOf(canvas: Canvas, kinds: readonly EventKind[] | null, media: MediaByFile): BoxDocument {
  const alerts = plans
    .filter((plan) => kinds === null || kinds.includes(plan.kind))
    .map((plan) => alertOf(plan, canvas, media))
  return {
    ...plainBox(canvas, alerts),
    seasons: [frostWindow],
    zones: canvas.widthPx > canvas.heightPx ? [ovenCamera] : [],
  }
}

export function demoBoxes(media: MediaByFile): { id: string; name: string; document: BoxDocument }[] {
  return [
    {
      id: 'box-night-counter',
      name: 'Night counter',
      document: documentOf({ widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }, null, media),
    },
    {
      id: 'box-street-window',
      name: 'Street window',
      document: {
        ...documentOf({ widthPx: 1080, heightPx: 1920, framesPerSecond: 30 }, ['follow', 'tip', 'raid'], media),
        // A box from before there was more to say: a rehearsal shows what that costs.
        policy: [{ rule: 'gap', isOn: true, ms: 800 }],
      },
    },
  ]
}

type Earlier = Pick<CanonicalEvent, 'kind' | 'data'> & {
  minutesAgo: number
  ends?: { outcome: 'skipped' | 'expired'; reason: string }
}
const by = (id: string, name: string) => ({ id, name })

/** What happened before the first visit: a quiet hour, so that the desk's log has something to say. */
export const earlierTonight: readonly Earlier[] = [
  { minutesAgo: 58, kind: 'follow', data: { viewer: by('v-01', 'caraway_owl') } },
  {
    minutesAgo: 52,
    kind: 'tip',
    data: {
      viewer: by('v-02', 'Tomé Brandão'),
      amountMinor: 2500,
      currency: 'EUR',
      message: { text: 'o pão de centeio é o melhor da noite' },
    },
  },
  {
    minutesAgo: 47,
    kind: 'resubscription',
    data: {
      viewer: by('v-03', 'MarrowHat'),
      tier: 2,
      months: 12,
      message: { text: 'twelve months of the best crust in town 🔥🔥🔥🔥🔥🔥' },
    },
  },
  { minutesAgo: 41, kind: 'raid', data: { viewer: by('v-01', 'caraway_owl'), partySize: 64 } },
  {
    minutesAgo: 40,
    kind: 'follow',
    data: { viewer: by('v-04', 'Juno Flint') },
    ends: { outcome: 'expired', reason: 'no source was connected for 134 s' },
  },
  { minutesAgo: 33, kind: 'giftBatch', data: { viewer: by('v-05', 'sootkettle'), tier: 1, count: 5, groupId: 'g-1' } },
  {
    minutesAgo: 26,
    kind: 'follow',
    data: { viewer: by('v-06', 'the_person_with_an_exceptionally_long_display_name') },
  },
  { minutesAgo: 21, kind: 'follow', data: { viewer: by('v-07', 'نورا_خبز') } },
  {
    minutesAgo: 14,
    kind: 'tip',
    data: {
      viewer: by('v-08', "O'Malt"),
      amountMinor: 300,
      currency: 'EUR',
      message: { text: 'HURRY UP WITH THE CRUSTTTTTTT 11111111111111111111 www.free-loaves.example' },
    },
  },
  {
    minutesAgo: 9,
    kind: 'follow',
    data: { viewer: by('v-09', '🥐wisp') },
    ends: { outcome: 'skipped', reason: 'skipped by tallowmoth' },
  },
  {
    minutesAgo: 4,
    kind: 'redemption',
    data: { viewer: by('v-10', 'kneadybeast'), reward: { id: 'bell', title: 'Ring the oven bell', costPoints: 300 } },
  },
]
