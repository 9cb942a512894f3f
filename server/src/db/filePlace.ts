/** A file that many read over connections of their own, and that another takes the place of now and then. */
export interface FilePlace {
  /** Lets somebody read it, once nothing takes its place. */
  keep<T>(work: () => Promise<T>): Promise<T>
  /** Puts another in its place, once nobody reads it; who comes meanwhile waits. */
  change(work: () => Promise<void>): Promise<void>
}

export function filePlace(): FilePlace {
  const reading = new Set<Promise<unknown>>()
  let changing: Promise<void> | undefined
  return {
    keep: async (work) => {
      while (changing) await changing.catch(() => undefined)
      const running = work()
      reading.add(running)
      try {
        return await running
      } finally {
        reading.delete(running)
      }
    },
    change: async (work) => {
      while (changing) await changing.catch(() => undefined)
      changing = Promise.allSettled(reading).then(work)
      try {
        await changing
      } finally {
        changing = undefined
      }
    },
  }
}
