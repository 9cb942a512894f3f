export * from './demandForecast'
export * from './releaseOfLedger'
export * from './salesResult'
export * from './toMake'
