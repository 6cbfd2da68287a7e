/** The stations of the ridge line in working order, with the paths under each. */
export const pathsOf = {
  Feeds: [
    { to: '/feeds', name: 'Accounts' },
    { to: '/tips', name: 'Tip page' },
    { to: '/goals', name: 'Goals' },
    { to: '/sponsors', name: 'Sponsors' },
    { to: '/rates', name: 'Rates' },
  ],
  Boxes: [
    { to: '/boxes', name: 'Boxes' },
    { to: '/boards', name: 'Boards' },
    { to: '/media', name: 'Media' },
    { to: '/boxes/new', name: 'Sets and packs' },
  ],
  Triggers: [
    { to: '/triggers', name: 'What viewers can set off' },
    { to: '/triggers/points', name: 'Points' },
    { to: '/triggers/redemptions', name: 'Redemptions' },
    { to: '/triggers/studio', name: 'Studio and chat' },
  ],
  Rehearsal: [
    { to: '/rehearsal', name: 'Nights' },
    { to: '/rehearsal/proofs', name: 'Proofs' },
    { to: '/rehearsal/check', name: 'Five-minute check' },
  ],
  Desk: [
    { to: '/desk', name: 'Live' },
    { to: '/policy', name: 'Policy' },
    { to: '/speech', name: 'Speech desk' },
    { to: '/history', name: 'History' },
    { to: '/after', name: 'After the show' },
  ],
} as const satisfies Record<string, readonly { to: string; name: string }[]>

/** The channel's own matters: they lie behind its name. Those of owners are for owners alone. */
export const channelPaths = [
  { to: '/people', name: 'People', isOwners: false },
  { to: '/channel', name: 'Settings', isOwners: false },
  { to: '/keys', name: 'Keys', isOwners: true },
  { to: '/trail', name: 'What happened here', isOwners: true },
  { to: '/keeping', name: 'Backup and room', isOwners: true },
] as const

export type Station = keyof typeof pathsOf
export const stations = Object.keys(pathsOf) as Station[]

/** The station that a page belongs to; null for the doors. */
export const stationOf = (path: string): Station | null =>
  stations.find((station) => pathsOf[station].some(({ to }) => path === to || path.startsWith(`${to}/`))) ?? null
