import { againSentence, priceSentence, whoSentence } from '../../core/gate/gateSentences.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import type { ListedTrigger, ListView, Reward } from '../../contract/triggers.ts'
import { addressTriggers } from './addressTrigger.ts'

/** What viewers read of what they can set off: only what is armed, and what somebody can start. */
export function listView(
  name: string,
  channel: ChannelOnAir,
  left: ReadonlyMap<string, number | null>,
  rewards: readonly { source: string; feedName: string; reward: Reward }[],
): ListView {
  const { calls, triggers, locale } = channel
  const count = (points: number) => new Intl.NumberFormat(locale).format(points)
  return {
    ...{ channel: name, colours: channel.pageColours, locale, points: calls.points.name.many },
    triggers: triggers.flatMap((trigger): ListedTrigger[] => {
      if (!trigger.isArmed || trigger.id in addressTriggers) return []
      const { gate } = trigger
      const known = trigger.starts.flatMap((start) => {
        if (start.by !== 'reward') return []
        const found = rewards.find(({ source, reward }) => source === start.source && reward.id === start.rewardId)
        return found && !found.reward.isPaused ? [found] : []
      })
      const words = trigger.starts.flatMap((start) => (start.by === 'command' ? [calls.prefix + start.word] : []))
      if (known.length + words.length === 0) return []
      const prices = [
        ...known.map(({ reward }) => `${count(reward.cost)} points`),
        ...(words.length > 0 && (known.length === 0 || gate.cost > 0 || gate.votes)
          ? [priceSentence(gate, { points: calls.points.name, locale })]
          : []),
      ]
      const again = againSentence(gate)
      const stock = known.flatMap(({ reward }) => reward.stock ?? [])
      return [
        {
          name: trigger.name,
          about: trigger.about,
          how: [...known.map(({ feedName, reward }) => `“${reward.title}” on ${feedName}`), ...words],
          price: [...new Set(prices)].join(' or '),
          who: whoSentence(gate),
          again: again === 'at once' ? '' : again,
          left: [left.get(trigger.id) ?? null, ...stock].reduce<number | null>(
            (least, each) => (each === null ? least : Math.min(least ?? each, each)),
            null,
          ),
        },
      ]
    }),
  }
}
