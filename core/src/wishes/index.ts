export * from './wish'
