import type { RuleField } from '../../../core/rules/fields.ts'

/** From which value on, in the field's own units, a boundary moves in which steps. */
const steps: Partial<Record<RuleField['type'], readonly (readonly [from: number, step: number])[]>> = {
  money: [
    [100_000, 10_000],
    [10_000, 1000],
    [1000, 100],
    [0, 50],
  ],
  span: [
    [2880, 1440],
    [120, 60],
    [0, 5],
  ],
  number: [
    [10_000, 1000],
    [1000, 100],
    [200, 10],
    [0, 1],
  ],
}

/** The step of a boundary near a value: what people say, not every cent. */
export function niceStep(type: RuleField['type'], value: number): number {
  return steps[type]?.find(([from]) => value >= from)?.[1] ?? 1
}

/** The nearest such value within a range. */
export function niceValue(
  type: RuleField['type'],
  value: number,
  { first, last }: { first: number; last: number },
): number {
  const step = niceStep(type, value)
  return Math.min(last, Math.max(first, Math.round(value / step) * step))
}
