/** What the thread of the embedded database is asked. */
export type Asked =
  | { id: number; do: 'query'; text: string; params: unknown[]; rowMode: 'array' | 'object' }
  | { id: number; do: 'exec'; text: string }
  | { id: number; do: 'close' }

export interface QueryAnswer {
  rows: unknown[]
  fields: { name: string; dataTypeID: number }[]
  affectedRows?: number | undefined
}

/** What it answers: to what it was asked, or that it is open. */
export type Answered =
  | { id: 'open' }
  | { id: number; value: QueryAnswer | null }
  | { id: number; error: { message: string } & Record<string, unknown> }
