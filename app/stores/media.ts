import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { IntakeView, Measured, MediaChange, PictureMeasured, SoundMeasured } from '../../contract/media.ts'
import { factsOf, levelOf } from '../../contract/mediaFacts.ts'
import type { MediaView } from '../../contract/views.ts'
import type { WaveformLevel } from '../../core/audio/soundMeter.ts'
import type { MeasuredSound } from '../../core/remarks/remark.ts'
import type { MediaFacts } from '../../core/score/mediaFacts.ts'
import { request } from '../api/request.ts'
import { useLiveStore } from './live.ts'

/** Which boxes and places a replacement changed: what undoes it. */
export type ReplacedPlaces = Record<string, string[]>

/** The channel's media library as the server has it. */
export const useMediaStore = defineStore('media', () => {
  const files = shallowRef<MediaView[]>([])
  /** Files that are not in the library, of packs that are looked at. */
  const lent = shallowRef<MediaView[]>([])
  const intake = ref<IntakeView[]>([])
  const isLoaded = ref(false)
  const live = useLiveStore()
  let loading: Promise<void> | null = null
  let asked = 0
  let taken = 0

  /** Loads the library. Of several answers under way the one that was asked for last stands, whenever they come. */
  async function load(): Promise<void> {
    const mine = ++asked
    const answer = await request<{ media: MediaView[]; intake: IntakeView[] }>('GET', '/api/channel/media')
    if (mine < taken) return
    taken = mine
    files.value = answer.media
    intake.value = answer.intake
    isLoaded.value = true
  }
  // A revision that comes first is the one that was just loaded, or newer: loading once more does no harm.
  watch(
    () => live.live?.libraryRevision,
    () => {
      if (loading) void load().catch(() => {})
    },
  )

  const byId = computed(() => new Map(files.value.map((file) => [file.id, file])))
  const sounds = computed(
    () =>
      new Map(
        files.value.flatMap(({ id, measured }) => {
          const sound = measured && soundIn(measured)
          return sound ? [[id, soundOf(sound)] as const] : []
        }),
      ),
  )
  const put = (changed: MediaView) =>
    (files.value = files.value.map((file) => (file.id === changed.id ? changed : file)))

  return {
    files,
    intake,
    isLoaded,
    pictures: computed(() => files.value.filter((file) => file.kind === 'picture')),
    sounds: computed(() => files.value.filter((file) => file.kind === 'sound')),
    fonts: computed(() => files.value.filter((file) => file.kind === 'font')),
    /** As the engine wants to know them. */
    facts: computed<Record<string, MediaFacts>>(() =>
      Object.fromEntries([...lent.value, ...files.value].map((file) => [file.id, factsOf(file)])),
    ),
    names: computed<Record<string, string>>(() => Object.fromEntries(files.value.map(({ id, name }) => [id, name]))),
    find: (id: string | null) => (id === null ? undefined : byId.value.get(id)),
    /** Colours that pictures show, by file; none where they were not measured. */
    pictureColours: computed<Record<string, readonly string[]>>(() =>
      Object.fromEntries(
        files.value.flatMap(({ id, kind, measured }) =>
          kind === 'picture' ? [[id, (measured?.of === 'picture' && measured.seen?.colours) || []]] : [],
        ),
      ),
    ),
    /** What was measured of sounds and of those of videos, by file. */
    measuredSounds: sounds,
    /** What was measured of a picture; null while it is not. */
    pictureOf: (id: string | null): PictureMeasured | null => {
      const measured = id === null ? null : byId.value.get(id)?.measured
      return measured?.of === 'picture' ? measured : null
    },
    ensureLoaded: () => (loading ??= load()),
    load,
    /** Lets files be shown that the library does not have. */
    lend(more: readonly MediaView[]): void {
      const known = new Set(lent.value.map(({ id }) => id))
      const added = more.filter(({ id }) => !known.has(id))
      if (added.length > 0) lent.value = [...lent.value, ...added]
    },
    async change(id: string, change: MediaChange): Promise<void> {
      put(await request<MediaView>('PATCH', `/api/channel/media/${id}`, change))
    },
    async remove(id: string): Promise<void> {
      await request('DELETE', `/api/channel/media/${id}`)
      files.value = files.value.filter((file) => file.id !== id)
    },
    async restore(id: string): Promise<void> {
      await request('POST', `/api/channel/media/${id}/restore`)
      await load()
    },
    /** @returns where it was replaced; with `only`, nowhere else */
    async replace(id: string, by: string, only?: ReplacedPlaces): Promise<ReplacedPlaces> {
      return (
        await request<{ partsOf: ReplacedPlaces }>('POST', `/api/channel/media/${id}/replace`, {
          by,
          ...(only ? { partsOf: only } : {}),
        })
      ).partsOf
    },
    async dismiss(intakeId: string): Promise<void> {
      intake.value = intake.value.filter((each) => each.id !== intakeId)
      await request('DELETE', `/api/channel/intake/${intakeId}`)
    },
  }
})

function soundIn(measured: Measured): SoundMeasured | null {
  if (measured.of === 'sound') return measured
  return (measured.of === 'picture' && measured.ownSound?.heard) || null
}

function soundOf(measured: SoundMeasured): MeasuredSound {
  const [shown] = measured.waveform
  return { level: levelOf(measured), waveform: shown ? peaksOf(shown) : { stretchMs: 10, peaks: new Uint8Array() } }
}

function peaksOf({ stretchMs, peaks }: { stretchMs: number; peaks: string }): WaveformLevel {
  return { stretchMs, peaks: Uint8Array.from(atob(peaks), (letter) => letter.charCodeAt(0)) }
}
