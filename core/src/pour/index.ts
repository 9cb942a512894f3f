export * from './face'
export * from './moves'
export * from './section'
export * from './simulate'
