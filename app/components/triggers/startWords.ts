import { kindNames } from '../../../core/events/kindNames.ts'
import { daysWords, priceSentence, type SentenceWords } from '../../../core/gate/gateSentences.ts'
import { clockWords } from '../../../core/time/clockWords.ts'
import type { Trigger, TriggerStart } from '../../../core/triggers/schema.ts'
import type { RewardView } from '../../../contract/triggers.ts'

/** The reward that starts something, as it is on its platform now; null where it is not there any more. */
export const rewardOf = (start: TriggerStart, rewards: readonly RewardView[]): RewardView | null =>
  (start.by === 'reward' && rewards.find(({ source, id }) => source === start.source && id === start.rewardId)) || null

/** What starts a trigger, in a few words. */
export function startWords(
  start: TriggerStart,
  prefix: string,
  rewards: readonly RewardView[],
  /** What the trigger is called: a reward of the same name is not named again. */
  name = '',
): string {
  switch (start.by) {
    case 'reward': {
      const reward = rewardOf(start, rewards)
      if (!reward) return 'a reward that is gone'
      return reward.title === name ? `reward on ${reward.feedName}` : `“${reward.title}” on ${reward.feedName}`
    }
    case 'command':
      return [start.word, ...start.aliases].map((word) => prefix + word).join(' ')
    case 'hand':
      return start.key === null ? 'a button on the desk' : `a button on the desk, key ${start.key}`
    case 'event':
      return start.kinds.map((kind) => kindNames[kind].toLowerCase()).join(', ')
    case 'time':
      return `${clockWords(start.minute)}, ${daysWords(start.weekdays)}`
  }
}

/** What it costs: a reward on its platform, a command of the channel's own points. */
export function priceWords(
  { starts, gate }: Pick<Trigger, 'starts' | 'gate'>,
  rewards: readonly RewardView[],
  words: SentenceWords,
  isShort = false,
): string {
  const count = (points: number) => new Intl.NumberFormat(words.locale).format(points)
  const priced = starts.flatMap((start) => rewardOf(start, rewards) ?? [])
  const there = priced.map(({ cost, feedName }) =>
    isShort ? `${count(cost)} pts` : `${count(cost)} points on ${feedName}`,
  )
  const asksOwn = priced.length === 0 || starts.some(({ by }) => by === 'command')
  const own = isShort && gate.votes && gate.cost === 0 ? `${gate.votes.needed} votes` : priceSentence(gate, words)
  return [...new Set([...there, ...(asksOwn ? [own] : [])])].join(' or ')
}

export function startsSentence({ starts, name }: Trigger, prefix: string, rewards: readonly RewardView[]): string {
  return starts.length === 0
    ? 'nothing yet'
    : starts.map((start) => startWords(start, prefix, rewards, name)).join(' · ')
}
