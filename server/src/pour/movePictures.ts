import type { BatchView, SavedDesign, SavedMould } from '@vendange/contract'
import { sectionOf, sectionsAfterMoves, svgOfSection, tintOf } from '@vendange/core/pour'

/** The section after each move of a pour, as SVG; none where no pour is planned. */
export function movePictures(
  plan: BatchView['plan'],
  { mould, design }: { readonly mould: SavedMould; readonly design: SavedDesign },
): readonly string[] {
  return [...sectionsAfterMoves(plan, sectionOf(mould), tintOf(design))].map((after, at) =>
    svgOfSection(after, `After move ${at + 1}`),
  )
}
