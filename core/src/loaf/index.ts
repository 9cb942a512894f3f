export * from './events'
