export * from './lotCode'
export * from './releaseChecks'
