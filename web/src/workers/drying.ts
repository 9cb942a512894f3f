import { wrap } from 'comlink'
import type { DryingForecaster } from './drying.worker'

/** A forecaster of drying in a worker of its own, and how to end it. */
export function startDryingForecaster() {
  const worker = new Worker(new URL('./drying.worker.ts', import.meta.url), { type: 'module' })
  return { forecaster: wrap<DryingForecaster>(worker), end: () => worker.terminate() }
}
