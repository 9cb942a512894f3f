export * from './loafMould'
