import { readdirSync } from 'node:fs'
import type { DemoFile } from './server.ts'

const deep = (depth: number) => '{"a":'.repeat(depth) + '1' + '}'.repeat(depth)
/** Valid JSON, all of it, and some that is none. */
export const oddBodies: readonly string[] = [
  'null',
  'true',
  '[]',
  '{}',
  '"text"',
  '1e999',
  '-0',
  '9007199254740993',
  '{"name":"\\u0000"}',
  '{"name":"\\ud83e","text":"\\udc00"}',
  '{"\\u0000":1,"__proto__":{"isAdmin":true},"constructor":null}',
  '{"name":null,"isHeld":"yes","isOn":[],"kind":{}}',
  `{"name":"${'n'.repeat(50_000)}"}`,
  deep(60),
  deep(5_000),
  `[${'[],'.repeat(3_000)}[]]`,
  '{"baseRevision":0,"patches":[{"op":"replace","path":[],"value":null}]}',
  '{"baseRevision":0,"patches":[{"op":"add","path":["__proto__","x"],"value":1},{"op":"remove","path":["alerts",999999]}]}',
  '{"baseRevision":0,"patches":[{"op":"replace","path":["look","name"],"value":"a\\u0000b"}]}',
  '{"baseRevision":0,"patches":[{"op":"replace","path":["alerts","length"],"value":4294967295}]}',
  '{"rates":{"USD":1e308,"EUR":-1,"\\u0000":1}}',
  '{"email":"a\\u0000@b.example","password":"\\ud83e"}',
  '{"kind":"tip","viewer":"longest","fields":{"amountMinor":1e300},"count":1e9}',
  '{"platform":"../..","way":"code","account":"\\u0000","text":"link-0000000000"}',
  '{"eventId":"\\u0000","variationId":"x","revision":1.5}',
  '{"sayings":[{"of":"message","written":"\\u0000","emotes":[{"from":-1,"to":1e9,"url":"x"}],"voice":null}]}',
  '{"uploadId":"../../secret"}',
  '{"name":"x","canvas":{"widthPx":1e308,"heightPx":0,"framesPerSecond":-1}}',
  '{"seen":{"hasAlpha":true,"ink":{"xPx":-1,"yPx":0,"widthPx":1e9,"heightPx":1}},"poster":"AAAA","strip":"\\u0000"}',
]

interface Route {
  method: string
  path: string
}

/** Every route with a body, as the files of the server name them. */
export function routesWithBodies(demo: DemoFile): Route[] {
  const ids: Record<string, string> = {
    boxId: demo.boxes[1]?.id ?? '',
    feedId: demo.feeds[0]?.id ?? '',
    playId: 'play-x',
    eventId: 'event-x',
    shelfId: 'pack-x',
    versionId: 'version-x',
    platform: 'alder',
    id: 'x',
  }
  const found: Route[] = []
  for (const room of ['api', 'routes']) {
    const names = readdirSync(new URL(`../../server/${room}`, import.meta.url), { recursive: true, encoding: 'utf8' })
    for (const name of names) {
      const method = /\.(post|put|patch|delete)\.ts$/.exec(name)?.[1]
      if (!method) continue
      const path = name
        .replace(/\.\w+\.ts$/, '')
        .replace(/(^|\/)index$/, '')
        .replaceAll(/\[(\w+)\]/g, (_match, key: string) => ids[key] ?? 'x')
      found.push({ method: method.toUpperCase(), path: `/${room === 'api' ? 'api/' : ''}${path}` })
    }
  }
  return found
}
