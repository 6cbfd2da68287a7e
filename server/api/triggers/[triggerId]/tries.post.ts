import { defineEventHandler } from 'h3'
import { tryBody, type TryAnswer } from '../../../../contract/triggers.ts'
import { askGate } from '../../../../core/gate/askGate.ts'
import { gateOfCall } from '../../../../core/gate/gateOfCall.ts'
import { gateWords, refusalSaid, refusalWords } from '../../../../core/gate/refusalWords.ts'
import { unusedByViewer, unusedGate } from '../../../../core/gate/state.ts'
import { useVoices } from '../../../speech/port.ts'
import { readGateStates, readUses } from '../../../db/queries/runs.ts'
import { readChecked } from '../../../http/readChecked.ts'
import { useRuntime } from '../../../system/runtimePort.ts'
import { ownTrigger, withCalls } from '../../../triggers/surroundings.ts'

/** What the gate of a trigger would answer to somebody, at some moment: nothing is charged and nothing happens. */
export default defineEventHandler(async (event): Promise<TryAnswer> => {
  const { session, db, onAir } = await withCalls(event, 'moderator')
  const { id: channelId } = session.channel
  const { document } = await ownTrigger(event, session.channel)
  const { viewer, input, atMs, scene } = await readChecked(event, tryBody)
  const { clock } = await useRuntime()
  const { speaker } = await useVoices()
  const channel = await onAir.read(channelId)
  const gate = gateOfCall(document.gate, { by: 'command', isPaid: false })
  const [states, uses, [isBlocked = false]] = await Promise.all([
    readGateStates(db, channelId),
    readUses(db, channelId, [viewer.id]),
    speaker.blocked(gate.asked?.as === 'text' ? [input] : [], channel.speech, channel.locale),
  ])
  const state = states.get(document.id) ?? unusedGate(gate.stock)
  const kept = uses.find(({ triggerId }) => triggerId === document.id)?.uses ?? unusedByViewer
  const nowMs = atMs ?? clock.wallMs()
  const { answer } = askGate(
    gate,
    {
      ...{ isArmed: document.isArmed, viewer, input, isBlocked, nowMs, timeZone: channel.timeZone, scene },
      ...{ streamMs: state.streamMs, balance: viewer.balance },
    },
    state,
    kept,
  )
  if (answer.is === 'allowed')
    return { isAllowed: true, reason: null, words: 'Let through.', said: null, retryAtMs: null }
  const words = gateWords(channel)
  return {
    isAllowed: false,
    reason: answer.reason,
    words: refusalWords(answer, gate, nowMs, words),
    said: refusalSaid(document.refusal, viewer.name, answer, gate, nowMs, words),
    retryAtMs: answer.retryAtMs,
  }
})
