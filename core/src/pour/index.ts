export * from './face'
export * from './moves'
export * from './simulate'
