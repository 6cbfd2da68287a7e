import { whoWords } from '../../core/gate/askGate.ts'
import { waitWords } from '../../core/gate/refusalWords.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import type { Trigger } from '../../core/triggers/schema.ts'
import type { ListedTrigger, ListView } from '../../contract/triggers.ts'
import { listTriggerId } from './listTrigger.ts'
import type { Reward } from '../platforms/access.ts'

/** Who may, as it stands in a list. */
export function whoMay({ gate: { who } }: Pick<Trigger, 'gate'>): string {
  if (!who) return 'everyone'
  return who.of.map(whoWords).join(who.match === 'all' ? ' who are also ' : ', ')
}

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
    ...{ channel: name, locale, points: calls.points.name.many },
    triggers: triggers.flatMap((trigger): ListedTrigger[] => {
      if (!trigger.isArmed || trigger.id === listTriggerId) return []
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
        ...(words.length > 0 && gate.cost > 0
          ? [`${count(gate.cost)} ${gate.cost === 1 ? calls.points.name.one : calls.points.name.many}`]
          : []),
        ...(words.length > 0 && gate.votes ? [`${gate.votes.needed} votes`] : []),
      ]
      const { allMs, viewerMs } = gate.againAfter
      const again = [allMs > 0 ? waitWords(allMs) : '', viewerMs > 0 ? `each ${waitWords(viewerMs)}` : '']
      const stock = known.flatMap(({ reward }) => reward.stock ?? [])
      return [
        {
          name: trigger.name,
          about: trigger.about,
          how: [...known.map(({ feedName, reward }) => `“${reward.title}” on ${feedName}`), ...words],
          price: prices.length > 0 ? [...new Set(prices)].join(' or ') : 'free',
          who: whoMay(trigger),
          again: again.filter((each) => each !== '').join(', '),
          left: [left.get(trigger.id) ?? null, ...stock].reduce<number | null>(
            (least, each) => (each === null ? least : Math.min(least ?? each, each)),
            null,
          ),
        },
      ]
    }),
  }
}
