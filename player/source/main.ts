import type { FromSource, PlayToShow, ToSource } from '../../contract/sourceMessages.ts'
import { playScore, type Playback } from '../playback.ts'
import { prepareScore } from '../prepare.ts'
import type { PreparedScore } from '../preparedScore.ts'
import { giveBackUnless } from '../preload/remember.ts'
import { createSoundOutput, type Scheduled } from '../sound/output.ts'
import { createStage } from '../stage.ts'
import { connect } from './connection.ts'
import type { Frames } from './countFrames.ts'
import { createShownMemory } from './memory.ts'

/** What the page says of itself on `<html data-state>`. */
type PageState = 'connecting' | 'waiting' | 'loading' | 'playing' | 'offline'

/** The play this page is busy with: loading until `prepared` is there, playing once `playback` is. */
interface Busy {
  play: PlayToShow
  prepared: PreparedScore | null
  playback: Playback | null
  /** When its first moment was, or would have been. */
  beganMs: number
  /** Its voices are not to be heard, whether it plays already or not. */
  isSilenced: boolean
  frames: Frames
}

const html = document.documentElement
// It plays one thing after another for days: what there is no room for is given back.
giveBackUnless((loaded) => [...(busy?.prepared?.pictures.values() ?? [])].some((picture) => picture === loaded))
const output = createSoundOutput()
const stage = createStage(document.body)
const storage = safeSessionStorage()
const shown = createShownMemory(storage)
/** Whether this page alone is to be silent: its address says so, or somebody at the desk did; a reload does not change that. */
const quietKey = 'thundercrest.quiet'
let isHeard = !storage?.[quietKey] && !location.search.includes('quiet')
/** All of the box is. */
let isSilenced = false
/** What sounds beside, by play. */
const besides = new Map<string, Scheduled>()
let isConnected = false
let busy: Busy | null = null

function safeSessionStorage(): Storage | null {
  try {
    return window.sessionStorage
  } catch {
    return null
  }
}

function currentState(): PageState {
  if (busy?.playback) return 'playing'
  if (isConnected) return busy ? 'loading' : 'waiting'
  return html.dataset.state === 'connecting' ? 'connecting' : 'offline'
}

function showState(): void {
  const state = currentState()
  html.dataset.state = state
  if (busy?.playback) {
    html.dataset.play = busy.play.playId
    html.dataset.event = busy.play.eventId
    html.dataset.variation = busy.play.variationName
  } else {
    delete html.dataset.play
    delete html.dataset.event
    delete html.dataset.variation
  }
}

/** The canvas as large as it fits into the page: exactly 1:1 when the broadcast program uses the advised size. */
function fitStage(): void {
  const canvas = busy?.play.score.canvas
  if (!canvas) return
  const scale = Math.min(window.innerWidth / canvas.widthPx, window.innerHeight / canvas.heightPx)
  stage.root.style.transform = scale === 1 ? 'none' : `scale(${scale})`
}

function announce(name: 'play' | 'done' | 'beside', play: PlayToShow): void {
  const detail = { play: play.playId, event: play.eventId, variation: play.variationName }
  document.dispatchEvent(new CustomEvent(`thundercrest:${name}`, { detail }))
}

async function prepare(play: PlayToShow): Promise<void> {
  if (shown.has(play.playId)) {
    link.send({ type: 'done', playId: play.playId })
    return
  }
  busy?.playback?.stop()
  const mine: Busy = {
    play,
    prepared: null,
    playback: null,
    beganMs: 0,
    isSilenced: false,
    frames: { drawn: 0, dropped: 0 },
  }
  busy = mine
  showState()
  const prepared = await prepareScore(play.score, output)
  if (busy !== mine) return
  mine.prepared = prepared
  link.send({ type: 'ready', playId: play.playId, missing: prepared.missing.slice(0, 100) })
}

function start(playId: string, offsetMs: number): void {
  const current = busy
  if (!current?.prepared || current.play.playId !== playId || current.playback) return
  // Remembered before the first frame: a crash between the two may cost a play, never show it twice.
  shown.add(playId)
  stage.mount(current.prepared)
  fitStage()
  current.beganMs = performance.now() - offsetMs
  current.playback = playScore(stage, current.prepared, output, offsetMs, {
    onStarted: () => link.send({ type: 'started', playId }),
    onEnded: () => finish(current),
  })
  if (current.isSilenced) current.playback.silenceVoices()
  // Loaded aside: nothing of it is needed to show an alert.
  void import('./countFrames.ts').then(({ countFrames }) =>
    countFrames(current.frames, current.play.score.canvas, () => busy === current),
  )
  showState()
  announce('play', current.play)
}

function finish(ended: Busy): void {
  if (busy !== ended) return
  const { play, frames } = ended
  busy = null
  showState()
  link.send({ type: 'done', playId: play.playId, frames })
  announce('done', play)
}

function stop(playId: string): void {
  besides.get(playId)?.stop()
  if (busy?.play.playId !== playId) return
  busy.playback?.stop()
  finish(busy)
}

function silence(playId: string): void {
  if (busy?.play.playId !== playId) return
  busy.isSilenced = true
  if (busy.playback) busy.playback.silenceVoices()
  // Not begun yet: they are not even scheduled.
  else if (busy.prepared) busy.prepared.sounds = busy.prepared.sounds.filter(({ isVoice }) => !isVoice)
}

/** Only heard, at once, beside whatever is shown. */
async function beside(play: PlayToShow): Promise<void> {
  if (shown.has(play.playId)) return
  shown.add(play.playId)
  const { sounds, score } = await prepareScore(play.score, output)
  if (output.state() === 'on')
    besides.set(play.playId, output.schedule(sounds, 0, performance.now() + output.leadMs(), score.duck))
  announce('beside', play)
  setTimeout(() => besides.delete(play.playId), score.lengthMs + 1000)
}

const manner = () => ({ sound: output.state(), isHeard, isSilenced, isHidden: document.hidden })
function tellManner(): void {
  output.setVolume(isHeard && !isSilenced ? 1 : 0)
  link.send({ type: 'sound', ...manner() })
}

function hear(is: boolean, of: 'source' | 'box'): void {
  if (of === 'box') isSilenced = !is
  else isHeard = is
  tellManner()
  // Last: a full storage costs only the memory over a reload.
  if (storage) storage[quietKey] = isHeard ? '' : 1
}

function receive(message: ToSource): void {
  if (message.type === 'prepare') void prepare(message.play)
  else if (message.type === 'beside') void beside(message.play)
  else if (message.type === 'start') start(message.playId, message.offsetMs)
  else if (message.type === 'stop') stop(message.playId)
  else if (message.type === 'silence') silence(message.playId)
  else if (message.type === 'hear') hear(message.isHeard, message.of)
  else link.send({ type: 'pong', sentAtMs: message.sentAtMs })
}

const address = new URL(`${location.pathname.replace(/\/$/, '')}/link`, location.href)
address.protocol = address.protocol === 'https:' ? 'wss:' : 'ws:'
const link = connect<ToSource, FromSource>(address.href, {
  onOpen() {
    isConnected = true
    // A prepared play that never started belongs to the old connection; the server sends it again.
    if (busy && !busy.playback) busy = null
    link.send({
      type: 'hello',
      shownPlayIds: shown.ids(),
      showing: busy && { playId: busy.play.playId, atMs: Math.round(performance.now() - busy.beganMs) },
      ...manner(),
      widthPx: window.innerWidth,
      heightPx: window.innerHeight,
    })
    showState()
  },
  onMessage: receive,
  onLost() {
    isConnected = false
    html.dataset.state = 'offline'
    showState()
  },
  onRefused() {
    isConnected = false
    busy?.playback?.stop()
    busy = null
    html.dataset.state = 'offline'
    showState()
  },
})

tellManner()
output.onStateChange(tellManner)
addEventListener('visibilitychange', tellManner)
void output.resume()
if (window.parent !== window) void import('./meter.ts').then(({ tellLevel }) => tellLevel(output.tap()))
addEventListener('pointerdown', () => void output.resume())
addEventListener('resize', fitStage)
