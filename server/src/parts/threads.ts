import { sentence } from '@vendange/core/findings'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { Worker } from 'node:worker_threads'
import { home } from '../dataFolder'
import { Refusal } from '../db/refusal'
import type { Jobs } from '../thread'
import type { Asked, Told } from './threadMessages'
import { errorOfFault } from './threadMessages'

type JobName = keyof Jobs
type InputOf<Name extends JobName> = Parameters<Jobs[Name]>[0]
type OutputOf<Name extends JobName> = Awaited<ReturnType<Jobs[Name]>>

/** A thread that nobody asks anything of goes after so long, ms: it holds memory. */
const idleMs = 10 * 60_000

interface Waiting {
  readonly resolve: (output: never) => void
  readonly reject: (error: unknown) => void
  readonly onShare: ((share: number) => void) | undefined
}

/** From its source by the loader of the tests, or as it is bundled beside the server. */
function startWorker(): Worker {
  const isSource = fileURLToPath(import.meta.url).endsWith('.ts')
  if (!isSource) return new Worker(join(home, 'server/dist/thread.js'))
  const entry = JSON.stringify(new URL('../thread.ts', import.meta.url).href)
  return new Worker(`import('tsx/esm/api').then(({ register }) => (register(), import(${entry})))`, { eval: true })
}

/** What takes longer than others should wait for: sheets, archives and copies are made beside the server’s own thread. */
class Thread {
  private worker: Worker | undefined
  private idle: NodeJS.Timeout | undefined
  private readonly waiting = new Map<number, Waiting>()
  private count = 0

  /** @param mostWaiting so many are taken on at once; who comes then is asked to come again */
  constructor(private readonly mostWaiting: number) {}

  run<Name extends JobName>(
    job: Name,
    input: InputOf<Name>,
    onShare?: (share: number) => void,
  ): Promise<OutputOf<Name>> {
    if (this.waiting.size >= this.mostWaiting) return Promise.reject(new Refusal('busy', sentence('too_much_at_once')))
    clearTimeout(this.idle)
    const worker = (this.worker ??= this.start())
    // While something is made the process stays; afterwards the thread holds nobody back.
    worker.ref()
    const number = ++this.count
    return new Promise((resolve, reject) => {
      this.waiting.set(number, { resolve, reject, onShare })
      worker.postMessage({ number, job, input } satisfies Asked)
    })
  }

  private start(): Worker {
    const worker = startWorker()
    worker.on('message', (told: Told) => this.hear(told))
    const end = (error: unknown): void => {
      if (this.worker !== worker) return
      this.worker = undefined
      for (const { reject } of this.waiting.values()) reject(error)
      this.waiting.clear()
    }
    worker.on('error', end)
    worker.on('exit', () => end(new Error('The thread ended before it was done')))
    return worker
  }

  private hear(told: Told): void {
    const one = this.waiting.get(told.number)
    if ('share' in told) {
      one?.onShare?.(told.share)
      return
    }
    this.waiting.delete(told.number)
    if ('fault' in told) one?.reject(errorOfFault(told.fault))
    else one?.resolve(told.output as never)
    if (this.waiting.size > 0) return
    this.worker?.unref()
    this.idle = setTimeout(() => {
      const { worker } = this
      this.worker = undefined
      void worker?.terminate()
    }, idleMs).unref()
  }
}

/** A page that somebody waits for is not read behind a sheet, nor a sheet made behind an archive. */
const threads = { pages: new Thread(200), sheets: new Thread(8), files: new Thread(8), checks: new Thread(8) }
const laneOf: Readonly<Record<JobName, keyof typeof threads>> = {
  cards: 'sheets',
  quote: 'sheets',
  runSheet: 'sheets',
  readySheets: 'sheets',
  read: 'pages',
  copy: 'files',
  layReady: 'files',
  findDamage: 'checks',
  archive: 'files',
  readArchive: 'files',
}

/**
 * Has something made in a thread of its own.
 *
 * @param onShare called with how much of it is done, 0 to 1, where that is known
 * @throws {Refusal} if too much is under way
 */
export const inThread = <Name extends JobName>(
  job: Name,
  input: InputOf<Name>,
  onShare?: (share: number) => void,
): Promise<OutputOf<Name>> => threads[laneOf[job]].run(job, input, onShare)
