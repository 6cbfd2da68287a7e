import type { CanonicalEvent } from '../events/schema.ts'
import { placeOfLot, randomAt } from '../random.ts'

/** Something that happens in a night, and how often. */
interface Often<Kind extends CanonicalEvent['kind']> {
  kind: Kind
  count: number
}

/** Much of one kind within a short time. */
export interface Burst {
  kind: 'follow' | 'gifts'
  atMs: number
  withinMs: number
  count: number
}

export interface NightWish {
  seed: number
  beginMs: number
  lengthMs: number
  /** How often each of them, spread over the night. */
  often: readonly Often<
    'follow' | 'tip' | 'subscription' | 'resubscription' | 'redemption' | 'paidMessage' | 'applause' | 'chatCommand'
  >[]
  /** Parties that come along, when and how large. */
  raids: readonly { atMs: number; name: string; partySize: number }[]
  bursts: readonly Burst[]
  /** Hours of the night in which less happens, as shares of its length, and how much less. */
  calm: { from: number; until: number; share: number } | null
  /** Where it comes from, each as often as the others. */
  sources: readonly string[]
  names: readonly string[]
  messages: readonly string[]
  /** What is redeemed; with a source: only there; with inputs: one of them is typed with it. */
  rewards: readonly {
    id: string
    title: string
    costPoints: number
    source?: string
    inputs?: readonly string[]
  }[]
  /** What is typed to set something off, with what stands in front of it; absent: nothing. */
  commands?: readonly string[]
  /** Which share of the viewers has which role; absent: nobody has any. */
  roles?: readonly { role: string; share: number }[]
  /** Tips in minor units, and how likely each. */
  tips: readonly { amountMinor: number; weight: number }[]
  currency: string
}

/** Viewers have numbers behind their names once the names are used up. */
const perName = 12

/**
 * A made-up night: what happens when, in order. The same wish gives the same night everywhere. Within the night times are
 * drawn evenly but for the calm; a burst is drawn within its time, its batch of gifts first.
 */
export function makeNight(wish: NightWish): CanonicalEvent[] {
  const { seed, beginMs, lengthMs, calm, sources, names, messages, rewards, tips, currency } = wish
  let drawn = 0
  const lot = () => randomAt(seed, drawn++)
  const oneOf = <T>(list: readonly T[]): T => {
    const found = list[Math.floor(lot() * list.length)]
    if (found === undefined) throw new RangeError('a night is made of something')
    return found
  }
  const when = (): number => {
    const share = lot()
    const isThinned = calm !== null && share >= calm.from && share < calm.until && lot() >= calm.share
    return isThinned ? when() : beginMs + Math.floor(share * lengthMs)
  }
  const viewer = () => {
    const name = oneOf(names)
    const number = Math.floor(lot() * perName)
    const at = names.indexOf(name)
    return {
      id: `${at}-${number}`,
      name: number === 0 ? name : `${name} ${number + 1}`,
      ...rolesOf(at * perName + number),
    }
  }
  /** Of one viewer the same all night. */
  const rolesOf = (viewerAt: number): { roles?: string[] } => {
    const roles = (wish.roles ?? []).flatMap(({ role, share }, at) =>
      randomAt(seed ^ (at + 1), viewerAt) < share ? [role] : [],
    )
    return roles.length === 0 ? {} : { roles }
  }
  const said = (share: number) => (lot() < share ? { message: { text: oneOf(messages) } } : {})
  const amount = () => {
    const place = placeOfLot(
      tips.map(({ weight }) => weight),
      lot(),
    )
    return { amountMinor: tips[place]?.amountMinor ?? 100, currency }
  }
  const dataOf = {
    follow: () => ({ viewer: viewer() }),
    tip: () => ({ viewer: viewer(), ...amount(), ...said(0.8) }),
    paidMessage: () => ({ viewer: viewer(), ...amount(), ...said(1) }),
    subscription: () => ({ viewer: viewer(), tier: 1 + Math.floor(lot() * lot() * 3), months: 1, ...said(0.2) }),
    resubscription: () => ({
      ...{ viewer: viewer(), tier: 1 + Math.floor(lot() * lot() * 3), months: 2 + Math.floor(lot() * 34) },
      ...said(0.6),
    }),
    redemption: () => {
      const by = viewer()
      const { id, title, costPoints, inputs = [] } = oneOf(rewards)
      const typed = inputs.length > 0 ? { input: oneOf(inputs) } : {}
      return { viewer: by, reward: { id, title, costPoints }, ...typed }
    },
    chatCommand: () => ({ viewer: viewer(), command: oneOf(wish.commands ?? []) }),
    applause: () => ({ viewer: viewer(), points: 100 * (1 + Math.floor(lot() * 20)), ...said(0.3) }),
  }
  /** Where a reward can be redeemed, if not everywhere. */
  const sourceOf = (data: { reward?: { id: string } }) => rewards.find(({ id }) => id === data.reward?.id)?.source
  const events: { kind: CanonicalEvent['kind']; occurredAtMs: number; data: object }[] = []
  for (const { kind, count } of wish.often)
    for (let n = 0; n < count; n++) events.push({ kind, occurredAtMs: when(), data: dataOf[kind]() })
  for (const { atMs, name, partySize } of wish.raids)
    events.push({ kind: 'raid', occurredAtMs: atMs, data: { viewer: { id: `raid-${name}`, name }, partySize } })
  wish.bursts.forEach(({ kind, atMs, withinMs, count }, index) => {
    const within = () => atMs + Math.floor(lot() * withinMs)
    if (kind === 'follow') {
      for (let n = 0; n < count; n++) {
        const { name } = viewer()
        events.push({ kind, occurredAtMs: within(), data: { viewer: { id: `burst-${index}-${n}`, name: `${name}` } } })
      }
      return
    }
    const giver = viewer()
    const groupId = `gifts-${index}`
    events.push({ kind: 'giftBatch', occurredAtMs: atMs, data: { viewer: giver, tier: 1, count, groupId } })
    for (let n = 0; n < count; n++)
      events.push({
        kind: 'giftRecipient',
        occurredAtMs: within(),
        data: { viewer: giver, tier: 1, recipient: { ...viewer(), id: `gifted-${index}-${n}` }, groupId },
      })
  })
  return (
    events
      .map((event, index) => ({ event, index }))
      .sort((a, b) => a.event.occurredAtMs - b.event.occurredAtMs || a.index - b.index)
      // Each kind's data are made above as that kind has them; a test holds them against the schemas.
      .map(({ event }, index) => {
        const source = oneOf(sources)
        return {
          ...event,
          source: sourceOf(event.data) ?? source,
          externalId: `night-${seed}-${index}`,
        } as unknown as CanonicalEvent
      })
  )
}
