export * from './lines'
export * from './probe'
export * from './room'
export * from './scale'
