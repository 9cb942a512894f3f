import type { MouldSection, PourMove } from '@vendange/core/pour'
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

const painter: PourPainter = {
  paint: (moves, potAreasMm2, section, width, height) =>
    simulatePour(moves, potAreasMm2, section).picture(width, height, section.heightMm),
}
expose(painter)
