import type * as z from 'zod'
import type { RuleField } from '../rules/ruleField.ts'
import type { TemplateValue } from '../text/templateValue.ts'
import type { base } from './dataParts.ts'
import type { KindMark } from './kindMarkNames.ts'

/** A variable that a kind of event offers to templates. */
export interface VariableDeclaration {
  name: string
  /** What a first-timer reads beside it. */
  means: string
  /** What templates can do with it: numbers and money take plural and number forms, text takes select. */
  type: 'text' | 'number' | 'money'
}

/** Kinds that belong together, in the order in which a roll of many shows them. */
export const families = ['arrivals', 'by the month', 'money', 'together', 'calls'] as const
export type Family = (typeof families)[number]

/** The number that a kind is mostly about, as the simulator lets it be chosen. */
export interface MainNumber {
  /** Where it stands in the event. */
  field: string
  label: string
  unit: string
  usual: number
  most: number
  /** How many of the event's own units one of those shown is. */
  per: number
}

/** A field of rules, and where its value stands in what the event carries; without a place the event itself says it. */
export interface PlacedField {
  field: RuleField
  at?: readonly string[]
}

type Base = z.infer<z.ZodObject<typeof base>>

/** What a sample of a kind is made with. */
export interface SampleOf {
  message: { text: string; emotes: { from: number; to: number; url: string }[] }
  /** A long text of a viewer's. */
  longText: string
  longName: string
  /** The usual value, or the largest that is plausible. */
  large: <T>(usual: T, largest: T) => T
}

/** All that the program knows of a kind of event. */
export interface KindDefinition<Data extends z.ZodType<Base> = z.ZodType<Base>> {
  /** How it is called, in the interface and in sentences. */
  name: string
  family: Family
  mark: KindMark
  /** No viewer does it. */
  isWithoutViewer?: boolean
  /** What it carries: the `data` of a CloudEvent. */
  data: Data
  /** What templates may say of it; editors complete from this. */
  variables: readonly VariableDeclaration[]
  /** What those stand for, beside the viewer's name and the message. One that an event does not carry is left out. */
  values(data: z.infer<Data>): Record<string, TemplateValue | undefined>
  /** What rules may ask of it. The first numeric one is the axis on which coverage is drawn. */
  fields: readonly PlacedField[]
  /** Words that an alert for it starts with. */
  starter: { headline: string; second: string }
  /** What it usually carries, beside the viewer. */
  sample(of: SampleOf): Omit<z.input<Data>, 'viewer'>
  mainNumber?: MainNumber
}

/** A kind of event. The compiler holds its parts against each other. */
export const defineKind = <Data extends z.ZodType<Base>>(definition: KindDefinition<Data>): KindDefinition<Data> =>
  definition
