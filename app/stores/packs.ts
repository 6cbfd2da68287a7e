import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type {
  ArrivedPack,
  BoxOfPackBody,
  PackShelfView,
  PackSummary,
  PackView,
  TriggersOfPackBody,
} from '../../contract/packs.ts'
import { isNewer } from '../../core/pack/design.ts'
import { ProblemError, request } from '../api/request.ts'
import { uploadPack } from '../api/uploadPack.ts'
import { useMediaStore } from './media.ts'

/** What a channel brought first, the newest of it first; then what ships, as it was put up. */
const inOrder = (packs: readonly PackSummary[]) => [
  ...packs.filter(({ origin }) => origin === 'imported').sort((a, b) => b.addedAtMs - a.addedAtMs),
  ...packs.filter(({ origin }) => origin === 'gallery').sort((a, b) => a.addedAtMs - b.addedAtMs),
]

/** The shelf: sets that ship, and packs that the channel brought. */
export const usePacksStore = defineStore('packs', () => {
  const media = useMediaStore()
  const shelf = ref<PackSummary[] | null>(null)
  const opened = shallowRef<ReadonlyMap<string, PackView>>(new Map())
  /** Packs that boxes refer to and that are not on the shelf any more. */
  const missing = ref<string[]>([])
  const opening = new Map<string, Promise<PackView>>()

  async function load(): Promise<void> {
    const { packs } = await request<PackShelfView>('GET', '/api/packs')
    media.lend(packs.flatMap((pack) => pack.media))
    shelf.value = packs
  }

  /** All of a pack; asked for once, for it never changes. */
  function open(shelfId: string): Promise<PackView> {
    const known = opening.get(shelfId)
    if (known) return known
    const asked = request<PackView>('GET', `/api/packs/${shelfId}`).then((view) => {
      media.lend(view.media)
      opened.value = new Map([...opened.value, [shelfId, view]])
      return view
    })
    opening.set(shelfId, asked)
    asked.catch((error: unknown) => {
      opening.delete(shelfId)
      if (error instanceof ProblemError && error.status === 404 && !missing.value.includes(shelfId))
        missing.value = [...missing.value, shelfId]
    })
    return asked
  }

  return {
    shelf,
    /** Packs that were opened, by shelf id. */
    opened,
    missing,
    /** Of each pack the newest release, as they are offered. */
    offered: computed(() =>
      inOrder(shelf.value ?? []).filter(
        (pack) =>
          !(shelf.value ?? []).some(
            (other) =>
              other.id === pack.id &&
              other.origin === pack.origin &&
              (isNewer(other.release, pack.release) ||
                (other.release === pack.release && other.addedAtMs > pack.addedAtMs)),
          ),
      ),
    ),
    /** What comes after a release of a pack, the newest; null where it is the newest. */
    after: (packId: string, release: string) =>
      (shelf.value ?? [])
        .filter((pack) => pack.id === packId && isNewer(pack.release, release))
        .sort((a, b) => (isNewer(a.release, b.release) ? -1 : 1))[0] ?? null,
    load,
    open,
    /** Puts a pack on the shelf. @throws ProblemError with the reason where it is not taken */
    async send(file: Blob): Promise<ArrivedPack> {
      const uploadId = await uploadPack(file)
      const arrived = await request<ArrivedPack>('POST', '/api/packs', { uploadId })
      await load()
      return arrived
    },
    /** Puts a pack's files into the library, before a box takes it. */
    async takeFiles(shelfId: string): Promise<void> {
      await request('POST', `/api/packs/${shelfId}/files`)
      await media.load()
    },
    /** Gives the channel the triggers of a pack, for a box that has taken it. */
    async takeTriggers(shelfId: string, body: TriggersOfPackBody): Promise<void> {
      await request('POST', `/api/packs/${shelfId}/triggers`, body)
    },
    async makeBox(shelfId: string, body: BoxOfPackBody): Promise<string> {
      return (await request<{ id: string }>('POST', `/api/packs/${shelfId}/boxes`, body)).id
    },
    async remove(shelfId: string): Promise<void> {
      await request('DELETE', `/api/packs/${shelfId}`)
      await load()
    },
  }
})
