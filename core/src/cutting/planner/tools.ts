import type { CutPlan } from './planCuts'

export const toolKinds = ['splitter', 'multi_wire', 'single_wire'] as const
export type ToolKind = (typeof toolKinds)[number]

/** What a block is cut with. */
export interface CutTool {
  readonly name: string
  readonly kind: ToolKind
  /** Of a splitter the widths of its logs, of several wires the pitch between two, mm; of a single wire nothing. */
  readonly spacingMm: number
  /** Pieces that one pass gives. */
  readonly piecesAPass: number
}

/** How far a piece may be off the spacing of a tool, mm. An estimate. */
export const spacingToleranceMm = 0.5

/** Passes through a tool for one stage of a plan; undefined where it cannot give these sizes. */
export interface ToolUse {
  readonly tool: CutTool
  readonly stage: 'logs' | 'bars'
  readonly passes: number | undefined
}

function passes(tool: CutTool, sizesMm: readonly (readonly number[])[]): number | undefined {
  if (tool.kind === 'single_wire') return sizesMm.reduce((sum, sizes) => sum + sizes.length, 0)
  const fits = sizesMm.flat().every((mm) => Math.abs(mm - tool.spacingMm) <= spacingToleranceMm)
  if (!fits || !(tool.piecesAPass > 0)) return undefined
  return sizesMm.reduce((sum, sizes) => sum + Math.ceil(sizes.length / tool.piecesAPass), 0)
}

/** What each tool can do of a plan: a splitter its logs, wires its bars, a single wire both. */
export function toolUses(plan: CutPlan, tools: readonly CutTool[]): readonly ToolUse[] {
  const logs = [plan.strips.map(({ widthMm }) => widthMm)]
  const bars = plan.strips.map(({ columns }) => columns.map(({ alongMm }) => alongMm))
  return tools.flatMap((tool): readonly ToolUse[] => [
    ...(tool.kind !== 'multi_wire' && plan.strips.length > 1
      ? [{ tool, stage: 'logs' as const, passes: passes(tool, logs) }]
      : []),
    ...(tool.kind !== 'splitter' ? [{ tool, stage: 'bars' as const, passes: passes(tool, bars) }] : []),
  ])
}
