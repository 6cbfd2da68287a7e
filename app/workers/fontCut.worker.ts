import decompress from 'woff2-encoder/decompress'
import subsetterUrl from 'harfbuzzjs/dist/harfbuzz-subset.wasm?url'

/** Cuts a font file down to what some letters need. */
export interface CutQuestion {
  id: number
  url: string
  letters: string
}
/** `font`: a TrueType or OpenType file; null where it cannot be cut. */
export interface CutAnswer {
  id: number
  font: ArrayBuffer | null
}

/** What HarfBuzz’s subsetter exports, as far as it is used here. */
interface Subsetter {
  memory: WebAssembly.Memory
  _initialize(): void
  malloc(bytes: number): number
  free(at: number): void
  hb_blob_create(data: number, length: number, mode: number, user: number, destroy: number): number
  hb_blob_destroy(blob: number): void
  hb_blob_get_data(blob: number, length: number): number
  hb_blob_get_length(blob: number): number
  hb_face_create(blob: number, index: number): number
  hb_face_destroy(face: number): void
  hb_face_reference_blob(face: number): number
  hb_set_clear(set: number): void
  hb_set_invert(set: number): void
  hb_set_add(set: number, value: number): void
  hb_subset_input_create_or_fail(): number
  hb_subset_input_destroy(input: number): void
  hb_subset_input_set(input: number, which: number): number
  hb_subset_input_unicode_set(input: number): number
  hb_subset_or_fail(face: number, input: number): number
}

const writable = 2
const layoutFeatures = 6
const woff2Signature = 0x774f4632

let loading: Promise<Subsetter> | null = null
const loadSubsetter = () =>
  (loading ??= fetch(subsetterUrl)
    .then((answer) => answer.arrayBuffer())
    .then((code) => WebAssembly.instantiate(code))
    .then(({ instance }) => {
      const subsetter = instance.exports as unknown as Subsetter
      subsetter._initialize()
      return subsetter
    }))

/** Whole files as they are inside their wrapping, few of them: one of all emoji takes 5 MB. */
const opened = new Map<string, Promise<Uint8Array>>()
const openedMost = 24

function open(url: string): Promise<Uint8Array> {
  const known = opened.get(url)
  if (known) return known
  const opening = fetch(url).then(async (answer) => {
    if (!answer.ok) throw new Error(`The font ${url} answered ${answer.status}`)
    const file = new Uint8Array(await answer.arrayBuffer())
    return new DataView(file.buffer).getUint32(0) === woff2Signature ? decompress(file) : file
  })
  const [oldest] = opened.keys()
  if (opened.size >= openedMost && oldest !== undefined) opened.delete(oldest)
  opened.set(url, opening)
  return opening
}

/** All ways of joining letters are kept, all axes too: the text is shaped as the whole file would shape it. */
function cut(subsetter: Subsetter, font: Uint8Array, letters: string): ArrayBuffer | null {
  // The memory may grow, and is another one then: it is looked at anew each time.
  const bytes = () => new Uint8Array(subsetter.memory.buffer)
  const at = subsetter.malloc(font.byteLength)
  bytes().set(font, at)
  const blob = subsetter.hb_blob_create(at, font.byteLength, writable, 0, 0)
  const face = subsetter.hb_face_create(blob, 0)
  subsetter.hb_blob_destroy(blob)
  const input = subsetter.hb_subset_input_create_or_fail()
  const features = subsetter.hb_subset_input_set(input, layoutFeatures)
  subsetter.hb_set_clear(features)
  subsetter.hb_set_invert(features)
  const wanted = subsetter.hb_subset_input_unicode_set(input)
  for (const letter of letters) subsetter.hb_set_add(wanted, letter.codePointAt(0) ?? 0)
  const subset = subsetter.hb_subset_or_fail(face, input)
  subsetter.hb_subset_input_destroy(input)
  let made: ArrayBuffer | null = null
  if (subset !== 0) {
    const result = subsetter.hb_face_reference_blob(subset)
    const from = subsetter.hb_blob_get_data(result, 0)
    const length = subsetter.hb_blob_get_length(result)
    if (length > 0) made = bytes().slice(from, from + length).buffer
    subsetter.hb_blob_destroy(result)
    subsetter.hb_face_destroy(subset)
  }
  subsetter.hb_face_destroy(face)
  subsetter.free(at)
  return made
}

self.addEventListener('message', ({ data }: MessageEvent<CutQuestion>) => {
  void Promise.all([loadSubsetter(), open(data.url)])
    .then(([subsetter, font]) => cut(subsetter, font, data.letters))
    .catch(() => {
      opened.delete(data.url)
      return null
    })
    .then((font) =>
      self.postMessage({ id: data.id, font } satisfies CutAnswer, { transfer: font === null ? [] : [font] }),
    )
})
