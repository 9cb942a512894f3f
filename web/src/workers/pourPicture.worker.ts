import type { KnownPulls, MouldSection, PourMove } from '@vendange/core/pour'
import { simulatePour } from '@vendange/core/pour'
import { expose } from 'comlink'

/** Simulates a pour off the page's thread. */
export interface PourPainter {
  paint(
    moves: readonly PourMove[],
    potAreasMm2: readonly number[],
    section: MouldSection,
    width: number,
    height: number,
  ): Int8Array
}

/** Of the picture before: while a path is drawn, only that one is followed anew. */
const known: KnownPulls = new Map()

const painter: PourPainter = {
  paint: (moves, potAreasMm2, section, width, height) =>
    simulatePour(moves, potAreasMm2, section, known).picture(width, height, section.heightMm),
}
expose(painter)
