import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyNight, anyPolicy } from '../../test/arrange/policyNight.ts'
import { nextWakeMs } from './advance.ts'
import { boxPolicy, plainPolicy, readyPolicy, usualPolicy, type Sentence } from './policy.ts'
import { ageLimitMs } from './rules/age.ts'
import { windowMs } from './rules/airtime.ts'
import { mergeFor } from './rules/merge.ts'
import { priorityOf, rankOf, stepMs } from './rules/order.ts'
import { simulate, type ShownPlay } from './simulate.ts'
import type { Ticket } from './ticket.ts'

const byStart = (shown: readonly ShownPlay[]) =>
  shown.filter(({ isBeside }) => !isBeside).sort((a, b) => a.fromMs - b.fromMs)
const ticketsById = (tickets: readonly Ticket[]) => new Map(tickets.map((each) => [each.playId, each]))

/** Last in a policy: whatever no other sentence shares. */
const sharesAll: Sentence = {
  rule: 'merge',
  isOn: true,
  kinds: ['follow', 'tip', 'raid', 'giftBatch', 'applause'],
  withinMs: 20_000,
  below: null,
  isEvenWritten: false,
}

describe('whatever the policy, whatever comes and whatever is done meanwhile', () => {
  it('everything that came ends in exactly one outcome', () => {
    fc.assert(
      fc.property(anyNight({ hasActs: true }), anyPolicy, ({ inputs, tickets }, policy) => {
        const ended: string[] = []
        const { state, ends } = simulate(inputs, readyPolicy(policy), {
          onStep: (_state, commands) => {
            for (const command of commands) if (command.type === 'recordEnded') ended.push(command.playId)
          },
        })
        expect([state.line.size, state.current, state.beside]).toEqual([0, null, []])
        expect([...ended].sort()).toEqual(tickets.map(({ playId }) => playId).sort())
        // What was shown with another is told of one that was there.
        for (const { outcome, into } of ends.values())
          expect(outcome === 'merged' ? ends.has(into ?? '') : into === undefined).toBe(true)
      }),
      { numRuns: 500 },
    )
  })

  it('one at a time has the screen, with the gap between two, and no minute has more than its share', () => {
    fc.assert(
      fc.property(anyNight({ hasActs: true }), anyPolicy, ({ inputs }, policy) => {
        const ready = readyPolicy(policy)
        const { shown } = simulate(inputs, ready)
        const aired = byStart(shown)
        for (const [index, each] of aired.entries()) {
          const before = aired[index - 1]
          if (before) expect(each.fromMs - before.untilMs).toBeGreaterThanOrEqual(ready.gapMs)
        }
        if (ready.airtimePercent === null) return
        const shareMs = (ready.airtimePercent / 100) * windowMs
        // The fullest minutes end where something does.
        for (const { untilMs } of aired) {
          const inMinute = aired.flatMap(({ fromMs, untilMs: endMs }) => {
            const ms = Math.min(endMs, untilMs) - Math.max(fromMs, untilMs - windowMs)
            return ms > 0 ? [ms] : []
          })
          if (inMinute.length > 1) expect(inMinute.reduce((sum, ms) => sum + ms, 0)).toBeLessThanOrEqual(shareMs + 1)
        }
      }),
      { numRuns: 500 },
    )
  })

  it('those that are heard beside are never more at once than may be', () => {
    fc.assert(
      fc.property(anyNight({ hasActs: true }), anyPolicy, ({ inputs }, policy) => {
        const ready = readyPolicy(policy)
        simulate(inputs, ready, {
          onStep: ({ beside }) => expect(beside.length).toBeLessThanOrEqual(ready.beside?.atMost ?? 0),
        })
      }),
    )
  })

  it('nothing begins while the line is held or it is quiet', () => {
    fc.assert(
      fc.property(anyNight({ hasActs: true }), anyPolicy, ({ inputs }, policy) => {
        simulate(inputs, readyPolicy(policy), {
          onStep: ({ isHeld, quiet }, commands) => {
            if (isHeld || quiet)
              expect(commands.filter(({ type }) => type === 'recordPreparing' || type === 'sound')).toEqual([])
          },
        })
      }),
    )
  })

  it('never sleeps while time alone would change something, and never wakes twice for nothing', () => {
    fc.assert(
      fc.property(anyNight({ hasActs: true }), anyPolicy, ({ inputs }, policy) => {
        const ready = readyPolicy(policy)
        let ticks = 0
        simulate(inputs, ready, {
          onStep: (state, _commands, nowMs) => {
            ticks += 1
            const wakeMs = nextWakeMs(state, nowMs, ready)
            const { line, isHeld, quiet, current } = state
            const isWaited = line.next !== null && !isHeld && !quiet && !current
            if (isWaited || line.nextAside) expect(wakeMs).not.toBeNull()
          },
        })
        expect(ticks).toBeLessThan(inputs.length * 20)
      }),
    )
  })
})

describe('without anybody at the desk', () => {
  it('plays of the same priority are shown as they came, and nobody is passed by what came four steps later', () => {
    fc.assert(
      fc.property(anyNight({ hasActs: false }), anyPolicy, ({ inputs, tickets }, policy) => {
        const ready = readyPolicy(policy)
        const of = ticketsById(tickets)
        const { shown } = simulate(inputs, ready)
        // Whoever waited for somebody's word was not in the line.
        const stood = byStart(shown).flatMap(({ playId }) => {
          const ticket = of.get(playId)
          const isAside = ticket?.isAwaiting || ready.approves.length > 0 || ticket?.facts?.gifts
          return ticket && !isAside ? [ticket] : []
        })
        for (const [index, ticket] of stood.entries()) {
          for (const later of stood.slice(index + 1)) {
            const [priority, other] = [ticket, later].map(({ facts }) => priorityOf(facts ?? null, ready.orders))
            if (priority === other) expect(ticket.enqueuedAtMs).toBeLessThanOrEqual(later.enqueuedAtMs)
            expect(ticket.enqueuedAtMs - later.enqueuedAtMs).toBeLessThanOrEqual(4 * stepMs)
          }
        }
      }),
      { numRuns: 400 },
    )
  })

  it('nothing is shown that has waited longer than it may', () => {
    fc.assert(
      fc.property(anyNight({ hasActs: false }), anyPolicy, ({ inputs, tickets }, policy) => {
        const ready = readyPolicy(policy)
        const of = ticketsById(tickets)
        for (const { playId, fromMs } of simulate(inputs, ready, { readyMs: 100 }).shown) {
          const ticket = of.get(playId)
          if (!ticket || ticket.isAwaiting || ready.approves.length > 0 || ticket.facts?.gifts) continue
          expect(fromMs - ticket.enqueuedAtMs).toBeLessThanOrEqual(ageLimitMs(ticket.facts ?? null, ready.ages) + 100)
        }
      }),
    )
  })

  it('what is shared is alike and came within its time, and adds up', () => {
    fc.assert(
      fc.property(anyNight({ hasActs: false }), anyPolicy, ({ inputs, tickets }, policy) => {
        const ready = readyPolicy([...policy, sharesAll])
        const of = ticketsById(tickets)
        const { shown, ends } = simulate(inputs, ready)
        const members = new Map<string, Ticket[]>()
        for (const [playId, { into }] of ends) {
          const [member, head] = [of.get(playId), of.get(into ?? '')]
          if (!member?.facts || !head?.facts || head.facts.kind !== member.facts.kind) continue
          const sentence = mergeFor(member.facts, ready.merges)
          expect(sentence).not.toBeNull()
          expect(mergeFor(head.facts, ready.merges)).toBe(sentence)
          expect(member.enqueuedAtMs - head.enqueuedAtMs).toBeLessThanOrEqual(sentence?.withinMs ?? 0)
          members.set(head.playId, [...(members.get(head.playId) ?? [head]), member])
        }
        for (const { playId, together } of shown) {
          const all = members.get(playId)
          expect(together?.count).toBe(all?.length)
          const amounts = all?.map(({ facts }) => facts?.amount ?? null) ?? []
          if (together)
            expect(together.total).toBe(
              amounts.every((each) => each === null)
                ? null
                : amounts.reduce<number>((sum, each) => sum + (each ?? 0), 0),
            )
        }
      }),
      { numRuns: 400 },
    )
  })

  it('no words of a viewer are lost in another alert, unless the policy says so', () => {
    fc.assert(
      fc.property(anyNight({ hasActs: false }), anyPolicy, ({ inputs, tickets }, others) => {
        const policy = [...others, sharesAll]
        const isSaid = policy.some((each) => each.rule === 'merge' && each.isEvenWritten)
        const of = ticketsById(tickets)
        for (const [playId, { outcome, into }] of simulate(inputs, readyPolicy(policy)).ends) {
          const [member, head] = [of.get(playId)?.facts, of.get(into ?? '')?.facts]
          const isGift = member?.kind === 'giftRecipient' && head?.kind === 'giftBatch'
          if (outcome === 'merged' && member?.hasWords && !isGift) expect(isSaid).toBe(true)
        }
      }),
    )
  })
})

describe('policies', () => {
  it('all switched off are as none at all', () => {
    fc.assert(
      fc.property(anyPolicy, (policy) => {
        expect(readyPolicy(policy.map((each) => ({ ...each, isOn: false })))).toEqual(plainPolicy)
      }),
    )
  })
  it('are kept as they were written', () => {
    fc.assert(
      fc.property(anyPolicy, (policy) => {
        expect(boxPolicy.parse(policy)).toEqual(policy)
      }),
    )
    expect(boxPolicy.parse(usualPolicy)).toEqual(usualPolicy)
  })
  it('put a play that goes first as if it had come two minutes before', () => {
    const orders = readyPolicy(usualPolicy).orders
    const tip = { kind: 'tip' as const, variationId: 'tip-loaf' }
    const priority = (amount: number | null) =>
      priorityOf({ ...tip, amount } as Parameters<typeof priorityOf>[0], orders)
    expect([priority(2000), priority(1999), priority(null)]).toEqual([2, 0, 0])
    expect(rankOf(500_000, 2)).toBe(380_000)
  })
})
