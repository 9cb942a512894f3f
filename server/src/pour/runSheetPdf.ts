import type { BatchView, SavedWorkshop } from '@vendange/contract'
import type { SessionStep } from '@vendange/core/batch'
import { workBesideThePour, pourSession, mouldWords } from '@vendange/core/batch'
import { formatDay } from '@vendange/core/calendar'
import { lackingForPour } from '@vendange/core/stores'
import { formatQuantity, rewriteQuantities } from '@vendange/core/units'
import type { Content, TableCell } from 'pdfmake'
import type { PdfDocument } from '../parts/pdf'
import { pdfOf } from '../parts/pdf'

const must = '#A3343C'
const quiet = '#5B5560'

type Units = Pick<SavedWorkshop, 'massUnit' | 'lengthUnit' | 'temperatureUnit' | 'scaleResolutionG'>

/** The sheet's figures and words in the workshop's units. */
function wordsIn({ massUnit, lengthUnit, temperatureUnit, scaleResolutionG }: Units) {
  const digits = massUnit === 'oz' || scaleResolutionG < 1 ? 2 : 0
  return {
    mass: (massG: number): string => formatQuantity('mass', massG, { unit: massUnit, digits }),
    figure: ({ kind }: SessionStep, value: number | null): string =>
      value === null || kind === 'tick'
        ? ''
        : kind === 'weigh'
          ? formatQuantity('mass', value, { unit: massUnit, digits })
          : formatQuantity('temperature', value, { unit: temperatureUnit }),
    words: (message: string): string =>
      rewriteQuantities(message, { mass: massUnit, length: lengthUnit, temperature: temperatureUnit }),
  }
}

/** A square to tick with a pencil. Each a new one: a document takes its parts over. */
const box = () =>
  ({ canvas: [{ type: 'rect', x: 0, y: 1, w: 9, h: 9, lineWidth: 0.8, lineColor: quiet }] }) satisfies Content

function groupOf(group: string, steps: readonly SessionStep[], { figure, words }: ReturnType<typeof wordsIn>): Content {
  const caution = steps.find((step) => step.caution)?.caution
  const rows = steps.map((step): TableCell[] => [
    {
      stack: [
        { text: step.title, bold: step.kind === 'weigh' },
        ...(step.detail === '' ? [] : [{ text: words(step.detail), style: 'small' }]),
        ...(step.wait
          ? [{ text: `Then ${step.wait.minutes} min: ${step.wait.what.toLowerCase()}.`, style: 'small' }]
          : []),
      ],
    },
    { text: figure(step, step.target), alignment: 'right', bold: true, noWrap: true },
    step.done ? { text: figure(step, step.actual) || 'done', alignment: 'right', noWrap: true } : box(),
  ])
  return {
    unbreakable: rows.length < 8,
    margin: [0, 0, 0, 8],
    stack: [
      { text: group, style: 'group' },
      ...(caution ? [{ text: caution, style: 'caution' }] : []),
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

/** What the run sheet shows on paper, for one batch. */
export function runSheetDocument(view: BatchView, workshop: Units & Pick<SavedWorkshop, 'name'>): PdfDocument {
  const { plan, batch, records, stock } = view
  const say = wordsIn(workshop)
  const state = pourSession(plan, records)
  const byGroup = new Map<string, SessionStep[]>()
  for (const step of state.steps) byGroup.set(step.group, [...(byGroup.get(step.group) ?? []), step])
  const around = workBesideThePour(plan, batch.days, (day) => formatDay(day))
  const aroundOf = (wanted: string): Content[] =>
    around
      .filter(({ group }) => group === wanted)
      .map(({ group, lines }) => ({
        unbreakable: true,
        margin: [0, 0, 0, 8],
        stack: [
          { text: group, style: 'group' },
          ...lines.map((line): Content => ({
            columnGap: 6,
            columns: [{ width: 10, ...box() }, { text: say.words(line) }],
          })),
        ],
      }))
  const blocks: readonly Content[] = [
    ...aroundOf('The day before'),
    ...[...byGroup].map(([group, steps]) => groupOf(group, steps, say)),
    ...aroundOf('The night'),
    ...aroundOf('The days after'),
  ]
  const weightOf = (block: Content): number => JSON.stringify(block).length
  const half = blocks.map(weightOf).reduce((sum, weight) => sum + weight, 0) / 2
  let before = 0
  const left = blocks.filter((block) => {
    const isLeft = before < half
    before += weightOf(block)
    return isLeft
  })
  const findings = [...state.findings, ...(records.length === 0 ? lackingForPour(plan, stock) : [])]
  return {
    pageSize: 'A4',
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
        text: `${say.mass(plan.weights.batterG)} of batter into ${mouldWords(plan)}, ${plan.barsPlanned} bars. Superfat ${formatQuantity('share', state.band.likely)}, between ${formatQuantity('share', state.band.worst)} and ${formatQuantity('share', state.band.best)} over the fats’ natural span.`,
      },
      ...findings.map((finding): Content => ({ text: say.words(finding.message), style: 'caution' })),
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

/** The run sheet as a file to print. */
export async function runSheetPdf(view: BatchView, workshop: SavedWorkshop): Promise<Buffer> {
  return pdfOf(runSheetDocument(view, workshop))
}
