import type { Range } from '../units'
import type { Trace } from './trace'
import { traceEffects } from './trace'

/** A point of a mould, mm from its left wall and from its base; in a plan view from its near end instead of the base. */
export interface SectionPoint {
  readonly xMm: number
  readonly yMm: number
}

export const moveKinds = [
  'level',
  'sloped',
  'powder',
  'drop',
  'ribbon',
  'stack',
  'dividers',
  'column',
  'hanger',
  'skewer',
  'spoon',
  'cubes',
  'embed',
  'pipe',
  'drizzle',
  'texture',
  'spray',
] as const
export type MoveKind = (typeof moveKinds)[number]

/** Outlines of columns, embeds and pieces of old soap. */
export const outlines = ['round', 'square', 'triangle', 'star', 'shaving'] as const
export type Outline = (typeof outlines)[number]

/** Where a tool is drawn: across the loaf, down into it; or on the surface as seen from above, through all its depth. */
export const planes = ['section', 'plan'] as const
export type Plane = (typeof planes)[number]

/** Batter out of one pot. */
export interface PotPart {
  /** Place of the pot among the design's colours. */
  readonly pot: number
  /** Part of the pot, 0 to 1. */
  readonly part: number
}

/** What is measured about a move, each a number. */
export interface MoveFigures {
  /** The mould is propped so that the batter rises to the right by this angle, ° (to the left below 0). */
  readonly angleDeg: number
  /** Place across the mould, mm from its left wall. */
  readonly xMm: number
  /** Height of an embed's middle above the base, mm. */
  readonly yMm: number
  /** Place along the mould, mm from its near end. */
  readonly zMm: number
  /** Height above the surface from which it is poured, mm. */
  readonly fallMm: number
  /** How far it spreads to each side, mm. */
  readonly spreadMm: number
  /** Size of a column, an embed or a cube, mm across. */
  readonly sizeMm: number
  /** How an embed is turned, °. */
  readonly turnDeg: number
  /** How many: passes, turns, spoonfuls, cubes, piped strands. */
  readonly count: number
  /** Height of the peaks of a texture, mm. */
  readonly peakMm: number
}
export type MoveFigure = keyof MoveFigures

/** What a move has until its maker says more, and what it may have. Usual values are estimates from practice. */
export const moveFigures: Readonly<
  Record<MoveFigure, { readonly usual: number; readonly range: Range; readonly quantity: 'length' | 'number' }>
> = {
  angleDeg: { usual: 15, range: { min: -45, max: 45 }, quantity: 'number' },
  xMm: { usual: 40, range: { min: 0, max: 1500 }, quantity: 'length' },
  yMm: { usual: 30, range: { min: 0, max: 1500 }, quantity: 'length' },
  zMm: { usual: 125, range: { min: 0, max: 1500 }, quantity: 'length' },
  fallMm: { usual: 100, range: { min: 0, max: 1000 }, quantity: 'length' },
  spreadMm: { usual: 20, range: { min: 1, max: 500 }, quantity: 'length' },
  sizeMm: { usual: 20, range: { min: 2, max: 400 }, quantity: 'length' },
  turnDeg: { usual: 0, range: { min: -180, max: 180 }, quantity: 'number' },
  count: { usual: 4, range: { min: 1, max: 60 }, quantity: 'number' },
  peakMm: { usual: 5, range: { min: 1, max: 30 }, quantity: 'length' },
}

/** What each kind of move asks for. */
export interface MoveSpec {
  /** How many pots it is poured from. */
  readonly pours: 'none' | 'one' | 'many'
  readonly figures: readonly MoveFigure[]
  /** Whether it has a colour of its own, as old soap or a powder has. */
  readonly hasHex?: true
  readonly outlines?: readonly Outline[]
  readonly isDrawn?: true
  /** How it behaves at the bench: the traces between which it works, thinnest and thickest. Estimates from practice. */
  readonly traces: readonly [Trace, Trace]
  /** How long it takes at the bench, minutes. Estimates from practice. */
  readonly handsMin: number
}

export const moveSpecs: Readonly<Record<MoveKind, MoveSpec>> = {
  level: { pours: 'one', figures: [], traces: ['emulsion', 'thick'], handsMin: 1.5 },
  sloped: { pours: 'one', figures: ['angleDeg'], traces: ['thin', 'medium'], handsMin: 2 },
  powder: { pours: 'none', figures: [], hasHex: true, traces: ['thin', 'thick'], handsMin: 2 },
  drop: { pours: 'one', figures: ['xMm', 'fallMm', 'spreadMm'], traces: ['emulsion', 'medium'], handsMin: 1 },
  ribbon: { pours: 'one', figures: ['count', 'fallMm'], traces: ['emulsion', 'thin'], handsMin: 1.5 },
  stack: { pours: 'many', figures: ['xMm', 'count', 'fallMm'], traces: ['emulsion', 'thin'], handsMin: 3 },
  dividers: { pours: 'many', figures: [], traces: ['thin', 'medium'], handsMin: 4 },
  column: {
    pours: 'many',
    figures: ['xMm', 'zMm', 'sizeMm', 'count'],
    outlines: ['round', 'square', 'star'],
    traces: ['emulsion', 'thin'],
    handsMin: 4,
  },
  hanger: { pours: 'none', figures: [], isDrawn: true, traces: ['emulsion', 'medium'], handsMin: 1.5 },
  skewer: { pours: 'none', figures: [], isDrawn: true, traces: ['thin', 'medium'], handsMin: 1 },
  spoon: { pours: 'one', figures: ['count'], traces: ['medium', 'thick'], handsMin: 3 },
  cubes: {
    pours: 'none',
    figures: ['count', 'sizeMm'],
    hasHex: true,
    outlines: ['square', 'shaving'],
    traces: ['thin', 'medium'],
    handsMin: 2,
  },
  embed: {
    pours: 'none',
    figures: ['xMm', 'yMm', 'sizeMm', 'turnDeg'],
    hasHex: true,
    outlines: ['round', 'square', 'triangle'],
    traces: ['thin', 'thick'],
    handsMin: 2,
  },
  pipe: { pours: 'one', figures: ['count'], traces: ['thick', 'thick'], handsMin: 6 },
  drizzle: { pours: 'one', figures: ['count'], traces: ['emulsion', 'thin'], handsMin: 1 },
  texture: { pours: 'none', figures: ['peakMm'], traces: ['medium', 'thick'], handsMin: 3 },
  spray: { pours: 'none', figures: [], traces: ['emulsion', 'thick'], handsMin: 0.5 },
}

/** A move as it is kept: its kind, and of the rest what the kind needs. */
export type MoveLine = { readonly kind: MoveKind } & {
  readonly [Figure in MoveFigure]?: number | undefined
} & {
  readonly pot?: number | undefined
  readonly part?: number | undefined
  /** Of a move that takes from several pots, in the order in which they are poured. */
  readonly pots?: readonly PotPart[] | undefined
  readonly trace?: Trace | undefined
  /** How long to wait before it, minutes. */
  readonly waitMin?: number | undefined
  /** How deep a drop sinks, where it is not reckoned from its fall, mm. */
  readonly sinkMm?: number | undefined
  readonly hex?: string | undefined
  /** What a powder, an embed or old soap is called. */
  readonly name?: string | undefined
  readonly outline?: Outline | undefined
  readonly plane?: Plane | undefined
  readonly path?: readonly SectionPoint[] | undefined
  /** The line that its place follows along the loaf, seen from above. @default its place is the same all along */
  readonly along?: readonly SectionPoint[] | undefined
}

/** One move of a pour plan with everything that is needed to simulate it. */
export interface PourMove extends MoveFigures {
  readonly kind: MoveKind
  readonly pots: readonly PotPart[]
  readonly trace: Trace
  readonly waitMin: number
  readonly sinkMm: number
  readonly hex: string
  readonly outline: Outline
  readonly plane: Plane
  readonly path: readonly SectionPoint[]
}

/** Depth to which thin batter sinks for each square root of a mm of fall, mm. An estimate: 100 mm sink by 15 mm. */
const sinkForFall = 1.5
const usualHex = '#8C6F4E'

/** How deep batter poured from a height sinks, mm: with its speed on landing, which goes with the root of its fall. */
export function sinkOfFall(fallMm: number, trace: Trace): number {
  return sinkForFall * Math.sqrt(Math.max(0, fallMm)) * traceEffects[trace].sinkFactor
}

/** A move from its line. */
export function moveOf(line: MoveLine): PourMove {
  const spec = moveSpecs[line.kind]
  const figures = Object.fromEntries(
    Object.entries(moveFigures).map(([key, { usual }]) => [key, line[key as MoveFigure] ?? usual]),
  ) as unknown as MoveFigures
  const trace = line.trace ?? 'thin'
  const one = { pot: line.pot ?? 0, part: line.part ?? 1 }
  return {
    ...figures,
    kind: line.kind,
    pots: spec.pours === 'none' ? [] : spec.pours === 'one' ? [one] : (line.pots ?? []),
    trace,
    waitMin: line.waitMin ?? 0,
    sinkMm: line.sinkMm ?? sinkOfFall(figures.fallMm, trace),
    spreadMm: figures.spreadMm * traceEffects[trace].spreadFactor,
    hex: line.hex ?? usualHex,
    outline: line.outline ?? spec.outlines?.[0] ?? 'round',
    plane: line.plane ?? 'section',
    path: line.path ?? [],
  }
}

/** Reach of a tool: the radius at which the batter is dragged along with about 0.6 of its way, mm. Estimates. */
export const toolRadiusMm: Readonly<Record<'hanger' | 'skewer', number>> = { hanger: 6, skewer: 3 }

/** How much of each pot the moves pour, 1 for all of it. */
export function partsPoured(lines: readonly MoveLine[], pots: number): readonly number[] {
  const parts = new Array<number>(pots).fill(0)
  for (const line of lines) for (const { pot, part } of moveOf(line).pots) parts[pot] = (parts[pot] ?? 0) + part
  return parts.slice(0, pots)
}

/** Whether a move is a tool drawn through the batter. */
export function isTool(kind: MoveKind): kind is 'hanger' | 'skewer' {
  return kind === 'hanger' || kind === 'skewer'
}
