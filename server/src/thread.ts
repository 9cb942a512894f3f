import type { BatchView, SavedDesign, SavedMould, SavedWorkshop } from '@vendange/contract'
import { parentPort } from 'node:worker_threads'
import type { CardSheet } from './parts/cardsPdf'
import type { Asked, Told } from './parts/threadMessages'
import { faultOf } from './parts/threadMessages'
import type { QuotedOrder } from './plan/quotePdf'
import type { AskedReading } from './readings'

/** Called with how much is done, 0 to 1. */
type OnShare = (share: number) => void

/**
 * What can be asked of this thread, each with its input as one thing that can be sent. What does it is read with the first
 * that asks for it: a sheet does not wait for what makes archives.
 */
export const jobs = {
  cards: async (sheet: CardSheet, onShare?: OnShare) => (await import('./parts/cardsPdf')).cardsPdf(sheet, onShare),
  quote: async ({ order, workshop, today }: { order: QuotedOrder; workshop: SavedWorkshop; today: string }) =>
    (await import('./plan/quotePdf')).quotePdf(order, workshop, today),
  runSheet: async ({ view, workshop, of }: { view: BatchView; workshop: SavedWorkshop; of: SheetThings | null }) => {
    const { runSheetPdf } = await import('./pour/runSheetPdf')
    const { movePictures } = await import('./pour/movePictures')
    return runSheetPdf(view, workshop, of ? movePictures(view.plan, of) : [])
  },
  /** Reads what makes sheets before the first is asked for. */
  readySheets: async () => {
    await Promise.all([import('./parts/cardsPdf'), import('./pour/runSheetPdf')])
    await (await import('./parts/pdf')).pdfOf({ content: 'Ready', defaultStyle: { font: 'Roboto' } })
  },
  read: async (asked: AskedReading) => (await import('./readings')).answerReading(asked),
  copy: async ({ file, target }: { file: string; target: string }) =>
    (await import('./db/backup')).copyDatabase(file, target),
  layReady: async ({ file, backup }: { file: string; backup: string }) =>
    (await import('./db/restore')).layReady(file, backup),
  findDamage: async ({ file, isPlain }: { file: string; isPlain: boolean }) =>
    (await import('./db/damage/findDamage')).findDamage(file, isPlain),
  archive: async ({ file, target, madeAt }: { file: string; target: string; madeAt: string }) =>
    (await import('./workshop/writeArchive')).writeArchive(file, target, madeAt),
  readArchive: async ({ file, scratch }: { file: string; scratch: string }) =>
    (await import('./workshop/readArchive')).readArchive(file, scratch),
} as const
export type Jobs = typeof jobs

/** What the pictures of a pour are drawn of. */
interface SheetThings {
  readonly mould: SavedMould
  readonly design: SavedDesign
}

const tell = (told: Told): void => parentPort?.postMessage(told)

async function answer({ number, job, input }: Asked): Promise<void> {
  try {
    const work = jobs[job as keyof Jobs] as (input: unknown, onShare: OnShare) => Promise<unknown>
    tell({ number, output: await work(input, (share) => tell({ number, share })) })
  } catch (error) {
    tell({ number, fault: faultOf(error) })
  }
}

// One after the other: each takes all that the thread can do.
let last = Promise.resolve()
parentPort?.on('message', (asked: Asked) => {
  last = last.then(() => answer(asked))
})
