import { momentOf, wordsOf, type SimulatedPlatform } from './platform.ts'

export const till: SimulatedPlatform = {
  kinds: ['tip', 'goalStarted', 'goalReached'],
  say(event, id) {
    const at = momentOf(event)
    if (event.kind === 'tip')
      return {
        slips: [
          {
            does: 'tip',
            slip: id,
            at,
            amount: event.data.amountMinor,
            currency: event.data.currency,
            from: event.data.viewer?.name ?? null,
            note: wordsOf(event),
            picked: event.data.choice,
          },
        ],
      }
    if (event.kind !== 'goalStarted' && event.kind !== 'goalReached') return null
    return {
      slips: [
        {
          does: event.kind === 'goalStarted' ? 'goal.opened' : 'goal.filled',
          at,
          goal: { id, title: event.data.goalTitle, target: event.data.targetMinor },
          currency: event.data.currency,
        },
      ],
    }
  },
}
