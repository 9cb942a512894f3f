export * from './face'
