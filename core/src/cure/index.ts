export * from './drying'
export * from './dryingModel'
export * from './forecast'
export * from './racks'
