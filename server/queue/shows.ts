import type { Variation } from '../../core/composition/box.ts'
import type { CanonicalEvent } from '../../core/events/schema.ts'
import { shownCase, shownEvent, type ShownWish } from '../../core/response/shownAs.ts'
import { withoutVoices } from '../../core/score/withoutVoices.ts'
import { voicesOf } from '../../core/speech/sayings.ts'
import type { PlayToShow } from '../../contract/sourceMessages.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import type { OnAirCache } from '../channel/onAir.ts'
import type { Database } from '../db/handle.ts'
import { findVersion } from '../db/queries/boxes.ts'
import { findPlay, type PlayWithEvent } from '../db/queries/plays.ts'
import { scoreFor } from '../../core/response/scoreFor.ts'
import { canonicalOf, showOf } from '../ingest/decideEvents.ts'
import { saidNothing, type PlayVoice, type PlayVoices } from '../speech/playVoices.ts'
import { dropOldest } from '../../core/dropOldest.ts'

interface ShowsDependencies {
  db: Database
  onAir: OnAirCache
  voices: PlayVoices
  /** What sources are given of a play: its emotes where this server has them. */
  dress: (show: PlayToShow) => PlayToShow
}

/** So many shows are kept at hand; what fell out is built again from its version. */
const showsKept = 500
/** A play that has the screen waits no longer than this for its voice. */
const voiceWaitMs = 3000

/** What sources need to show plays: settled scores, with what their voices have said. */
export class Shows {
  private readonly kept = new Map<string, { wish: string; show: PlayToShow | (() => PlayToShow) }>()
  /** Voices that are speaking, by play: asked ahead and asked again when the play's turn comes, they speak once. */
  private readonly speaking = new Map<string, Promise<PlayVoice>>()
  private readonly silenced = new Set<string>()
  /** How often each play was forgotten: what was begun before is not remembered after. */
  private readonly forgotten = new Map<string, number>()
  /** Asked ahead one play after another, so that what is needed now never waits behind a flood. */
  private ahead: Promise<unknown> = Promise.resolve()

  constructor(private readonly deps: ShowsDependencies) {}

  /** Keeps at hand how a play is built. @param isBuiltNow what it needs from elsewhere is fetched while it waits */
  remember(playId: string, build: () => PlayToShow, isBuiltNow: boolean): void {
    this.kept.set(playId, { wish: '', show: build })
    dropOldest(this.kept, showsKept)
    if (isBuiltNow) this.known(playId, {})
  }

  /** A play that is kept at hand as it is wanted; built now, where nobody needed it before. */
  private known(playId: string, wish: ShownWish): PlayToShow | undefined {
    const kept = this.kept.get(playId)
    if (!kept || kept.wish !== nameOf(wish)) return undefined
    if (typeof kept.show === 'function') kept.show = this.deps.dress(kept.show())
    return kept.show
  }

  /** What was known of a play is not true any more. */
  forget(playId: string): void {
    this.kept.delete(playId)
    this.speaking.delete(playId)
    this.forgotten.set(playId, (this.forgotten.get(playId) ?? 0) + 1)
    dropOldest(this.forgotten, showsKept)
  }

  /** From now on nobody hears the voices of a play; whoever joins it late neither. */
  silence(playId: string): void {
    this.silenced.add(playId)
    dropOldest(this.silenced, showsKept)
  }

  /** Has the voices of a waiting play speak before its turn. @param done told how long the play lasts */
  prepareAhead(playId: string, done: (lengthMs: number) => void): void {
    this.ahead = this.ahead
      .then(() => this.build(playId, {}, null))
      .then(
        ({ score }) => done(score.lengthMs),
        () => undefined,
      )
  }

  /**
   * What sources need to show a play now: with its voices where they have spoken in time.
   * @throws when the version it was decided with is gone.
   */
  async show(playId: string, wish: ShownWish = {}): Promise<PlayToShow> {
    const show = this.known(playId, wish) ?? (await this.build(playId, wish, voiceWaitMs))
    return this.silenced.has(playId) ? { ...show, score: withoutVoices(show.score) } : show
  }

  private async build(playId: string, wish: ShownWish, waitMs: number | null): Promise<PlayToShow> {
    const kept = this.known(playId, wish)
    if (kept) return kept
    const times = this.forgotten.get(playId)
    const play = await findPlay(this.deps.db, playId)
    const version = play ? await findVersion(this.deps.db, play.versionId) : null
    const alert = version?.document.alerts.find(({ id }) => id === play?.alertId)
    const own = alert?.variations.find((each) => each.id === play?.variationId)
    if (!play || !version || !alert || !own) throw new Error(`The version that play ${playId} was decided with is gone`)
    const channel = await this.deps.onAir.read(play.event.channelId)
    const event = shownEvent(canonicalOf(play.event), wish, channel)
    const variation = shownCase(alert, own, event, channel)
    const voices = voicesOf(variation.composition, event, channel.locale)
    // What was decided to be read of it alone is not what is read of several.
    const spokenFor = variation === own ? play : { ...play, speech: null }
    const voice = voices.length === 0 ? null : await this.voiceOf(spokenFor, variation, event, channel, waitMs)
    // Somebody said meanwhile that it is not to be read, or that it is.
    if (this.forgotten.get(playId) !== times) return this.build(playId, wish, waitMs)
    const score = scoreFor({
      ...{ event, document: version.document, variation, channel, isShort: wish.isShort === true },
      receivedAtMs: play.event.receivedAt.getTime(),
      spoken: voice?.spoken ?? saidNothing(voices.map(({ part }) => part.id)),
    })
    if (!score.ok) throw new Error(`The score of play ${playId} does not resolve: ${score.error.type}`)
    // Where its turn came before its voice was ready it was shown without: for all sources, those that join late too.
    const meanwhile = this.known(playId, wish)
    if (meanwhile) return meanwhile
    const built = this.deps.dress(showOf({ ...play, variationName: variation.name }, score.value))
    this.kept.set(playId, { wish: nameOf(wish), show: built })
    dropOldest(this.kept, showsKept)
    return built
  }

  /** Null: not in time. */
  private async voiceOf(
    play: PlayWithEvent,
    variation: Variation,
    event: CanonicalEvent,
    channel: ChannelOnAir,
    waitMs: number | null,
  ): Promise<PlayVoice | null> {
    const begun = event.together ? undefined : this.speaking.get(play.id)
    const speaking = begun ?? this.deps.voices.of(play, variation.composition, channel, event)
    this.speaking.set(play.id, speaking)
    const letGo = () => void (this.speaking.get(play.id) === speaking && this.speaking.delete(play.id))
    speaking.then(letGo, letGo)
    if (waitMs === null) return speaking
    let timer: ReturnType<typeof setTimeout> | undefined
    const late = new Promise<null>((resolve) => (timer = setTimeout(resolve, waitMs, null)))
    const voice = await Promise.race([speaking, late]).finally(() => clearTimeout(timer))
    if (!voice) this.deps.voices.tooLate(play.id)
    return voice
  }
}

const nameOf = ({ together, brought, isShort }: ShownWish): string =>
  together || brought || isShort ? [together?.count, together?.total, brought, isShort].join(' ') : ''
