import type { Logger } from 'pino'
import type { Composition } from '../../core/composition/schema.ts'
import type { SpeechChange } from '../../core/speech/cleanSpeech.ts'
import { limitReason, type Reading } from '../../core/speech/limitReason.ts'
import { comparableMinor } from '../../core/rules/values.ts'
import { rulesInEffect, type SpeechSettings } from '../../core/speech/settings.ts'
import { viewerWords, voicesOf, type Saying } from '../../core/speech/sayings.ts'
import type { SpokenParts, Utterance } from '../../core/speech/spoken.ts'
import type { PlaySpeech, SaidView } from '../../contract/speech.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import type { Database } from '../db/handle.ts'
import { mergePlaySpeech, type PlayWithEvent } from '../db/queries/plays.ts'
import { listReadings } from '../db/queries/readings.ts'
import { canonicalOf } from '../ingest/decideEvents.ts'
import type { Speaker } from './speaker.ts'
import { KeptPromises } from '../system/keptPromises.ts'
import { Turns } from '../../core/turns.ts'

interface PlayVoicesDependencies {
  db: Database
  logger: Logger
  speaker: Speaker
  now: () => number
  onChange: (channelId: string, playId: string) => void
  /** Nothing of what a viewer wrote is read: nobody has to be asked. */
  onNothingToApprove: (boxId: string, playId: string) => void
}

/** Voices of which nothing is heard, by part. */
export const saidNothing = (partIds: readonly string[]): Record<string, Utterance[]> =>
  Object.fromEntries(partIds.map((id) => [id, []]))

/** What voices say of one play. */
export interface PlayVoice {
  speech: PlaySpeech
  spoken: SpokenParts
}

const switchedOff = 'Reading aloud is switched off.'
/** Of what a step changed so much is kept with a play. */
const changeKept = 300
const kept = ({ step, before, after }: SpeechChange): SpeechChange => ({
  step,
  before: before.slice(0, changeKept),
  after: after.slice(0, changeKept),
})

/** Longer ago than the longest limit looks back. */
const readingsKeptMs = 24 * 3600_000
const readingsKept = 2000

/**
 * Decides what of each play is read aloud and has it spoken. What was decided is kept with the play, so that it is read
 * the same after a restart and when it is shown again.
 */
export class PlayVoices {
  /** What was read lately, by channel: read from the database once. */
  private readonly readings = new KeptPromises<string, Reading[]>()
  /** Plays of one channel are decided one after another: each counts in the limits of the next. */
  private readonly lines = new Map<string, Turns>()

  private readonly late = new Set<string>()

  constructor(private readonly deps: PlayVoicesDependencies) {}

  /** The play was shown before its voice had spoken. */
  tooLate(playId: string): void {
    this.late.add(playId)
  }

  /**
   * Decides, cleans and speaks. Never rejects: where a voice fails, the play goes without it, and its speech says so.
   */
  async of(
    play: PlayWithEvent,
    composition: Composition,
    channel: ChannelOnAir,
    event = canonicalOf(play.event),
  ): Promise<PlayVoice> {
    const voices = voicesOf(composition, event, channel.locale)
    const partIds = voices.map(({ part }) => part.id)
    try {
      // Somebody may have said no before anything was decided.
      const { sayings, note = null } = play.speech ?? {}
      const speech: PlaySpeech = sayings
        ? { sayings, state: 'making', note }
        : await this.decide(play, event, voices, channel)
      return await this.speak(play, speech, partIds, channel.speech)
    } catch (error) {
      this.deps.logger.error(
        { playId: play.id, err: error },
        'what is read of a play could not be decided; the alert plays without a voice',
      )
      return {
        speech: { sayings: [], state: 'ready', note: 'What is read could not be decided.' },
        spoken: saidNothing(partIds),
      }
    }
  }

  private decide(
    play: PlayWithEvent,
    event: CanonicalEvent,
    voices: ReturnType<typeof voicesOf>,
    channel: ChannelOnAir,
  ): Promise<PlaySpeech> {
    const { channelId } = play.event
    const line = this.lines.get(channelId) ?? new Turns()
    this.lines.set(channelId, line)
    return line.take(async () => {
      const sayings: SaidView[] = []
      for (const { part, sayings: wanted } of voices)
        for (const saying of wanted)
          sayings.push({ partId: part.id, ...(await this.decideOne(saying, event, play, channel)) })
      const speech: PlaySpeech = { sayings, state: 'making', note: null }
      const message = sayings.find((each) => each.of === 'message' && each.outcome !== 'refused')
      const needsNobody = play.approval === 'awaiting' && !message
      await mergePlaySpeech(this.deps.db, play.id, speech, needsNobody ? { approval: 'none' } : {})
      if (needsNobody) this.deps.onNothingToApprove(play.boxId, play.id)
      const read = play.isTest ? undefined : message
      const readings = await this.readingsOf(channelId)
      // What plays in several boxes is read once.
      if (read && !readings.some(({ eventId }) => eventId === play.eventId))
        readings.push({
          eventId: play.eventId,
          atMs: this.deps.now(),
          viewerId: event.data.viewer?.id ?? null,
          text: viewerWords(event)?.text ?? '',
        })
      return speech
    })
  }

  private async decideOne(
    saying: Saying,
    event: CanonicalEvent,
    { isTest, eventId, event: { channelId } }: PlayWithEvent,
    channel: ChannelOnAir,
  ): Promise<Omit<SaidView, 'partId'>> {
    const settings = channel.speech
    const { text, outcome, changes, refusal, spoken, voice } = await this.deps.speaker.clean(
      saying,
      settings,
      channel.locale,
    )
    const base = { of: saying.of, written: saying.written, changes: changes.map(kept), voice, durationMs: null }
    const refused = (reason: string) => ({ ...base, text: '', spoken: '', outcome: 'refused' as const, reason })
    if (!settings.isOn) return refused(switchedOff)
    if (refusal !== null) return refused(refusal)
    if (saying.of === 'message' && !isTest) {
      const recent = (await this.readingsOf(channelId)).filter((each) => each.eventId !== eventId)
      const amountMinor =
        'amountMinor' in event.data
          ? (comparableMinor(event.data.amountMinor, event.data.currency, channel) ?? null)
          : null
      const limited = limitReason(event, saying.written, amountMinor, settings.limits, recent, this.deps.now())
      if (limited !== null) return refused(limited)
    }
    return { ...base, text, spoken, outcome, reason: null }
  }

  /** What was read of a channel lately; what is too old goes. */
  private async readingsOf(channelId: string): Promise<Reading[]> {
    const sinceMs = this.deps.now() - readingsKeptMs
    const recent = await this.readings.get(channelId, () =>
      listReadings(this.deps.db, channelId, new Date(sinceMs), readingsKept),
    )
    while (recent.length > readingsKept || (recent[0] && recent[0].atMs < sinceMs)) recent.shift()
    return recent
  }

  private async speak(
    play: PlayWithEvent,
    speech: PlaySpeech,
    partIds: readonly string[],
    settings: SpeechSettings,
  ): Promise<PlayVoice> {
    const rules = rulesInEffect(settings)
    const spoken = saidNothing(partIds)
    const troubles: string[] = []
    const sayings: SaidView[] = []
    // Asked for at once: while one is measured the next is being spoken.
    const reads = speech.sayings.map((saying) => {
      const isRead =
        settings.isOn && saying.outcome !== 'refused' && !(saying.of === 'message' && play.approval === 'withheld')
      return isRead ? this.deps.speaker.speakWithin(saying.of, saying, rules) : null
    })
    for (const [index, saying] of speech.sayings.entries()) {
      const read = await reads[index]
      const made = read?.made
      if (made?.ok) {
        const { waveform: _waveform, ...utterance } = made.value
        spoken[saying.partId]?.push(utterance)
      } else if (made) {
        troubles.push(made.error)
        this.deps.logger.warn(
          { playId: play.id, engine: saying.voice.engine, reason: made.error },
          'a voice failed; the alert plays without it',
        )
      }
      const cut =
        read && read.cut.length > 0
          ? {
              text: read.text,
              spoken: read.spoken,
              outcome: 'changed' as const,
              changes: [...saying.changes, ...read.cut.map(kept)],
            }
          : {}
      sayings.push({ ...saying, ...cut, durationMs: made?.ok ? made.value.durationMs : null })
    }
    if (this.late.delete(play.id)) troubles.push('The voice was not ready in time.')
    const ownNote = speech.note === switchedOff ? null : speech.note
    const note = settings.isOn ? ownNote : switchedOff
    // What somebody said of it stands beside, and stays.
    const done: PlaySpeech = { sayings, state: 'ready', note: troubles[0] ?? note }
    await mergePlaySpeech(this.deps.db, play.id, done).catch((error: unknown) =>
      this.deps.logger.error({ playId: play.id, err: error }, 'what is read of a play could not be recorded'),
    )
    this.deps.onChange(play.event.channelId, play.id)
    return { speech: done, spoken }
  }
}
