import type { EventKind } from '../core/events/kinds.ts'
import { openGate, type Gate } from '../core/gate/schema.ts'
import type { SheetNode } from '../core/sheet/schema.ts'
import { newTrigger, type Trigger, type TriggerStart } from '../core/triggers/schema.ts'
import type { CallSettings } from '../core/triggers/settings.ts'
import type { RewardFields } from '../server/platforms/access.ts'
import type { MediaByFile } from './scenario.ts'

/** What viewers of Lantern Loaf can set off. */

export const demoCalls: CallSettings = {
  prefix: '!',
  listWord: 'commands',
  points: {
    name: { one: 'crumb', many: 'crumbs' },
    presence: { points: 5, everyMs: 600_000 },
    earned: [
      { kind: 'follow', points: 50, perMinor: null },
      { kind: 'subscription', points: 200, perMinor: null },
      { kind: 'tip', points: 1, perMinor: 10 },
    ],
  },
}

const reward = (title: string, cost: number, asksForInput = false): RewardFields => ({
  ...{ title, cost, asksForInput },
  isPaused: false,
  stock: null,
})

/** The rewards of the bakery on Alder, by their ids there. */
export const demoRewards: Readonly<Record<string, RewardFields>> = {
  bell: reward('Ring the oven bell', 300),
  oven: reward('Oven cam for 15 seconds', 800),
  loaf: reward('Name this loaf', 500, true),
  flour: reward('Flour cloud', 1000),
  crust: reward('Golden crust draw', 1500),
}

const boxId = 'box-night-counter'
const play = (variationId: string): SheetNode => ({
  ...{ do: 'play', boxId, alertId: 'redemption', variationId: `redemption-${variationId}` },
  isBeside: false,
})
const say = (words: string): SheetNode => ({ do: 'say', words })
const wait = (ms: number): SheetNode => ({ do: 'wait', ms })
const redeemed = (rewardId: string): TriggerStart => ({
  ...{ by: 'reward', source: 'feed:feed-alder', rewardId },
  title: demoRewards[rewardId]?.title ?? '',
})
const typed = (word: string, ...aliases: string[]): TriggerStart => ({ by: 'command', word, aliases })
const happens = (kind: EventKind): TriggerStart => ({ by: 'event', kinds: [kind], rule: null })
/** As long as its sound, so that the cloud is there while it is heard. */
const crackleMs = 3000
const gate = (fields: Partial<Gate>): Gate => ({ ...openGate, ...fields })
const minuteMs = 60_000

/** How much viewers have of the channel's points when the demo begins. */
export const demoBalances: Readonly<Record<string, number>> = {
  pip_rye: 1240,
  MarrowHat: 860,
  'Juno Flint': 515,
  'Tomé Brandão': 350,
  毛毛面包: 95,
}

/** @param media ids of the demo's files */
export function demoTriggers(media: MediaByFile): Trigger[] {
  const sound = (file: string): SheetNode => ({ do: 'sound', boxId, mediaId: media(file), trimDb: 0 })
  const made = (id: string, name: string, fields: Partial<Trigger>): Trigger => ({
    ...newTrigger(id, name),
    isArmed: true,
    ...fields,
  })
  return [
    made('bell', 'Ring the oven bell', {
      starts: [redeemed('bell')],
      about: 'The bell swings on screen, with your name.',
      gate: gate({ againAfter: { allMs: 20_000, viewerMs: 2 * minuteMs } }),
      sheet: { do: 'together', of: [play('bell'), say('{name} rang the oven bell')] },
      refusal: '{name}, the bell still hums. Again in {wait}.',
    }),
    made('oven', 'Oven cam for 15 seconds', {
      starts: [redeemed('oven')],
      about: 'The broadcast looks into the oven, and then back to where it was.',
      gate: gate({ againAfter: { allMs: minuteMs, viewerMs: 0 }, scenes: ['Bench cam', 'Street window'] }),
      sheet: {
        do: 'together',
        of: [
          play('oven'),
          { do: 'inTurn', of: [wait(800), { do: 'scene', scene: 'Oven cam', forMs: 15_000 }] },
          { do: 'inTurn', of: [wait(800), say('mind the heat, {name}')] },
          { do: 'inTurn', of: [wait(10_800), sound('tray-slide')] },
        ],
      },
      refusal: '{name}, the oven is shut. {reason}',
      studioAway: 'giveBack',
    }),
    made('loaf', 'Name this loaf', {
      starts: [redeemed('loaf')],
      about: 'Give the next loaf a name of up to 24 letters.',
      gate: gate({
        who: { match: 'any', of: [{ is: 'role', role: 'subscriber' }] },
        asked: { as: 'text', minLetters: 2, maxLetters: 24, letters: 'any' },
        againAfter: { allMs: 0, viewerMs: 10 * minuteMs },
        stock: 12,
      }),
      sheet: { do: 'together', of: [play('loaf'), say('the next loaf is called {input}, says {name}')] },
      refusal: '{name}: {reason}',
      isDoneByHand: true,
    }),
    made('flour', 'Flour cloud', {
      starts: [redeemed('flour')],
      about: 'A cloud of flour over the cameras for eight seconds.',
      gate: gate({ againAfter: { allMs: 5 * minuteMs, viewerMs: 0 } }),
      sheet: {
        do: 'together',
        of: [play('flour'), { do: 'source', source: 'Flour cloud', shows: 'shown', forMs: 8000 }],
      },
      refusal: '{name}, the flour has to settle. Again in {wait}.',
    }),
    made('crust', 'Golden crust draw', {
      starts: [redeemed('crust')],
      about: 'One of five from the shelf; the golden crust is rare.',
      gate: gate({ againAfter: { allMs: 30_000, viewerMs: 0 } }),
      sheet: { do: 'inTurn', of: [play('crust')] },
      refusal: '{name}, the shelf is being filled. Again in {wait}.',
    }),
    made('bell-typed', 'Bell by hand', {
      starts: [typed('bell', 'sino')],
      about: 'The same bell, for those who keep the shop.',
      gate: gate({
        who: {
          match: 'any',
          of: [
            { is: 'role', role: 'vip' },
            { is: 'role', role: 'moderator' },
          ],
        },
        againAfter: { allMs: 10_000, viewerMs: 0 },
      }),
      sheet: { do: 'inTurn', of: [{ do: 'sheet', triggerId: 'bell' }] },
      refusal: '{name}: {reason}',
    }),
    made('rise', 'The dough rises', {
      starts: [typed('rise', 'sobe')],
      about: 'Five of you within a minute, and it rises.',
      gate: gate({ votes: { needed: 5, withinMs: minuteMs }, againAfter: { allMs: 3 * minuteMs, viewerMs: 0 } }),
      sheet: {
        do: 'together',
        of: [play('rise'), { do: 'counter', counter: 'doughs', change: 1 }, say('dough number {doughs} rises')],
      },
    }),
    made('crumb', 'How many crumbs', {
      starts: [typed('crumb', 'crumbs')],
      about: 'Says how many crumbs you have.',
      gate: gate({ againAfter: { allMs: 0, viewerMs: 30_000 } }),
      sheet: {
        do: 'inTurn',
        of: [say('{name} has {points, plural, one {# crumb} other {# crumbs}}')],
      },
      again: 'together',
    }),
    made('rush-begins', 'Rush hour begins', {
      starts: [happens('surgeStarted')],
      sheet: {
        do: 'together',
        of: [
          sound('crackle'),
          { do: 'source', source: 'Flour cloud', shows: 'shown', forMs: crackleMs },
          say('rush hour! {points} points already'),
        ],
      },
    }),
    made('rush-grows', 'Rush hour grows', {
      starts: [happens('surgeLevelled')],
      sheet: { do: 'together', of: [sound('paper-bag'), say('rush hour, level {level}')] },
    }),
    made('rush-over', 'Rush hour is over', {
      starts: [happens('surgeEnded')],
      sheet: { do: 'inTurn', of: [say('the rush is over: level {level}, {points} points. Thank you all')] },
    }),
    made('desk-bell', 'Bell', {
      starts: [{ by: 'hand', key: 'b' }],
      sheet: { do: 'inTurn', of: [sound('oven-bell')] },
      again: 'together',
    }),
    made('desk-applause', 'Applause', {
      starts: [{ by: 'hand', key: 'a' }],
      sheet: { do: 'inTurn', of: [sound('crackle')] },
      again: 'together',
    }),
  ]
}
