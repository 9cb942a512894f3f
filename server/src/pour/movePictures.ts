import type { BatchView, SavedDesign, SavedMould } from '@vendange/contract'
import type { KnownPulls } from '@vendange/core/pour'
import { sectionOf, sectionsAfterMoves, svgOfSection, tintOf } from '@vendange/core/pour'

/** A picture takes as long as there are moves up to it; all of a sheet together go through no more moves than this. */
const mostWork = 400

/** After how many moves the next picture is shown: each, up to 27 of them; of more every second one, or third. */
function movesBetween(moves: number): number {
  const workAt = (every: number): number => {
    const shown = Math.floor(moves / every)
    return (every * shown * (shown + 1)) / 2
  }
  let every = 1
  while (workAt(every) > mostWork) every += 1
  return every
}

/** The section after each move of a pour, as SVG; undefined after a move that none is shown of. */
export function movePictures(
  plan: BatchView['plan'],
  { mould, design }: { readonly mould: SavedMould; readonly design: SavedDesign },
): readonly (string | undefined)[] {
  const known: KnownPulls = new Map()
  const sections = sectionsAfterMoves(plan, sectionOf(mould), tintOf(design))
  const every = movesBetween(sections.length)
  return sections.map((after, at) => {
    const isShown = (at + 1) % every === 0 || at === sections.length - 1
    return isShown ? svgOfSection(after, `After move ${at + 1}`, known) : undefined
  })
}
