export * from './drying'
