import { computed, onMounted, ref, shallowRef } from 'vue'
import type { SpeechView } from '../../../contract/speech.ts'
import type { BoxView, FeedView, StorageView } from '../../../contract/views.ts'
import { checkLines, type CheckedPlace, type CheckFacts } from '../../../core/check/checkLines.ts'
import { kindOfAlert, type Alert, type BoxDocument, type Variation } from '../../../core/composition/box.ts'
import { kindNames } from '../../../core/events/kindNames.ts'
import { dressAt } from '../../../core/look/seasons.ts'
import { proofCases } from '../../../core/proof/proofCases.ts'
import { soundLevelRemarks } from '../../../core/remarks/soundLevel.ts'
import { sampleFor } from '../../../core/response/sampleFor.ts'
import { mediaOfPart } from '../../../core/library/partMedia.ts'
import { resolveScore } from '../../../core/score/resolve.ts'
import { request, wordsOf } from '../../api/request.ts'
import { useChannel } from '../../composables/useChannel.ts'
import { useBoxesStore } from '../../stores/boxes.ts'
import { useLiveStore } from '../../stores/live.ts'
import { useMediaStore } from '../../stores/media.ts'
import { sourceRemarks } from '../desk/sourceWords.ts'
import { faultWords } from '../stage/faultWords.ts'

/** Everything of a place but who shows it: that changes while one looks. */
interface LookedThrough extends Omit<CheckedPlace, 'sources'> {
  document: BoxDocument
}

/** Looks through all that is on air, once and when asked; who shows it is followed all the time. */
export function useCheck() {
  const boxes = useBoxesStore()
  const media = useMediaStore()
  const live = useLiveStore()
  const channel = useChannel()
  const places = shallowRef<LookedThrough[] | null>(null)
  const asked = shallowRef<Pick<CheckFacts, 'feeds' | 'speech' | 'storage'> | null>(null)
  const isLooking = ref(false)
  const refusal = ref('')

  /** What of a case keeps it from playing as it should, and how loud its sounds are. */
  function lookThrough(document: BoxDocument, alert: Alert, variation: Variation) {
    const name = `${kindNames[kindOfAlert(alert) ?? 'follow']} · ${variation.name}`
    const { composition } = variation
    const { look, swaps } = dressAt(document, Date.now(), channel.value.timeZone)
    const sample = { viewer: 'everyday', kind: null, choice: null } as const
    const { canvas, zones } = document
    const settled = resolveScore(composition, {
      ...{ canvas, zones, look, swaps, offer: alert.offer, locale: channel.value.locale, media: media.facts },
      event: sampleFor(alert, variation, sample, channel.value, Date.now()),
    })
    if (!settled.ok) return { unplayable: [`${name}: ${faultWords(settled.error)}`], loudness: [], sounds: 0 }
    const gone = composition.parts.filter((part) => mediaOfPart(part).some((id) => media.find(id) === undefined))
    const remarks = soundLevelRemarks({
      ...{ kinds: alert.kinds, composition, score: settled.value, layouts: new Map(), zones, messageText: '' },
      ...{ soundLevel: look.soundLevel, sounds: Object.fromEntries(media.measuredSounds) },
      ...{ pictureColours: {}, sceneColours: null },
    })
    return {
      unplayable: gone.map((part) => `${name}: the file of “${part.name}” is gone from the library.`),
      loudness: remarks.map(({ words, level }) => ({ words: `${name}: ${words}`, isWrong: level === 'wrong' })),
      sounds: settled.value.parts.filter(({ kind }) => kind === 'sound').length,
    }
  }

  async function placeOf(id: string): Promise<LookedThrough[]> {
    const { name, isBoard, airDocument: document } = await request<BoxView>('GET', `/api/boxes/${id}`)
    if (!document) return []
    // What is switched off does not play whatever it is like.
    const cases = proofCases(document).filter(({ alert }) => alert.isOn)
    const looked = cases.map(({ alert, variation }) => lookThrough(document, alert, variation))
    return [
      {
        ...{ id, name, isBoard, document, cases: cases.length },
        loudness: looked.flatMap((each) => each.loudness),
        unplayable: looked.flatMap((each) => each.unplayable),
        sounds: looked.reduce((sum, each) => sum + each.sounds, 0),
        hasVoice: cases.some(({ variation }) => variation.composition.parts.some(({ kind }) => kind === 'voice')),
      },
    ]
  }

  async function look(): Promise<void> {
    isLooking.value = true
    refusal.value = ''
    try {
      await Promise.all([boxes.load(), media.ensureLoaded()])
      const [feeds, speech, storage, found] = await Promise.all([
        request<{ feeds: FeedView[] }>('GET', '/api/channel/feeds'),
        request<SpeechView>('GET', '/api/channel/speech'),
        request<StorageView>('GET', '/api/storage'),
        Promise.all([...(boxes.boxes ?? []), ...(boxes.boards ?? [])].map(({ id }) => placeOf(id))),
      ])
      places.value = found.flat()
      asked.value = {
        feeds: feeds.feeds,
        speech: { isOn: speech.settings.isOn, voices: speech.voices.length, troubles: speech.troubles },
        storage,
      }
    } catch (error) {
      refusal.value = wordsOf(error)
    }
    isLooking.value = false
  }
  onMounted(look)

  const lines = computed(() => {
    if (!places.value || !asked.value) return null
    const shown = places.value.map(({ document, ...place }) => ({
      ...place,
      sources: live
        .sourcesOf(place.id)
        .map((source) => ({ remarks: sourceRemarks(source, document.canvas), isHidden: source.isHidden })),
    }))
    return checkLines({ places: shown, ...asked.value })
  })
  return { lines, isLooking, refusal, look }
}
