export * from './costs'
export * from './earnings'
export * from './months'
export * from './yields'
