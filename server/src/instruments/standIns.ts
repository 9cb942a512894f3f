import type { Command, Reading } from '@vendange/core/instruments'
import {
  commandProbe,
  commandScale,
  emptyScale,
  commandRoom,
  hungProbe,
  passProbeTime,
  passRoomTime,
  passTime,
  quietRoom,
  readProbe,
  readRoom,
  readScale,
} from '@vendange/core/instruments'

/** An instrument that shows something every so often while somebody looks. */
export interface StandIn {
  command(command: Command): void
  /** Tells every reading from now on. @returns how to stop listening */
  listen(tell: (reading: Reading) => void): () => void
}

export const instrumentNames = ['scale', 'probe', 'room'] as const
export type InstrumentName = (typeof instrumentNames)[number]

/** Between two readings, as an instrument sees its time. */
const readingMs = 200

function standIn<State>(
  first: State,
  manner: {
    readonly obey: (state: State, command: Command) => State
    readonly wait: (state: State, elapsedMs: number) => State
    readonly read: (state: State) => Reading
  },
  everyMs: number,
): StandIn {
  let state = first
  let timer: ReturnType<typeof setInterval> | undefined
  const listeners = new Set<(reading: Reading) => void>()
  const pass = (): void => {
    state = manner.wait(state, readingMs)
    const reading = manner.read(state)
    for (const tell of listeners) tell(reading)
  }
  return {
    command: (command) => {
      state = manner.obey(state, command)
    },
    listen: (tell) => {
      listeners.add(tell)
      timer ??= setInterval(pass, everyMs)
      return () => {
        listeners.delete(tell)
        if (listeners.size > 0) return
        clearInterval(timer)
        timer = undefined
      }
    },
  }
}

/**
 * The scale, the probe and the cure room's sensor that ship with the app.
 *
 * @param everyMs between two readings by the clock on the wall; below 200 their time runs faster than ours
 */
export function standIns(everyMs = readingMs): Readonly<Record<InstrumentName, StandIn>> {
  return {
    scale: standIn(
      emptyScale,
      {
        obey: commandScale,
        wait: (state, elapsedMs) => passTime(state, elapsedMs, Math.random() * 2 - 1),
        read: readScale,
      },
      everyMs,
    ),
    probe: standIn(hungProbe, { obey: commandProbe, wait: passProbeTime, read: readProbe }, everyMs),
    room: standIn(quietRoom, { obey: commandRoom, wait: passRoomTime, read: readRoom }, everyMs),
  }
}
