<script setup lang="ts">
import { computed } from 'vue'
import type { OwnSound, PictureMeasured } from '../../../contract/media.ts'
import type { MediaView } from '../../../contract/views.ts'
import { counted } from '../../format/counted.ts'
import { seconds } from '../../format/time.ts'
import { bytesInWords } from '../../format/bytesInWords.ts'
import { channelWords, formatOf } from './mediaWords.ts'

/** What was measured of a file. */
const props = defineProps<{ file: MediaView }>()
const words = (value: number) => value.toFixed(1).replace('-', '−')

const rows = computed<[string, string][]>(() => {
  const { file } = props
  const common: [string, string][] = [
    ['Kind', `${formatOf(file)}, ${bytesInWords(file.sizeBytes)}`],
    ['Licence', file.licence === 'own' ? 'your own file' : file.licence],
  ]
  const { measured } = file
  if (!measured) return [...common, ['Measured', 'not yet: it is being measured']]
  if (measured.of === 'font')
    return [
      ...common,
      ['Family', measured.family],
      [
        'Weights',
        measured.weights[0] === measured.weights[1] ? String(measured.weights[0]) : measured.weights.join(' to '),
      ],
      ['Letters', counted(measured.glyphCount, 'glyph')],
    ]
  if (measured.of === 'sound') {
    const sound: [string, string][] = [
      [
        'Length',
        `${seconds(measured.durationMs)} s, ${channelWords(measured.channelCount)}, ${(measured.rateHz / 1000).toFixed(1)} kHz`,
      ],
      ['Silence', `${seconds(measured.leadingSilenceMs)} s before, ${seconds(measured.trailingSilenceMs)} s after`],
    ]
    const { loudness } = measured
    if (!loudness) return [...common, ...sound, ['Loudness', 'silent from beginning to end']]
    return [
      ...common,
      ...sound,
      ['Loudness', `${words(loudness.integratedLufs)} LUFS as a whole`],
      ['Loudest', `${words(loudness.momentaryMaxLufs)} in 0.40 s, ${words(loudness.shortTermMaxLufs)} in 3.00 s`],
      ['Range', `${words(loudness.rangeLu)} LU`],
      ['True peak', `${words(loudness.truePeakDbtp)} dBTP`],
    ]
  }
  const picture: [string, string][] = [['Size', `${measured.widthPx} × ${measured.heightPx}`]]
  if (measured.durationMs !== null) picture.push(['Length', lengthWords(measured, measured.durationMs)])
  if (measured.standsStill) picture.push(['Stands still', `${measured.standsStill}.`])
  if (measured.ownSound) picture.push(['Its sound', ownSoundWords(measured.ownSound)])
  if (!measured.seen) return [...common, ...picture, ['Artwork', 'a browser has not looked at it yet']]
  const { ink, hasAlpha } = measured.seen
  picture.push(['Artwork', artworkWords(ink, measured)])
  return [...common, ...picture, ['Background', hasAlpha ? 'transparent' : 'opaque']]
})
const colours = computed(() => (props.file.measured?.of === 'picture' ? (props.file.measured.seen?.colours ?? []) : []))
function lengthWords({ codec, frameCount, isEndless }: PictureMeasured, durationMs: number): string {
  const moves =
    codec === 'svg'
      ? `${counted(frameCount, 'thing')} in it ${frameCount === 1 ? 'moves' : 'move'}`
      : counted(frameCount, 'frame')
  return `${seconds(durationMs)} s${isEndless ? ', over and over' : ''}, ${moves}`
}
function ownSoundWords({ heard, fault }: OwnSound): string {
  if (!heard) return fault === null ? 'a browser has not heard it yet' : `is not heard. ${fault}`
  const { durationMs, channelCount, loudness } = heard
  return [
    `${seconds(durationMs)} s, ${channelWords(channelCount)}`,
    loudness ? `${words(loudness.integratedLufs)} LUFS` : 'silent from beginning to end',
  ].join(', ')
}
function artworkWords(ink: Size | null, file: Size): string {
  if (!ink) return 'nothing is to be seen'
  const fills = ink.widthPx === file.widthPx && ink.heightPx === file.heightPx
  return fills ? 'fills the file' : `${ink.widthPx} × ${ink.heightPx}, the rest is empty`
}
interface Size {
  widthPx: number
  heightPx: number
}
</script>

<template>
  <section class="border-t border-rule pt-2">
    <h2 class="caps mb-1 text-faded">Measured</h2>
    <dl class="grid grid-cols-[5rem_minmax(0,1fr)] gap-x-2 gap-y-0.5">
      <template v-for="[term, value] in rows" :key="term"
        ><dt class="text-faded">{{ term }}</dt>
        <dd>{{ value }}</dd></template
      >
      <template v-if="colours.length > 0"
        ><dt class="text-faded">Colours</dt>
        <dd class="flex gap-1">
          <span
            v-for="colour in colours"
            :key="colour"
            class="size-4 rounded-xs border border-rule"
            :style="{ background: colour }"
            :title="colour"
          /></dd
      ></template>
    </dl>
    <img
      v-if="file.stripUrl && file.durationMs !== null"
      :src="file.stripUrl"
      alt="Frames of its course"
      class="bg-stage mt-2 h-9 w-full rounded-xs object-cover object-left"
    />
  </section>
</template>
