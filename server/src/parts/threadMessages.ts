/** What is asked of the thread. */
export interface Asked {
  readonly number: number
  readonly job: string
  readonly input: unknown
}

/** What it tells of it, the last time with what came of it. */
export type Told =
  | { readonly number: number; readonly share: number }
  | { readonly number: number; readonly output: unknown }
  | { readonly number: number; readonly fault: string }
