export * from './barsFromLoaf'
export * from './mouldBars'
