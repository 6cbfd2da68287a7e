import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { Readable } from 'node:stream'
import { buffer } from 'node:stream/consumers'
import { starterAlert } from '../../core/composition/starter.ts'
import type { BoxDocument } from '../../core/composition/box.ts'
import type { Manifest } from '../../core/pack/manifest.ts'
import { writePack } from '../../server/packs/writePack.ts'
import { expect, testWithOwnServer as test, untilState } from '../arrange/fixtures.ts'
import { TestServer } from '../arrange/server.ts'
import { plainBox } from '../../core/composition/plainBox.ts'

test.use({ startEnv: {} })

const canvas = { widthPx: 1920, heightPx: 1080, framesPerSecond: 60 }

/** A pack with one alert that shows these bytes as its picture. */
function packWith(bytes: Buffer): Promise<Buffer> {
  const id = createHash('sha256').update(bytes).digest('hex')
  const manifest: Manifest = {
    format: 'thundercrest.pack',
    version: 1,
    id: 'own-picture',
    release: '1.0.0',
    name: 'Own picture',
    author: 'Bram Quill',
    licence: 'CC0-1.0',
    about: '',
    box: plainBox(canvas, [starterAlert('follow', canvas, { pictureId: id, soundId: null })]),
    media: [
      {
        id,
        file: `media/${id}`,
        name: 'Own lantern',
        kind: 'picture',
        mime: 'image/png',
        sizeBytes: bytes.length,
        licence: 'CC0-1.0',
      },
    ],
    dials: [],
  }
  return buffer(writePack(manifest, { stream: () => Promise.resolve(Readable.from([bytes])) }))
}

test('a pack saved in one channel is a box in a fresh one: dropped, put on air, shown', async ({
  page,
  server,
  context,
}) => {
  test.slow()
  const code = /with the code (\w+)/.exec(server.printed)?.[1] ?? ''
  expect(
    (
      await page.request.post(`${server.url}/api/welcome`, {
        data: {
          code,
          channelName: 'Morning market',
          personName: 'Bram Quill',
          email: 'bram@lantern-loaf.example',
          password: 'lantern-loaf',
        },
      })
    ).ok(),
  ).toBe(true)
  const from = await TestServer.start()
  const maker = await context.browser()?.newContext()
  if (!maker) throw new Error('there is a browser')
  const account = from.demo.accounts.find(({ role }) => role === 'editor')
  await maker.request.post(`${from.url}/api/session`, { data: { email: account?.email, password: account?.password } })
  const saving = await maker.newPage()
  await saving.goto(`${from.url}/boxes`)
  const [download] = await Promise.all([
    saving.waitForEvent('download'),
    saving
      .getByRole('button', { name: 'More about Night counter' })
      .click()
      .then(() => saving.getByRole('menuitem', { name: 'Save as a pack' }).click()),
  ])
  expect(download.suggestedFilename()).toBe('night-counter.pack.zip')
  const pack = readFileSync(await download.path())
  // The same draft is the same pack, to the byte.
  expect(
    (await (await maker.request.get(`${from.url}/api/boxes/${from.demo.boxes[0]?.id}/pack`)).body()).equals(pack),
  ).toBe(true)
  // A board goes along where it has the shape of the box.
  const along = (board: string) =>
    maker.request.get(`${from.url}/api/boxes/${from.demo.boxes[0]?.id}/pack?board=${board}`)
  const withBoard = await (await along('board-counter')).body()
  expect((await along('board-window-strip')).status()).toBe(409)
  expect((await along('box-street-window')).status()).toBe(404)
  await maker.close()
  await from.remove()

  await page.goto(`${server.url}/boxes`)
  await page.getByRole('link', { name: /^Or begin with nothing/ }).click()
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Choose a pack' }).click(),
  ])
  await chooser.setFiles({ name: 'night-counter.pack.zip', mimeType: 'application/zip', buffer: pack })
  await expect(page.getByText('“Night counter” is on the shelf.')).toBeVisible({ timeout: 60_000 })
  // It is seen, and read about, before anything is made of it.
  await expect(page.getByRole('form', { name: 'The new box' }).locator('[data-part=headline]')).toBeVisible()
  await expect(page.getByText('12 kinds of event, 0 dials, release 1.0.0 by Bram Quill')).toBeVisible()
  await expect(page.getByLabel('Name')).toHaveValue('Night counter')
  await expect(page.getByRole('checkbox', { name: /^with its \d+ triggers$/ })).toBeChecked()
  await page.getByRole('button', { name: 'Make the box' }).click()
  await page.getByRole('button', { name: 'Tip', exact: true }).click()
  await expect(page.getByText('Everyday, one of 5 cases')).toBeVisible()
  await page.getByRole('button', { name: /^Put on air/ }).click()
  await page
    .getByRole('button', { name: /on air$/ })
    .last()
    .click()
  await expect(page.getByText('On air: version 1')).toBeVisible()
  const { boxes } = (await (await page.request.get(`${server.url}/api/boxes`)).json()) as { boxes: { id: string }[] }
  const { url } = (await (await page.request.get(`${server.url}/api/boxes/${boxes[0]?.id}/address`)).json()) as {
    url: string
  }
  const source = await context.newPage()
  await source.goto(url)
  await untilState(source, 'waiting')
  await page.getByRole('button', { name: 'Test this case' }).click()
  await expect(source.getByText('for the night bakers')).toBeVisible({ timeout: 20_000 })
  await expect(page.getByText('Shown by 1 source')).toBeVisible({ timeout: 20_000 })

  const sent = await page.request.post(`${server.url}/api/packs`, {
    headers: { 'content-type': 'application/zip', origin: server.url },
    data: withBoard,
  })
  const { shelfId } = (await sent.json()) as { shelfId: string }
  const made = await page.request.post(`${server.url}/api/boards`, {
    headers: { origin: server.url },
    data: { name: 'Market board', canvas: { widthPx: 1280, heightPx: 720, framesPerSecond: 30 }, shelfId },
  })
  expect(made.status()).toBe(201)
  const { boards } = (await (await page.request.get(`${server.url}/api/boxes`)).json()) as {
    boards: { name: string; document: BoxDocument }[]
  }
  const parts = boards[0]?.document.alerts[0]?.variations[0]?.composition.parts ?? []
  expect([boards[0]?.name, ...parts.map(({ kind }) => kind)]).toEqual([
    'Market board',
    ...['bar', 'list', 'chat', 'sponsor'],
  ])
})

test('all of a pack is taken, or nothing', async ({ page, server }) => {
  const code = /with the code (\w+)/.exec(server.printed)?.[1] ?? ''
  await page.request.post(`${server.url}/api/welcome`, {
    data: {
      code,
      channelName: 'Morning market',
      personName: 'Bram Quill',
      email: 'bram@lantern-loaf.example',
      password: 'lantern-loaf',
    },
  })
  const send = (data: Buffer, type = 'application/zip') =>
    page.request.post(`${server.url}/api/packs`, { headers: { 'content-type': type }, data })
  const listed = async () =>
    (
      (await (await page.request.get(`${server.url}/api/channel/media`)).json()) as {
        media: { name: string; tags: string[] }[]
      }
    ).media
  const before = (await listed()).length
  const png = readFileSync(new URL('../media/files/still.png', import.meta.url))

  const half = await send(await packWith(png.subarray(0, 90)))
  expect([half.status(), ((await half.json()) as { detail: string }).detail]).toEqual([
    422,
    expect.stringContaining('“Own lantern” was not taken, and with it nothing of the pack'),
  ])
  const junk = await send(Buffer.from('hello'))
  expect([junk.status(), ((await junk.json()) as { detail: string }).detail]).toEqual([
    422,
    'The pack was not taken: The file is no zip, or is damaged.',
  ])
  expect((await send(Buffer.from('{}'), 'text/plain')).status()).toBe(415)
  expect((await send(Buffer.from('{}'), 'application/json')).status()).toBe(422)
  expect((await send(Buffer.from('{"uploadId":"channel--upload"}'), 'application/json')).status()).toBe(404)
  expect([
    (await listed()).length,
    ((await (await page.request.get(`${server.url}/api/boxes`)).json()) as { boxes: unknown[] }).boxes.length,
  ]).toEqual([before, 0])

  const good = await send(await packWith(png))
  const { shelfId } = (await good.json()) as { shelfId: string }
  expect([good.status(), await (await send(await packWith(png))).json()]).toEqual([
    201,
    { shelfId, name: 'Own picture', isKnown: true, leftAside: [] },
  ])
  // On the shelf it is nobody's: the library has its files once a box took it.
  expect((await listed()).length).toBe(before)
  const made = await page.request.post(`${server.url}/api/packs/${shelfId}/boxes`, { data: { name: 'Taken' } })
  expect(made.status()).toBe(201)
  expect((await listed()).filter(({ tags }) => tags.includes('pack'))).toMatchObject([{ name: 'Own lantern' }])
  const kept = await page.request.delete(`${server.url}/api/packs/${shelfId}`)
  expect([kept.status(), ((await kept.json()) as { detail: string }).detail]).toEqual([
    409,
    expect.stringContaining('“Taken” has taken it'),
  ])
  const { id } = (await made.json()) as { id: string }
  expect(
    (
      await page.request.patch(`${server.url}/api/boxes/${id}/draft`, {
        data: { baseRevision: 0, patches: [{ op: 'replace', path: ['packs'], value: [] }] },
      })
    ).ok(),
  ).toBe(true)
  expect((await page.request.delete(`${server.url}/api/packs/${shelfId}`)).status()).toBe(204)
  expect((await page.request.get(`${server.url}/api/packs/${shelfId}`)).status()).toBe(404)
  // Its file stays, for the library has it.
  expect(
    (await page.request.get(`${server.url}/media/${createHash('sha256').update(png).digest('hex')}`)).status(),
  ).toBe(200)
  expect(
    (
      await fetch(`${server.url}/api/packs`, {
        method: 'POST',
        body: 'x',
        headers: { 'content-type': 'application/zip' },
      })
    ).status,
  ).toBe(401)
})
