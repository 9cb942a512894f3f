import type { BatchView, SavedDesign, SavedMould, SavedWorkshop } from '@vendange/contract'
import { parentPort } from 'node:worker_threads'
import { copyDatabase } from './db/backup'
import type { CardSheet } from './parts/cardsPdf'
import { cardsPdf } from './parts/cardsPdf'
import type { Asked, Told } from './parts/threadMessages'
import type { QuotedOrder } from './plan/quotePdf'
import { quotePdf } from './plan/quotePdf'
import { movePictures } from './pour/movePictures'
import { runSheetPdf } from './pour/runSheetPdf'
import { readArchive } from './workshop/readArchive'
import { writeArchive } from './workshop/writeArchive'

/** Called with how much is done, 0 to 1. */
type OnShare = (share: number) => void

/** What can be asked of this thread, each with its input as one thing that can be sent. */
export const jobs = {
  cards: (sheet: CardSheet, onShare?: OnShare) => cardsPdf(sheet, onShare),
  quote: ({ order, workshop, today }: { order: QuotedOrder; workshop: SavedWorkshop; today: string }) =>
    quotePdf(order, workshop, today),
  runSheet: ({ view, workshop, of }: { view: BatchView; workshop: SavedWorkshop; of: SheetThings | null }) =>
    runSheetPdf(view, workshop, of ? movePictures(view.plan, of) : []),
  copy: ({ file, target }: { file: string; target: string }) => copyDatabase(file, target),
  archive: ({ file, target, madeAt }: { file: string; target: string; madeAt: string }) =>
    writeArchive(file, target, madeAt),
  readArchive: ({ file, scratch }: { file: string; scratch: string }) => readArchive(file, scratch),
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
    tell({ number, fault: error instanceof Error ? (error.stack ?? error.message) : String(error) })
  }
}

// One after the other: each takes all that the thread can do.
let last = Promise.resolve()
parentPort?.on('message', (asked: Asked) => {
  last = last.then(() => answer(asked))
})
