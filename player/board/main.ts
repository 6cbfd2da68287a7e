import type { FromBoard, ToBoard } from '../../contract/boardMessages.ts'
import { prepareScore } from '../prepare.ts'
import type { PreparedScore } from '../preparedScore.ts'
import { connect } from '../source/connection.ts'
import { createStage } from '../stage.ts'
import { createBoardPlay } from './boardPlay.ts'
import { isRestless } from './isRestless.ts'
import { linesOf, LineWatch } from './lineWatch.ts'
import { settleMs, Telling } from './telling.ts'

/** What the page says of itself on `<html data-state>`. */
type PageState = 'connecting' | 'loading' | 'showing' | 'offline'

const html = document.documentElement
const stage = createStage(document.body)
const telling = new Telling()
const lines = new LineWatch()
/** The page’s clock began with it, and never goes back. */
const began = performance.now()
const tNow = () => performance.now() - began
let wallZeroMs = Date.now() - tNow()
let locale = 'en'
let timeZone = 'UTC'
let prepared: PreparedScore | null = null
/** When what is shown came on: scores begin with their own first moment. */
let mountedMs = 0
let isConnected = false
/** The newest board that was sent, while it loads. */
let loading: object | null = null
let fontsChangedMs = 0
document.fonts.addEventListener('loadingdone', () => (fontsChangedMs = tNow()))

// Parts are told times of the board's own clock, which begins when it is mounted.
const board = createBoardPlay(() => ({
  told: telling.told,
  wallZeroMs: wallZeroMs + mountedMs,
  locale,
  timeZone,
}))

function showState(): void {
  const state = (): PageState => {
    if (prepared) return isConnected ? 'showing' : 'offline'
    if (isConnected) return 'loading'
    return html.dataset.state === 'connecting' ? 'connecting' : 'offline'
  }
  html.dataset.state = state()
}

/** The canvas as large as it fits into the page: exactly 1:1 when the broadcast program uses the advised size. */
function fitStage(): void {
  const canvas = prepared?.score.canvas
  if (!canvas) return
  const scale = Math.min(window.innerWidth / canvas.widthPx, window.innerHeight / canvas.heightPx)
  stage.root.style.transform = scale === 1 ? 'none' : `scale(${scale})`
}

async function show(message: Extract<ToBoard, { type: 'board' }>): Promise<void> {
  const mine = {}
  loading = mine
  html.lang = message.locale
  ;({ locale, timeZone } = message)
  wallZeroMs = message.nowMs - tNow()
  // The very same board, after a short break of the connection, goes on: nothing of it enters again.
  const isSame = prepared !== null && JSON.stringify(prepared.score) === JSON.stringify(message.score)
  const next = isSame && prepared ? prepared : await prepareScore(message.score, null, board)
  if (loading !== mine) return
  if (!isSame) {
    mountedMs = tNow()
    prepared = next
    telling.told.clear()
    stage.mount(next)
    fitStage()
  }
  telling.take(message.slices, tNow() - mountedMs)
  draw(true)
  showState()
  document.dispatchEvent(new CustomEvent('thundercrest:board'))
}

function receive(message: ToBoard): void {
  if (message.type === 'ping') return link.send({ type: 'pong', sentAtMs: message.sentAtMs })
  if (message.type === 'board') return void show(message)
  const atMs = tNow() - mountedMs
  if (message.type === 'slice') telling.set(message, atMs)
  else if (!telling.change(message, atMs)) return link.send({ type: 'again', key: message.key })
  // What a moderator takes away is gone now, not with the next frame of a page that is hidden.
  if (document.hidden) draw(true)
}

/** Without anything that moves it is drawn so often: clocks and ages go on. */
const calmEveryMs = 250
const enteringMs = 12_000
let drawnMs = -Infinity

function draw(isForced = false): void {
  if (!prepared) return
  const tMs = tNow() - mountedMs
  const isCalm =
    tMs > enteringMs &&
    tMs > telling.changedMs + settleMs &&
    tNow() > fontsChangedMs + calmEveryMs &&
    !isRestless(prepared.score, telling.told, wallZeroMs + tNow())
  if (isCalm && !isForced && tMs - drawnMs < calmEveryMs) return
  drawnMs = tMs
  stage.seek(Math.round(tMs), { isRunning: true })
  for (const id of lines.look(linesOf(prepared.score, telling.told), wallZeroMs + tNow(), !document.hidden))
    link.send({ type: 'showed', id })
}

function frame(): void {
  draw()
  requestAnimationFrame(frame)
}

const address = new URL(`${location.pathname.replace(/\/$/, '')}/link`, location.href)
address.protocol = address.protocol === 'https:' ? 'wss:' : 'ws:'
const link = connect<ToBoard, FromBoard>(address.href, {
  onOpen() {
    isConnected = true
    link.send({
      type: 'hello',
      shownPlayIds: [],
      sound: 'on',
      widthPx: window.innerWidth,
      heightPx: window.innerHeight,
    })
    showState()
  },
  onMessage: receive,
  // What it shows stays: a bar that vanishes with every hiccup of a network is worse than one that is a moment late.
  onLost() {
    isConnected = false
    showState()
  },
  onRefused() {
    isConnected = false
    loading = null
    prepared = null
    stage.clear()
    showState()
  },
})
requestAnimationFrame(frame)
addEventListener('resize', fitStage)
