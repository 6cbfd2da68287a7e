import { computed, type Ref } from 'vue'
import type { NightFigures } from '../../../core/rehearsal/figures.ts'
import type { SideFigures } from '../../workers/rehearsalTalk.ts'
import type { NightSeries } from './NightChart.vue'
import { niceMost, niceWait } from './niceRange.ts'

/** Quieter than that nobody tells it from silence beside what the box wants. */
export const quietLufs = -40

/** What the pictures of a night draw, of the stretch that is looked at. */
export function useNightSeries(
  props: { a: SideFigures; b: SideFigures; share: number | null },
  range: Ref<{ min: number; max: number }>,
) {
  const perSlot = ({ fromMs, slotMs }: NightFigures, values: readonly number[]) =>
    values.map((value, slot) => [fromMs + (slot + 0.5) * slotMs, value] as const)
  const within = (points: readonly (readonly [number, number])[]) =>
    points.filter(([atMs]) => atMs >= range.value.min && atMs <= range.value.max)
  const arrivals = computed<NightSeries[]>(() => {
    const { b } = props
    const of = (name: string, ink: NightSeries['ink'], values: readonly number[]): NightSeries => ({
      ...{ name, ink, type: 'column', points: within(perSlot(b, values)) },
    })
    return [
      of('shown', 'sky', b.arrivals.shown),
      of('shared another’s alert', 'deep-sky', b.arrivals.merged),
      of('let go', 'wrong', b.arrivals.letGo),
      of('refused', 'mist', b.arrivals.refused),
    ]
  })
  const screen = computed<NightSeries[]>(() => [
    { name: 'B', type: 'area', ink: 'glow', points: within(perSlot(props.b, props.b.screen)) },
    { name: 'A', type: 'line', ink: 'mist', isDashed: true, points: within(perSlot(props.a, props.a.screen)) },
    ...(props.share === null
      ? []
      : [
          {
            ...{ name: 'allowed', type: 'line' as const, ink: 'sky' as const, isDashed: true },
            points: [
              [range.value.min, props.share],
              [range.value.max, props.share],
            ] as const,
          },
        ]),
  ])
  const late = computed<NightSeries[]>(() => {
    const of = (name: string, ink: NightSeries['ink'], { late: dots }: NightFigures): NightSeries => ({
      ...{ name, ink, type: 'scatter', points: within(dots.map(({ atMs, lateMs }) => [atMs, lateMs] as const)) },
    })
    return [of('A', 'mist', props.a), of('B', 'glow', props.b)]
  })
  const inLine = computed<NightSeries[]>(() => [
    { name: 'B', type: 'area', ink: 'glow', points: within(perSlot(props.b, props.b.waiting)) },
    { name: 'A', type: 'line', ink: 'mist', isDashed: true, points: within(perSlot(props.a, props.a.waiting)) },
  ])
  const heardIn = (figures: SideFigures) =>
    within(
      perSlot(
        figures,
        figures.loudest.map((lufs) => (lufs === null ? 0 : Math.max(0, lufs - quietLufs))),
      ),
    )
  const loudness = computed<NightSeries[]>(() => [
    { name: 'B', type: 'area', ink: 'glow', points: heardIn(props.b) },
    { name: 'A', type: 'line', ink: 'mist', isDashed: true, points: heardIn(props.a) },
    {
      ...{ name: 'as one is set', type: 'line', ink: 'sky', isDashed: true },
      points: [
        [range.value.min, props.b.targetLufs - quietLufs],
        [range.value.max, props.b.targetLufs - quietLufs],
      ],
    },
  ])
  const hasSound = computed(() => [...props.a.loudest, ...props.b.loudest].some((lufs) => lufs !== null))
  const most = computed(() => {
    const largest = (values: readonly number[]) => values.reduce((a, b) => Math.max(a, b), 0)
    const [shown, merged, letGo, refused] = arrivals.value.map(({ points }) => points.map(([, value]) => value))
    return {
      arrivals: niceMost(
        largest(
          (shown ?? []).map((value, at) => value + (merged?.[at] ?? 0) + (letGo?.[at] ?? 0) + (refused?.[at] ?? 0)),
        ),
      ),
      inLine: niceMost(largest(inLine.value.flatMap(({ points }) => points.map(([, value]) => value)))),
      lateMs: niceWait(largest(late.value.flatMap(({ points }) => points.map(([, value]) => value)))),
    }
  })
  return { arrivals, screen, late, inLine, loudness, hasSound, most }
}
