import { randomBytes } from 'node:crypto'
import { readFile, rename, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { hashApiKey, hintOf, newApiKey } from '../server/auth/keys.ts'
import { hashPassword } from '../server/auth/password.ts'
import { newAddress, pathOfSource } from '../server/boxes/createBox.ts'
import { addBox, listBoxesAndBoards, publishVersion } from '../server/db/queries/boxes.ts'
import { addFeed, listFeeds } from '../server/db/queries/feeds.ts'
import { addApiKey } from '../server/db/queries/keys.ts'
import { addChannel, addMember, addPerson, hasAnyPerson } from '../server/db/queries/people.ts'
import { findStudio, setStudioSecret } from '../server/db/queries/runs.ts'
import { addStandIn } from '../server/db/queries/standIns.ts'
import { addGoal, setGoalEnded, tellGoal } from '../server/db/queries/goals.ts'
import { keepTipPage } from '../server/db/queries/tips.ts'
import { addCampaign } from '../server/db/queries/sponsors.ts'
import { campaignClicks, campaignTurn } from '../server/db/sponsorSchema.ts'
import { addTrigger } from '../server/db/queries/triggers.ts'
import { balance, pointsEntry } from '../server/db/triggerSchema.ts'
import { decideEvents } from '../server/ingest/decideEvents.ts'
import { keepDecided } from '../server/ingest/keepDecided.ts'
import { newId, newSecret } from '../server/system/ids.ts'
import { addReadyFiles, type ReadShippedFile } from '../server/media/readyShelf.ts'
import type { Services } from '../server/system/services.ts'
import { readyPolicy } from '../core/queue/policy.ts'
import { simulate } from '../core/queue/simulate.ts'
import { localMoment } from '../core/time/localMoment.ts'
import { feedSource } from '../core/events/feedSource.ts'
import { targetsOf } from '../core/goal/schema.ts'
import { demoBoards } from './boards.ts'
import { demoGoals } from './goals.ts'
import { demoNight } from './night.ts'
import { demoPassword, demoPeople } from './people.ts'
import { demoCampaigns, earlierClicks, earlierTurns } from './sponsors.ts'
import { demoTipPage } from './tips.ts'
import { demoBalances, demoCalls, demoRewards, demoTriggers } from './triggers.ts'
import { demoBoxes, demoChannel, demoFeeds, earlierTonight } from './scenario.ts'

/** Loads the scenario into an empty database, and writes `demo.json` for scripts that drive the demo from outside. */
export async function loadDemo(
  services: Services,
  address: string,
  readFileOf: ReadShippedFile,
  hasNight: boolean,
): Promise<void> {
  const { db } = services.database
  if (!(await hasAnyPerson(db))) {
    await loadPeople(services)
    const media = await loadMedia(services, readFileOf)
    await loadBoxes(services, media)
    await loadTriggers(services, media)
    await loadGoals(services)
    await keepTipPage(db, demoChannel.id, demoTipPage, 0)
    await loadSponsors(services)
    if (hasNight) await loadNight(services)
    await loadEarlierTonight(services)
    await services.takeFreeLanes()
  }
  await writeDemoFile(services, address)
}

async function loadPeople({ database: { db } }: Services): Promise<void> {
  await addChannel(db, { ...demoChannel, calls: demoCalls })
  const passwordHash = await hashPassword(demoPassword)
  for (const { role, ...person } of demoPeople) {
    await addPerson(db, { ...person, passwordHash })
    await addMember(db, demoChannel.id, person.id, role)
  }
  for (const name of demoFeeds)
    await addFeed(db, {
      id: `feed-${name.toLowerCase()}`,
      channelId: demoChannel.id,
      platform: name.toLowerCase(),
      name,
      account: 'lantern-loaf',
      secret: `whsec_${randomBytes(24).toString('base64')}`,
    })
}

async function loadMedia(
  { database: { db }, media }: Services,
  readFileOf: ReadShippedFile,
): Promise<(file: string) => string> {
  const ids = new Map(
    [...(await addReadyFiles(db, media, demoChannel.id, readFileOf))].map(([file, id]) => [
      file.replace(/\.\w+$/, ''),
      id,
    ]),
  )
  return (file) => {
    const id = ids.get(file)
    if (!id) throw new Error(`There is no demo media file ${file}`)
    return id
  }
}

async function loadBoxes({ database: { db } }: Services, media: (file: string) => string): Promise<void> {
  for (const { id, name, document } of [...demoBoxes(media), ...demoBoards()]) {
    const isBoard = document.stays === true
    await addBox(db, {
      id,
      channelId: demoChannel.id,
      name,
      draft: document,
      isBoard,
      sourceToken: newAddress(isBoard),
    })
    await publishVersion(db, {
      id: newId('version'),
      boxId: id,
      document,
      publishedAt: new Date(),
      publishedBy: 'person-odalys',
    })
  }
}

async function loadTriggers({ database: { db } }: Services, media: (file: string) => string): Promise<void> {
  const { id: channelId } = demoChannel
  for (const each of demoTriggers(media)) await addTrigger(db, channelId, each)
  for (const [id, fields] of Object.entries(demoRewards))
    await addStandIn(db, 'feed-alder', 'reward', id, { ...fields })
  await setStudioSecret(db, channelId, newSecret('stl'), false)
  const at = new Date()
  for (const [name, points] of Object.entries(demoBalances)) {
    const viewerId = `feed:feed-alder/sim-${name}`
    await db.insert(balance).values({ channelId, viewerId, name, points })
    await db
      .insert(pointsEntry)
      .values({ channelId, viewerId, change: points, why: 'nights before this one', reference: `before:${name}`, at })
  }
}

async function loadGoals({ database: { db } }: Services): Promise<void> {
  const nowMs = Date.now()
  for (const { goal, isPast, isBegun } of demoGoals(nowMs, demoChannel.timeZone)) {
    await addGoal(db, demoChannel.id, goal)
    await tellGoal(db, demoChannel.id, goal.id, {
      isStartTold: isBegun,
      ...(isPast ? { told: { targets: targetsOf(goal), round: 0 } } : {}),
    })
    if (isPast) await setGoalEnded(db, demoChannel.id, goal.id, new Date(goal.untilMs ?? nowMs))
  }
}

async function loadSponsors({ database: { db } }: Services): Promise<void> {
  const nowMs = Date.now()
  const { id: channelId, timeZone } = demoChannel
  for (const { campaign, code } of demoCampaigns(nowMs, timeZone)) await addCampaign(db, channelId, campaign, code)
  await db.insert(campaignTurn).values(
    earlierTurns(nowMs).map(({ campaignId, atMs, watching }, at) => ({
      ...{ id: `earlier-turn-${at}`, channelId, campaignId, watching },
      ...{ shownBy: 'line' as const, at: new Date(atMs), isSeen: true },
    })),
  )
  const { day: today } = localMoment(nowMs, timeZone)
  for (let back = 1; back <= 26; back++)
    for (const [campaignId, clicks] of Object.entries(earlierClicks(back)))
      if (clicks > 0) await db.insert(campaignClicks).values({ channelId, campaignId, day: today - back, clicks })
}

async function loadEarlierTonight({ database: { db }, onAir }: Services): Promise<void> {
  onAir.forget(demoChannel.id)
  const channel = await onAir.read(demoChannel.id)
  for (const [index, { minutesAgo, ends, ...event }] of earlierTonight.entries()) {
    const atMs = Date.now() - minutesAgo * 60_000
    // What was left tonight was left on the tip page.
    const source = event.kind === 'tip' ? feedSource('feed-till') : 'demo'
    const incoming = { ...event, source, externalId: `earlier-${index}`, occurredAtMs: atMs, isTest: false }
    const decided = decideEvents({
      channelId: demoChannel.id,
      onAir: channel,
      incoming: [incoming],
      onlyBoxId: null,
      feed: null,
      previous: [],
      pretended: null,
      nowMs: atMs,
    })
    for (const effect of decided.rows.effects) {
      const play = decided.rows.plays.find(({ id }) => id === effect.id)
      if (!play) continue
      Object.assign(effect, {
        outcome: ends?.outcome ?? 'played',
        reason: ends?.reason ?? 'shown to its end',
        outcomeAt: new Date(atMs + 300 + play.lengthMs),
      })
      Object.assign(play, { state: 'over', shownCount: ends ? 0 : 2, startedAt: ends ? null : new Date(atMs + 300) })
    }
    await keepDecided(db, [decided])
  }
}

/**
 * The night of 24 November as it would have been: decided by what is on air now, shown by the same queue in a time of its own. It
 * is over, so it sets nothing off and earns nothing.
 */
async function loadNight({ database: { db }, onAir }: Services): Promise<void> {
  onAir.forget(demoChannel.id)
  const channel = await onAir.read(demoChannel.id)
  const decided = demoNight().map((event) =>
    decideEvents({
      channelId: demoChannel.id,
      onAir: channel,
      incoming: [{ ...event, isTest: false }],
      ...{ onlyBoxId: null, feed: null, previous: [], pretended: null, nowMs: event.occurredAtMs + nightLagMs },
    }),
  )
  for (const { boxId, version } of channel.boxes) {
    const plays = decided.flatMap(({ plays }) => plays.filter((each) => each.boxId === boxId))
    const { ends, shown } = simulate(
      plays.map(({ ticket }) => [
        ticket.enqueuedAtMs,
        { type: 'enqueued', tickets: [{ ...ticket, isAwaiting: false }] },
      ]),
      readyPolicy(version?.document.policy ?? []),
    )
    const shownBy = new Map(shown.map((each) => [each.playId, each]))
    for (const { rows } of decided)
      for (const effect of rows.effects) {
        const play = rows.plays.find(({ id }) => id === effect.id)
        const end = ends.get(effect.id)
        if (play?.boxId !== boxId || !end) continue
        const on = shownBy.get(effect.id)
        Object.assign(effect, { outcome: end.outcome, reason: end.reason, outcomeAt: new Date(end.atMs) })
        Object.assign(play, {
          ...{ state: 'over', approval: 'none', shownCount: on ? 1 : 0, startedAt: on ? new Date(on.fromMs) : null },
          ...{ together: on?.together ?? null, mergedInto: end.into ?? null },
        })
      }
  }
  for (const { rows } of decided) Object.assign(rows, { runs: [], earned: [], counted: [], tallies: [] })
  for (let at = 0; at < decided.length; at += nightAtOnce) await keepDecided(db, decided.slice(at, at + nightAtOnce))
}
/** A platform tells of something a little after it happened. */
const nightLagMs = 400
const nightAtOnce = 100

async function writeDemoFile({ database: { db }, dataFolder }: Services, url: string): Promise<void> {
  const path = join(dataFolder, 'demo.json')
  const kept = await readFile(path, 'utf8').then(
    (text) => JSON.parse(text) as { apiKey?: string },
    () => null,
  )
  const apiKey = kept?.apiKey ?? newApiKey()
  if (!kept?.apiKey)
    await addApiKey(db, {
      ...{ hash: hashApiKey(apiKey), hint: hintOf(apiKey), channelId: demoChannel.id, name: 'Demo scripts' },
      // Floods of the demo's scripts are what it is for.
      ...{ perMinute: 600_000, madeByName: 'the demo' },
    })
  const sources = await listBoxesAndBoards(db, demoChannel.id)
  const sourceOf = (box: (typeof sources)[number]) => ({
    ...{ id: box.id, name: box.name, sourceUrl: url + pathOfSource(box) },
    ...box.draft.canvas,
    scenes: demoBoards().find(({ id }) => id === box.id)?.scenes ?? [],
  })
  const content = {
    url,
    accounts: demoPeople.map(({ email, role }) => ({ email, password: demoPassword, role })),
    boxes: sources.filter(({ isBoard }) => !isBoard).map(sourceOf),
    boards: sources.filter(({ isBoard }) => isBoard).map(sourceOf),
    feeds: (await listFeeds(db, demoChannel.id)).map(({ id, platform, secret }) => ({ id, platform, secret })),
    studio: {
      link: `${url.replace(/^http/, 'ws')}/studio/link?channel=${demoChannel.id}`,
      secret: (await findStudio(db, demoChannel.id))?.secret ?? '',
    },
    chatUrl: `${url}/stand-ins/chat/feed-alder`,
    listUrl: `${url}/list/${demoChannel.id}`,
    apiKey,
  }
  // Whoever reads it meanwhile reads the one before, or this one: never half of it.
  const half = `${path}.${process.pid}`
  await writeFile(half, `${JSON.stringify(content, null, 2)}\n`, { mode: 0o600 })
  await rename(half, path)
}
