import type { ComputedRef, InjectionKey } from 'vue'

/** What the properties of an inspector belong to: where their paths begin, and how they are called. */
export interface DialScope {
  prefix: string
  name: string
}

export const dialScopeKey: InjectionKey<ComputedRef<DialScope | null>> = Symbol('what dials can turn here')
