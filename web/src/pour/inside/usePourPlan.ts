import type { NewDesign, SavedMould } from '@vendange/contract'
import type { WeighedPot } from '@vendange/core/batch'
import { potG } from '@vendange/core/batch'
import type { MoveKind, MoveLine } from '@vendange/core/pour'
import {
  checkPourPlan,
  heightsAfter,
  isTool,
  moveFigures,
  moveSpecs,
  partsPoured,
  potAreasMm2,
  sectionOf,
} from '@vendange/core/pour'
import { computed } from 'vue'
import { roundTo } from '@vendange/core/units'

export type Line = NewDesign['pourPlan'][number]

/** A pour plan with the mould and the pots that it is made for, and what is wrong with it. */
export function usePourPlan(lines: () => readonly Line[], mould: () => SavedMould, pots: () => readonly WeighedPot[]) {
  const section = computed(() => sectionOf(mould()))
  const potsByMass = computed(() => pots().map((pot) => ({ name: pot.colour.name, massG: potG(pot) })))
  const findings = computed(() => checkPourPlan(lines(), potsByMass.value, section.value))
  const areasMm2 = computed(() =>
    potAreasMm2(
      potsByMass.value.map(({ massG }) => massG),
      section.value,
    ),
  )
  /** The moves that can be shown: all up to the first that cannot be done. */
  const drawable = computed<readonly MoveLine[]>(() => {
    const first = findings.value.find(({ code }) => code === 'move_impossible' || code === 'too_many_moves')
    if (!first) return lines()
    const index = /\[(\d+)\]/.exec(first.field ?? '')?.[1]
    return lines().slice(0, index === undefined ? 0 : Number(index))
  })

  /** How high the batter stands after each move. */
  const heightsMm = computed(() => heightsAfter(drawable.value, areasMm2.value, section.value))

  /** Area of the section that the moves before one of them have filled, mm². */
  function filledBefore(index: number): number {
    const parts = partsPoured(lines().slice(0, index), areasMm2.value.length)
    return areasMm2.value.reduce((sum, areaMm2, pot) => sum + areaMm2 * (parts[pot] ?? 0), 0)
  }

  /** A new move of a kind, which takes what is left of the first pot that is not empty. */
  function fresh(kind: MoveKind): Line {
    const { pours, figures, outlines, hasHex, traces } = moveSpecs[kind]
    const left = partsPoured(lines(), potsByMass.value.length).map((part) => roundTo(1 - part, 4))
    const pot = Math.max(
      0,
      left.findIndex((part) => part > 0.001),
    )
    const { widthMm, lengthMm, fillMm } = section.value
    const places = { xMm: widthMm / 2, zMm: lengthMm / 2, yMm: fillMm / 2 }
    const usual = Object.fromEntries(
      figures.map((figure) => [
        figure,
        figure === 'xMm' || figure === 'zMm' || figure === 'yMm' ? places[figure] : moveFigures[figure].usual,
      ]),
    )
    return {
      kind,
      ...usual,
      ...(pours === 'one' ? { pot, part: Math.max(0.01, left[pot] ?? 1) } : {}),
      ...(pours === 'many'
        ? { pots: left.map((part, index) => ({ pot: index, part })).filter(({ part }) => part > 0.001) }
        : {}),
      ...(outlines ? { outline: outlines[0]! } : {}),
      ...(hasHex ? { hex: '#B98A3E' } : {}),
      ...(isTool(kind)
        ? {
            path: [
              { xMm: widthMm / 2, yMm: fillMm * 0.9 },
              { xMm: widthMm / 2, yMm: fillMm * 0.15 },
            ],
          }
        : {}),
      trace: traces[0] === 'emulsion' ? 'thin' : traces[0],
    }
  }
  return { section, potsByMass, findings, areasMm2, drawable, heightsMm, filledBefore, fresh }
}
