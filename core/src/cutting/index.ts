export * from './barsFromLoaf'
export * from './mouldBars'
export * from './turned'
