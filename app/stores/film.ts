import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import { toast } from 'vue-sonner'
import { slugOf } from '../../core/slugOf.ts'
import type { FilmPlan } from '../../core/film/filmPlan.ts'
import type { ResolvedScore } from '../../core/score/resolved.ts'
import { bytesInWords } from '../format/bytesInWords.ts'
import { counted } from '../format/counted.ts'
import { saveFile } from '../format/saveFile.ts'

/** How far a film is. */
export interface FilmInMaking {
  name: string
  framesDone: number
  framesAll: number
  beganAtMs: number
}

/** The film that is being made, one at a time: it goes on while other pages of the editor are open. */
export const useFilmStore = defineStore('film', () => {
  const making = shallowRef<FilmInMaking | null>(null)
  /** What became of the last one. */
  const told = ref<{ words: string; isFault: boolean } | null>(null)
  let giveUp: AbortController | null = null

  function tell(words: string, isFault = false): void {
    told.value = { words, isFault }
    if (isFault) toast.error(words)
    else toast.success(words)
  }

  /** @param called what the alert is called */
  async function make(score: ResolvedScore, plan: FilmPlan, called: string): Promise<void> {
    if (making.value) return
    const name = `${slugOf(called, 60) || 'alert'}.${plan.kind}`
    const mine = new AbortController()
    giveUp = mine
    told.value = null
    const beganAtMs = Date.now()
    making.value = { name, framesDone: 0, framesAll: 0, beganAtMs }
    // What makes it comes when somebody wants one.
    const { makeFilm, CannotWriteFilm } = await import('../film/makeFilm.ts')
    try {
      const { file, missing } = await makeFilm(score, plan, mine.signal, (framesDone, framesAll) => {
        making.value = { name, framesDone, framesAll, beganAtMs }
      })
      saveFile(file, name)
      const without = missing > 0 ? `, without ${counted(missing, 'file')} that could not be loaded` : ''
      tell(`Saved ${name}, ${bytesInWords(file.size)}${without}`)
    } catch (error) {
      if (mine.signal.aborted) told.value = { words: 'It was given up.', isFault: false }
      else if (error instanceof CannotWriteFilm)
        tell('This browser cannot write such a film. Today’s Chromium and its relatives can.', true)
      else tell('The film could not be made. Try it once more, or smaller.', true)
    } finally {
      making.value = null
    }
  }
  return { making, told, make, cancel: () => giveUp?.abort() }
})
