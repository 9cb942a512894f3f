export * from './barsFromLoaf'
