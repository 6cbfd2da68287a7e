/** Places on an axis in percent of its length. */
export interface AxisScale {
  at(value: number): number
  /**
   * The other way round. Beyond the last point nothing is measured: all of it is that point, or half as much again at
   * the end.
   */
  valueAt(percent: number): number
}

/** No stretch becomes too narrow to be seen and clicked, in percent. */
const narrowest = 7

/**
 * A scale over the points at which something changes: in proportion (amounts: to their logarithm), but with room for
 * each stretch; what lies beyond the last point is one open stretch.
 * @param cuts first values of stretches; nought is always one
 */
export function axisScale(cuts: readonly number[], isLogarithmic: boolean): AxisScale {
  const points = [...new Set([0, ...cuts])].sort((a, b) => a - b)
  const measure = (value: number) => (isLogarithmic ? Math.log10(1 + value / 100) : value)
  const unmeasure = (length: number) => (isLogarithmic ? (10 ** length - 1) * 100 : length)
  const end = Math.max(1, measure(points.at(-1) ?? 0) * 1.3)
  const lengths = points.map(
    (point, index) => (index + 1 < points.length ? measure(points[index + 1] as number) : end) - measure(point),
  )
  const sum = lengths.reduce((all, length) => all + length, 0) || 1
  const widths = lengths.map((length) => Math.max(narrowest, (length / sum) * 100))
  const all = widths.reduce((total, width) => total + width, 0)
  const starts = widths.map(
    (_, index) => (widths.slice(0, index).reduce((total, width) => total + width, 0) / all) * 100,
  )
  return {
    at(value) {
      let index = points.length - 1
      while (index > 0 && (points[index] as number) > value) index -= 1
      const from = points[index] as number
      const next = points[index + 1]
      if (next === undefined) return value > from ? 100 : (starts[index] ?? 0)
      const ratio = (measure(value) - measure(from)) / (measure(next) - measure(from) || 1)
      return (starts[index] ?? 0) + ratio * ((starts[index + 1] ?? 100) - (starts[index] ?? 0))
    },
    valueAt(percent) {
      let index = points.length - 1
      while (index > 0 && (starts[index] ?? 0) > percent) index -= 1
      const from = points[index] as number
      const start = starts[index] ?? 0
      const ratio = Math.min(1, Math.max(0, (percent - start) / ((starts[index + 1] ?? 100) - start || 1)))
      const next = points[index + 1] ?? Math.max(from + 10, from * 3)
      return Math.round(unmeasure(measure(from) + ratio * (measure(next) - measure(from))))
    },
  }
}
