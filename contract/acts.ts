/** What people do at the desk, each as a sentence goes on behind a name; `…` stands for whose alert it was. */
export const actWords = {
  held: 'held the line',
  wentOn: 'let the line go on',
  cleared: 'cleared the line',
  putBack: 'put back what was cleared',
  emptied: 'emptied the screen and held',
  tookBack: 'let it all go on',
  replayedAll: 'had everything play again that was let go',
  skipped: 'skipped …',
  madeNext: 'put … next',
  replayed: 'had … play again',
  letThrough: 'let … through',
  keptBack: 'did not let … through',
  letRead: 'had the message of … read',
  keptUnread: 'kept the message of … from being read',
  silencedAll: 'silenced everything',
  heardAll: 'let everything be heard again',
  silencedSource: 'silenced a source',
  heardSource: 'let a source be heard again',
  voicesOff: 'switched all voices off',
  voicesOn: 'switched the voices on again',
} as const
export type DeskAct = keyof typeof actWords

/** Something that somebody did at the desk of a box. */
export interface ActView {
  seq: number
  atMs: number
  by: string
  did: DeskAct
  /** Whose alert it was; empty: it was about none. */
  name: string
}
