/** What is looked at before a broadcast. */
export const checkSubjects = ['sources', 'feeds', 'voices', 'loudness', 'playable', 'storage'] as const
export type CheckSubject = (typeof checkSubjects)[number]

/** `fine`: nothing to do. `look`: it may be meant so. `mend`: viewers will notice. */
export type CheckState = 'fine' | 'look' | 'mend'

/** Something to do, and the page on which it is done. */
export interface CheckTask {
  state: Exclude<CheckState, 'fine'>
  words: string
  to: string
}

export interface CheckLine {
  subject: CheckSubject
  state: CheckState
  /** How it is, where there is nothing to do. */
  words: string
  tasks: CheckTask[]
}

/** A box or board that is on air, and who shows it. */
export interface CheckedPlace {
  id: string
  name: string
  isBoard: boolean
  /** What is wrong with each source that is connected, in words; nothing: it is as it should be. */
  sources: readonly { remarks: readonly string[]; isHidden: boolean }[]
  /** What is too loud, too quiet or distorts, and whether viewers will notice. */
  loudness: readonly { words: string; isWrong: boolean }[]
  /** Cases that cannot play, or without a file, and why. */
  unplayable: readonly string[]
  /** How many sounds it plays. */
  sounds: number
  cases: number
  hasVoice: boolean
}

/** All that is known right now. */
export interface CheckFacts {
  places: readonly CheckedPlace[]
  feeds: readonly { name: string; unlinkedAtMs: number | null; lastDeliveryAtMs: number | null }[]
  speech: { isOn: boolean; voices: number; troubles: readonly { engine: string; reason: string }[] }
  storage: { freeBytes: number }
}

const gibibyte = 2 ** 30
/** A broadcast with recordings, pictures and history takes less than that. */
const tightBytes = 5 * gibibyte
const shortBytes = gibibyte

function worstOf(tasks: readonly CheckTask[]): CheckState {
  if (tasks.some(({ state }) => state === 'mend')) return 'mend'
  return tasks.length > 0 ? 'look' : 'fine'
}

const line = (subject: CheckSubject, words: string, tasks: CheckTask[]): CheckLine => ({
  subject,
  words,
  tasks: [...tasks.filter(({ state }) => state === 'mend'), ...tasks.filter(({ state }) => state === 'look')],
  state: worstOf(tasks),
})
const many = (count: number, noun: string) => `${count} ${count === 1 ? noun : `${noun}s`}`
const pageOf = ({ id, isBoard }: Pick<CheckedPlace, 'id' | 'isBoard'>) => `/${isBoard ? 'boards' : 'boxes'}/${id}`

function sourceTasks(place: CheckedPlace): CheckTask[] {
  const { name, sources } = place
  if (sources.length === 0)
    return [
      {
        state: place.isBoard ? 'look' : 'mend',
        words: `Nothing shows “${name}”: copy its source address and add it to your broadcast program.`,
        to: pageOf(place),
      },
    ]
  return sources.flatMap(({ remarks, isHidden }, index): CheckTask[] => {
    const called = sources.length === 1 ? `The source of “${name}”` : `Source ${index + 1} of “${name}”`
    const to = place.isBoard ? pageOf(place) : `/desk?box=${place.id}`
    return [
      ...remarks.map((words): CheckTask => ({ state: 'mend', words: `${called}: ${words}`, to })),
      ...(isHidden
        ? [{ state: 'look' as const, words: `${called} is not shown just now: its scene is not.`, to }]
        : []),
    ]
  })
}

function feedTasks(feeds: CheckFacts['feeds']): CheckTask[] {
  if (feeds.length === 0)
    return [{ state: 'mend', words: 'No account is linked: nothing can come in but tests.', to: '/feeds' }]
  return feeds.flatMap(({ name, unlinkedAtMs, lastDeliveryAtMs }): CheckTask[] => {
    if (unlinkedAtMs !== null)
      return [{ state: 'mend', words: `${name} is not heard any more. Link it again.`, to: '/feeds' }]
    return lastDeliveryAtMs === null
      ? [{ state: 'look', words: `${name} has never sent anything yet. Let it send one event.`, to: '/feeds' }]
      : []
  })
}

function voiceTasks({ isOn, voices, troubles }: CheckFacts['speech'], isNeeded: boolean): CheckTask[] {
  if (!isNeeded) return []
  if (!isOn) return [{ state: 'look', words: 'All voices are off: alerts play without them.', to: '/speech' }]
  const silent: CheckTask[] = troubles.map(({ engine, reason }) => ({
    state: voices > 0 ? 'look' : 'mend',
    words: `${engine} does not answer: ${reason}`,
    to: '/speech',
  }))
  return voices > 0 || silent.length > 0
    ? silent
    : [{ state: 'mend', words: 'There is no voice that could read anything.', to: '/speech' }]
}

function storageTasks({ freeBytes }: CheckFacts['storage']): CheckTask[] {
  if (freeBytes >= tightBytes) return []
  return [
    {
      state: freeBytes < shortBytes ? 'mend' : 'look',
      words: `${(freeBytes / gibibyte).toFixed(1)} GiB are free where everything is kept. Make room on the server’s disk.`,
      to: '/media',
    },
  ]
}

/** What is as it should be before a broadcast, and what to do about the rest, in the order in which it matters. Linear. */
export function checkLines({ places, feeds, speech, storage }: CheckFacts): CheckLine[] {
  const shown = places.reduce((sum, { sources }) => sum + sources.length, 0)
  const [sounds, cases] = [
    places.reduce((sum, each) => sum + each.sounds, 0),
    places.reduce((sum, each) => sum + each.cases, 0),
  ]
  const hasVoice = places.some((each) => each.hasVoice)
  const off: CheckTask[] = places.some(({ isBoard }) => !isBoard)
    ? []
    : [{ state: 'mend', words: 'No box is on air: nothing can play.', to: '/boxes' }]
  return [
    line('sources', `${many(shown, 'source')} connected, of the right size and heard.`, places.flatMap(sourceTasks)),
    line('feeds', `${many(feeds.length, 'account')} linked, each has been heard.`, feedTasks(feeds)),
    line(
      'voices',
      hasVoice ? `${many(speech.voices, 'voice')} ready to read.` : 'Nothing on air is read aloud.',
      voiceTasks(speech, hasVoice),
    ),
    line(
      'loudness',
      sounds === 0 ? 'Nothing on air sounds.' : `${many(sounds, 'sound')}, each as loud as its box wants.`,
      places.flatMap((place) =>
        place.loudness.map(({ words, isWrong }): CheckTask => ({
          state: isWrong ? 'mend' : 'look',
          words: `${place.name}: ${words}`,
          to: `/rehearsal/proofs?box=${place.id}`,
        })),
      ),
    ),
    line('playable', `${many(cases, 'case')} on air, all can play.`, [
      ...off,
      ...places.flatMap((place) =>
        place.unplayable.map((words): CheckTask => ({
          state: 'mend',
          words: `${place.name}: ${words}`,
          to: pageOf(place),
        })),
      ),
    ]),
    line(
      'storage',
      `${Math.floor(storage.freeBytes / gibibyte)} GiB free where everything is kept.`,
      storageTasks(storage),
    ),
  ]
}
