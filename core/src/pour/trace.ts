/** How far the batter has thickened when it is poured. */
export const traces = ['emulsion', 'thin', 'medium', 'thick'] as const
export type Trace = (typeof traces)[number]

/** What a trace does to a pour. */
export interface TraceEffect {
  /** How deep a drop sinks, and how far it spreads, in relation to thin trace. */
  readonly sinkFactor: number
  readonly spreadFactor: number
  /** How far two colours run into each other at their border, mm. */
  readonly blurMm: number
  /** How far a surface stays off level, and folds reach, mm. */
  readonly foldMm: number
  /** How far a tool drags the batter along, in relation to thin trace. */
  readonly reachFactor: number
}

/** Estimates from how thin and thick batter behave at the bench; thin trace is what the others are measured by. */
export const traceEffects: Readonly<Record<Trace, TraceEffect>> = {
  emulsion: { sinkFactor: 1.4, spreadFactor: 1.3, blurMm: 0.9, foldMm: 0.3, reachFactor: 1.15 },
  thin: { sinkFactor: 1, spreadFactor: 1, blurMm: 0.5, foldMm: 0.5, reachFactor: 1 },
  medium: { sinkFactor: 0.6, spreadFactor: 0.8, blurMm: 0.25, foldMm: 0.9, reachFactor: 0.9 },
  thick: { sinkFactor: 0.25, spreadFactor: 0.65, blurMm: 0.1, foldMm: 1.8, reachFactor: 0.8 },
}
