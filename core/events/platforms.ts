/** What the program knows of a platform before anything of it is linked. */
interface PlatformDefinition {
  name: string
  /** What it brings, as whoever links it reads it. */
  brings: string
}

/**
 * The platforms that can be linked. Adding one = its line here, a folder in `server/feeds/adapters` and a simulated one in
 * `stand-ins/platforms`: the compiler names whichever lacks it.
 */
export const platforms = {
  alder: { name: 'Alder', brings: 'subscriptions, gifts, points, chat' },
  birch: { name: 'Birch', brings: 'memberships, paid messages, chat' },
  cedar: { name: 'Cedar', brings: 'follows, raids, tips' },
  till: { name: 'Till', brings: 'your own tip page: tips and goals' },
} as const satisfies Record<string, PlatformDefinition>

export type Platform = keyof typeof platforms
export const platformIds = Object.keys(platforms) as [Platform, ...Platform[]]
