import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { plainBoard } from '../../core/board/plainBoard.ts'
import type { Row, Slice } from '../../core/board/slice.ts'
import { newLive } from '../../core/board/starterLive.ts'
import type { Want } from '../../core/board/want.ts'
import { lanternLook } from '../../core/look/lanternLook.ts'
import type { ChannelOnAir } from '../../core/response/channelOnAir.ts'
import type { ToBoard } from '../../contract/boardMessages.ts'
import { BoardKeeper } from './boardKeeper.ts'
import type { SaidEvent } from './sliceReader.ts'

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }
const row = (id: string): Row => ({ id, atMs: 1, name: id, nameInk: null, roles: [], pieces: [] })
const chatLine = (id: string, viewerId = 'v'): SaidEvent => ({
  ...{ id, channelId: 'c', source: 'feed:alder', externalId: `x-${id}`, kind: 'chatMessage', isTest: false },
  ...{ occurredAt: new Date(1), receivedAt: new Date(1) },
  data: { viewer: { id: viewerId, name: viewerId }, message: { text: id } },
})

/** A channel with two boards that show the same, and what their pages are told. */
function world() {
  const board = (...kinds: ('bar' | 'chat' | 'tally')[]) =>
    plainBoard(
      canvas,
      lanternLook,
      kinds.map((kind) => newLive(kind, canvas)),
    )
  const boards = ['one', 'two'].map((boxId) => ({
    boxId,
    version: { id: `version of ${boxId}`, document: board('bar', 'chat', 'tally') },
  }))
  const onAir = { boards, locale: 'en', timeZone: 'UTC', media: {} } as unknown as ChannelOnAir
  const told: { boardId: string; to: readonly string[]; message: ToBoard }[] = []
  const here: Record<string, string[]> = {}
  const kept = { count: 0, lines: [] as SaidEvent[] }
  const read = vi.fn(async (_channelId: string, _onAir: ChannelOnAir, want: Want): Promise<Slice> => {
    if (want.of === 'goal') return { of: 'goal', goal: null }
    return { of: 'count', count: kept.count }
  })
  const keeper = new BoardKeeper({
    reader: {
      read,
      chatLines: async (_channelId, { most }) => kept.lines.slice(0, most),
      chatRows: async (_onAir, _want, lines) => lines.map(({ id }) => row(id)),
    },
    rooms: {
      send: (boardId, to, message) => void told.push({ boardId, to, message: message as ToBoard }),
      views: (boardId) => (here[boardId] ?? []).map((id) => ({ id })) as never,
    },
    onAir: async () => onAir,
    now: () => 5,
    onError: (error) => {
      throw error
    },
  })
  const join = async (boardId: string, sourceId: string) => {
    here[boardId] = [...(here[boardId] ?? []), sourceId]
    await keeper.joined(boardId, 'c', sourceId)
  }
  /** Everything that was told since it was asked for last. */
  const news = async (afterMs = 400) => {
    await vi.advanceTimersByTimeAsync(afterMs)
    return told.splice(0)
  }
  return { keeper, join, news, here, kept, boards, read, board }
}
const changes = (told: Awaited<ReturnType<ReturnType<typeof world>['news']>>) =>
  told.map(({ boardId, message }) => [boardId, message.type])

describe('BoardKeeper', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => void vi.useRealTimers())

  it('tells a page that comes everything, and others nothing', async () => {
    const { join, news, kept } = world()
    kept.lines = [chatLine('b'), chatLine('a')]
    await join('one', 's1')
    const [whole, ...others] = await news()
    expect(others).toEqual([])
    expect(whole).toMatchObject({ boardId: 'one', to: ['s1'], message: { type: 'board', nowMs: 5 } })
    const { slices } = whole?.message as Extract<ToBoard, { type: 'board' }>
    expect(slices.map(({ slice }) => slice.of).sort()).toEqual(['count', 'goal', 'rows'])
  })

  it('tells both boards what is said in a chat, gathered, in order and counted', async () => {
    const { keeper, join, news } = world()
    await join('one', 's1')
    await join('two', 's2')
    await news()
    for (const id of ['a', 'b', 'c']) keeper.happened('c', [chatLine(id)])
    const told = await news()
    expect(changes(told)).toEqual([
      ['one', 'rows'],
      ['two', 'rows'],
    ])
    expect(told[0]?.message).toMatchObject({ seq: 2, added: [{ id: 'c' }, { id: 'b' }, { id: 'a' }], removed: [] })
    keeper.happened('c', [chatLine('d')])
    expect((await news())[0]?.message).toMatchObject({ seq: 3, added: [{ id: 'd' }] })
  })

  it('tells a flood of 500 lines a second in few messages, the newest of them, and none twice', async () => {
    const { keeper, join, news } = world()
    await join('one', 's1')
    await news()
    const told: Awaited<ReturnType<typeof news>> = []
    for (let tenth = 0; tenth < 100; tenth++) {
      for (let line = 0; line < 50; line++) keeper.happened('c', [chatLine(`l${tenth * 50 + line}`)])
      told.push(...(await news(100)))
    }
    told.push(...(await news(1000)))
    const rows = told.flatMap(({ message }) => (message.type === 'rows' ? [message] : []))
    expect(rows.length).toBeLessThanOrEqual(250)
    for (const { added, most } of rows) expect(added.length).toBeLessThanOrEqual(most)
    const ids = rows.flatMap(({ added }) => added.map(({ id }) => id))
    expect(new Set(ids).size).toBe(ids.length)
    expect(rows.at(-1)?.added[0]?.id).toBe('l4999')
    rows.forEach(({ seq }, at) => expect(seq).toBe((rows[0]?.seq ?? 0) + at))
  })

  it('takes away one line by its id, and all of a viewer, also what was only just said', async () => {
    const { keeper, join, news, kept } = world()
    kept.lines = [chatLine('old', 'loud')]
    await join('one', 's1')
    await news()
    keeper.happened('c', [chatLine('a', 'loud'), chatLine('b')])
    keeper.removed('c', [{ source: 'feed:alder', viewerId: 'loud' }])
    const [first] = await news()
    expect(first?.message).toMatchObject({ added: [{ id: 'b' }, { id: 'a' }], removed: ['old', 'a'] })
    keeper.removed('c', [{ source: 'feed:birch', externalId: 'x-b' }])
    expect(await news()).toEqual([])
    keeper.removed('c', [{ source: 'feed:alder', externalId: 'x-b' }])
    expect((await news())[0]?.message).toMatchObject({ added: [], removed: ['b'] })
  })

  it('reads anew only what has to do with what happened, and tells only what is another then', async () => {
    const { keeper, join, news, kept, read } = world()
    await join('one', 's1')
    await news()
    read.mockClear()
    keeper.happened('c', [{ ...chatLine('f'), kind: 'raid' } as SaidEvent])
    expect([await news(), read.mock.calls.length]).toEqual([[], 0])
    keeper.happened('c', [{ ...chatLine('f'), kind: 'follow' } as SaidEvent])
    expect([await news(), read.mock.calls.length]).toEqual([[], 1])
    kept.count = 8
    for (let times = 0; times < 50; times++) keeper.happened('c', [{ ...chatLine('f'), kind: 'follow' } as SaidEvent])
    const told = await news()
    expect(told.map(({ message }) => message)).toMatchObject([{ type: 'slice', slice: { count: 8 } }])
    expect(read).toHaveBeenCalledTimes(2)
  })

  it('asks for everything where something happened elsewhere, and finds what was taken away there', async () => {
    const { keeper, join, news, kept } = world()
    kept.lines = [chatLine('b'), chatLine('a')]
    await join('one', 's1')
    await news()
    kept.lines = [chatLine('a')]
    keeper.happened('c', null)
    expect((await news())[0]?.message).toMatchObject({ type: 'slice', slice: { rows: [{ id: 'a' }], removed: ['b'] } })
  })

  it('sends all of a board anew where another version of it is on air, and forgets one that is not', async () => {
    const { keeper, join, news, boards, board } = world()
    await join('one', 's1')
    await news()
    await keeper.changed('c')
    expect(await news()).toEqual([])
    boards[0]!.version = { id: 'next', document: board('chat') }
    await keeper.changed('c')
    const [whole] = await news()
    expect((whole?.message as Extract<ToBoard, { type: 'board' }>).score.parts.map(({ kind }) => kind)).toEqual([
      'chat',
    ])
  })

  it('gives a page again what it missed, and nothing to boards that nobody shows', async () => {
    const { keeper, join, news, here, read } = world()
    await join('one', 's1')
    const [whole] = await news()
    const { slices } = whole?.message as Extract<ToBoard, { type: 'board' }>
    const [first] = slices
    keeper.again('one', 's1', first?.key ?? '')
    keeper.again('one', 's1', 'of nothing')
    expect(await news()).toEqual([{ boardId: 'one', to: ['s1'], message: { type: 'slice', ...first } }])
    here.one = []
    read.mockClear()
    keeper.happened('c', [{ ...chatLine('f'), kind: 'follow' } as SaidEvent])
    expect([await news(), read.mock.calls.length]).toEqual([[], 0])
  })

  it('shows a test for a while, whatever happens meanwhile, and then what is true by then', async () => {
    const { keeper, join, news, kept } = world()
    await join('one', 's1')
    await news()
    const count = (value: number): Slice => ({ of: 'count', count: value })
    keeper.test('one', (want) => (want.of === 'count' ? [count(42), count(43)] : []), 1000, 4000)
    const shown = (told: Awaited<ReturnType<typeof news>>) =>
      told.flatMap(({ message }) =>
        message.type === 'slice' && message.slice.of === 'count' ? [message.slice.count] : [],
      )
    expect(shown(await news(500))).toEqual([42])
    kept.count = 7
    keeper.happened('c', [{ ...chatLine('f'), kind: 'follow' } as SaidEvent])
    expect(shown(await news(1000))).toEqual([43])
    expect(shown(await news(4000))).toEqual([7])
  })
})
