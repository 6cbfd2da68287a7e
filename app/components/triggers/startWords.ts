import { kindNames } from '../../../core/events/kindNames.ts'
import { daysWords } from '../../../core/gate/gateSentences.ts'
import type { Trigger, TriggerStart } from '../../../core/triggers/schema.ts'
import type { RewardView } from '../../../contract/triggers.ts'

/** The reward that starts something, as it is on its platform now; null where it is not there any more. */
export const rewardOf = (start: TriggerStart, rewards: readonly RewardView[]): RewardView | null =>
  (start.by === 'reward' && rewards.find(({ source, id }) => source === start.source && id === start.rewardId)) || null

const clock = (minute: number) =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`

/** What starts a trigger, in a few words. */
export function startWords(start: TriggerStart, prefix: string, rewards: readonly RewardView[]): string {
  switch (start.by) {
    case 'reward': {
      const reward = rewardOf(start, rewards)
      return reward ? `reward on ${reward.feedName}` : 'a reward that is gone'
    }
    case 'command':
      return [start.word, ...start.aliases].map((word) => prefix + word).join(' ')
    case 'hand':
      return start.key === null ? 'a button on the desk' : `a button on the desk, key ${start.key}`
    case 'event':
      return start.kinds.map((kind) => kindNames[kind].toLowerCase()).join(', ')
    case 'time':
      return `${clock(start.minute)}, ${daysWords(start.weekdays)}`
  }
}

export function startsSentence({ starts }: Trigger, prefix: string, rewards: readonly RewardView[]): string {
  return starts.length === 0 ? 'nothing yet' : starts.map((start) => startWords(start, prefix, rewards)).join(' · ')
}
