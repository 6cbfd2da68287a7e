import { computed, shallowRef } from 'vue'
import { localMoment, momentAt } from '../../../core/time/localMoment.ts'
import { useChannel } from '../../composables/useChannel.ts'
import type { NightChoice } from '../../workers/rehearsalTalk.ts'
import { whenWords } from '../after/afterWords.ts'
import type { ChosenNight } from './NightDialog.vue'

/** The night that somebody chose: what it is called, and what happens in it. */
export function useChosenNight() {
  const channel = useChannel()
  const chosen = shallowRef<ChosenNight>({ is: 'longQueue' })
  const title = computed(() => {
    const { value } = chosen
    if (value.is === 'longQueue') return 'The night of the long queue'
    if (value.is === 'broadcast') return whenWords(value.broadcast, channel.value)
    return value.is === 'dials' ? 'A night that never was' : value.file.name
  })
  /** @throws where a broadcast cannot be read */
  async function choiceOf(of: ChosenNight): Promise<NightChoice> {
    const { timeZone } = channel.value
    const beginMs = momentAt(localMoment(Date.now(), timeZone).day - 1, 22 * 60, timeZone)
    if (of.is === 'longQueue') return { is: 'longQueue', beginMs }
    if (of.is === 'dials') return { is: 'dials', dials: of.dials, beginMs }
    if (of.is === 'file') return { is: 'file', text: await of.file.text() }
    const answer = await fetch(`/api/nights/${of.broadcast.id}`)
    if (!answer.ok) throw new Error('The broadcast could not be read. Try it once more.')
    return { is: 'file', text: await answer.text() }
  }
  return { chosen, title, choiceOf }
}
