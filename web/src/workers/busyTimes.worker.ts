import { busyTimes } from '@vendange/core/calendar/busy'
import { expose } from 'comlink'

/** Reads a calendar file off the page's thread: ten thousand events take a while. */
export interface BusyTimesReader {
  read: typeof busyTimes
}

const reader: BusyTimesReader = { read: busyTimes }
expose(reader)
