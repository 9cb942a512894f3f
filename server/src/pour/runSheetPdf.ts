import type { BatchView, SavedWorkshop } from '@vendange/contract'
import type { BatchPlan, SessionStep, StepGroup, WeightRow, WorkBesideThePour } from '@vendange/core/batch'
import {
  mouldsToFill,
  moveOfStep,
  pourSession,
  wasUnweighed,
  weightRows,
  workBesideThePour,
} from '@vendange/core/batch'
import { formatDay } from '@vendange/core/calendar'
import { lackingForPour } from '@vendange/core/stores'
import { quantity, sentence } from '@vendange/core/findings'
import type { Reading, ReadingSettings } from '@vendange/words'
import {
  besideThePourWords,
  cautionWords,
  quantityWords,
  readingOf,
  sayFor,
  stepFigure,
  stepGroupWords,
  unweighedWords,
  weightRowMass,
  weightRowName,
} from '@vendange/words'
import type { Content, TableCell } from 'pdfmake'
import type { PdfDocument } from '../parts/pdf'
import { pageOf, pdfOf } from '../parts/pdf'

const must = '#A3343C'
const quiet = '#5B5560'

/** The sheet's figures and words in the workshop's units. */
function wordsIn(reading: Reading) {
  const mass = (massG: number): string => quantityWords(quantity.mass(massG), reading)
  return {
    mass,
    rowMass: (row: WeightRow): string => weightRowMass(row, reading),
    figure: (step: SessionStep, value: number | null): string => stepFigure(step, value, reading),
    say: sayFor(reading),
  }
}

/** A square to tick with a pencil. Each a new one: a document takes its parts over. */
const box = () =>
  ({ canvas: [{ type: 'rect', x: 0, y: 1, w: 9, h: 9, lineWidth: 0.8, lineColor: quiet }] }) satisfies Content

/** Room for the picture of a section, points. */
const [pictureWidth, pictureHeight] = [46, 48]

/** A step with the section as it should stand after it, where it is a move. */
const withPicture = (svg: string | undefined, step: Content): TableCell =>
  svg === undefined
    ? (step as TableCell)
    : {
        columns: [
          { width: pictureWidth + 8, stack: [{ svg, fit: [pictureWidth, pictureHeight] }] },
          { width: '*', stack: [step] },
        ],
      }

function groupOf(
  group: StepGroup,
  steps: readonly SessionStep[],
  { figure, say }: ReturnType<typeof wordsIn>,
  pictures: readonly (string | undefined)[],
): Content {
  const caution = steps.find((step) => step.caution)?.caution
  const rows = steps.map((step): TableCell[] => [
    withPicture(pictures[moveOfStep(step.key) ?? -1], {
      stack: [
        { text: say(step.title), bold: step.kind === 'weigh' },
        ...(step.detail ? [{ text: say(step.detail), style: 'small' }] : []),
        ...(step.wait
          ? [{ text: `Then ${step.wait.minutes} min: ${say(step.wait.what).toLowerCase()}.`, style: 'small' }]
          : []),
      ],
    }),
    { text: figure(step, step.target), alignment: 'right', bold: true, noWrap: true },
    step.done
      ? {
          text: wasUnweighed(step) ? unweighedWords[step.kind] : figure(step, step.actual) || 'done',
          alignment: 'right',
          noWrap: true,
        }
      : box(),
  ])
  return {
    unbreakable: rows.length < 8,
    margin: [0, 0, 0, 8],
    stack: [
      { text: stepGroupWords[group], style: 'group' },
      ...(caution ? [{ text: cautionWords[caution], style: 'caution' }] : []),
      {
        table: { widths: ['*', 'auto', 'auto'], body: rows, dontBreakRows: true },
        layout: {
          hLineWidth: (line) => (line === 0 ? 0 : 0.4),
          vLineWidth: () => 0,
          hLineColor: () => '#C9BFAF',
          paddingTop: () => 1.5,
          paddingBottom: () => 1.5,
          paddingLeft: () => 0,
        },
      },
    ],
  }
}

/** What it is made of, as planned: the lines add up to the batter. */
function weightsOf(plan: BatchPlan, { mass, rowMass }: ReturnType<typeof wordsIn>): Content {
  const rows = weightRows(plan.weights).map((row): readonly [string, string] => [
    row.part === 'scent' ? (plan.scent?.name ?? weightRowName(row)) : weightRowName(row),
    rowMass(row),
  ])
  return {
    unbreakable: true,
    stack: [
      { text: 'What it is made of', style: 'group' },
      {
        table: {
          widths: ['*', 'auto'],
          body: [...rows, ['Batter', mass(plan.weights.batterG)] as const].map(([name, words]) => [
            name,
            { text: words, alignment: 'right' },
          ]),
        },
        layout: 'lightHorizontalLines',
      },
    ],
  }
}

/** What the run sheet shows on paper, for one batch. */
export function runSheetDocument(
  view: BatchView,
  workshop: ReadingSettings & Pick<SavedWorkshop, 'name' | 'lengthUnit'>,
  pictures: readonly (string | undefined)[] = [],
): PdfDocument {
  const { plan, batch, records, stock } = view
  const words = wordsIn(readingOf(workshop, batch.days.pourDay))
  const state = pourSession(plan, records)
  const byGroup = new Map<StepGroup, SessionStep[]>()
  for (const step of state.steps) byGroup.set(step.group, [...(byGroup.get(step.group) ?? []), step])
  const around = workBesideThePour(plan, batch.days)
  const aroundOf = (wanted: WorkBesideThePour['group']): Content[] =>
    around
      .filter(({ group }) => group === wanted)
      .map(({ group, lines }) => ({
        unbreakable: true,
        margin: [0, 0, 0, 8],
        stack: [
          {
            text:
              group === 'day_before' && batch.days.prepDay !== null
                ? `${besideThePourWords[group]}, ${formatDay(batch.days.prepDay)}`
                : besideThePourWords[group],
            style: 'group',
          },
          ...lines.map((line): Content => ({
            columnGap: 6,
            columns: [{ width: 10, ...box() }, { text: words.say(line) }],
          })),
        ],
      }))
  const blocks: readonly Content[] = [
    ...aroundOf('day_before'),
    ...[...byGroup].map(([group, steps]) => groupOf(group, steps, words, pictures)),
    ...aroundOf('night'),
    ...aroundOf('days_after'),
    weightsOf(plan, words),
  ]
  const weightOf = (block: Content): number =>
    JSON.stringify(block, (key, value: unknown) => (key === 'svg' ? '' : value)).length
  const half = blocks.map(weightOf).reduce((sum, weight) => sum + weight, 0) / 2
  let before = 0
  const left = blocks.filter((block) => {
    const isLeft = before < half
    before += weightOf(block)
    return isLeft
  })
  const findings = [...state.findings, ...(records.length === 0 ? lackingForPour(plan, stock) : [])]
  return {
    pageSize: pageOf(workshop),
    pageMargins: [36, 32, 36, 36],
    info: { title: `${plan.designName}, run sheet`, creator: 'Vendange' },
    defaultStyle: { font: 'Roboto', fontSize: 8.5, lineHeight: 1.1 },
    styles: {
      title: { fontSize: 17, bold: true },
      group: { fontSize: 10.5, bold: true, margin: [0, 0, 0, 2] },
      small: { fontSize: 7.3, color: quiet },
      caution: { fontSize: 7.3, color: must, margin: [0, 0, 0, 2] },
    },
    footer: (page, pages) => ({
      margin: [36, 8, 36, 0],
      fontSize: 7,
      color: quiet,
      columns: [
        `${workshop.name} · suppliers’ certificates and local rules go before this sheet`,
        { text: `${page} of ${pages}`, alignment: 'right' },
      ],
    }),
    content: [
      { text: `${plan.designName}, ${formatDay(batch.days.pourDay)}`, style: 'title' },
      {
        margin: [0, 2, 0, 8],
        text: words.say(
          sentence('run_sheet_summary', {
            batter: quantity.mass(plan.weights.batterG),
            moulds: mouldsToFill(plan),
            bars: plan.barsPlanned,
            likely: quantity.share(state.band.likely),
            worst: quantity.share(state.band.worst),
            best: quantity.share(state.band.best),
          }),
        ),
      },
      ...findings.map((finding): Content => ({ text: words.say(finding), style: 'caution' })),
      {
        columnGap: 18,
        columns: [
          { width: '*', stack: left },
          { width: '*', stack: blocks.filter((block) => !left.includes(block)) },
        ],
      },
    ],
  }
}

/** The run sheet as a file to print. @param pictures the section after each move, as SVG */
export async function runSheetPdf(
  view: BatchView,
  workshop: SavedWorkshop,
  pictures: readonly (string | undefined)[] = [],
): Promise<Uint8Array> {
  return pdfOf(runSheetDocument(view, workshop, pictures))
}
