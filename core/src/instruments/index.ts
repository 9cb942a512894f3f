export * from './lines'
export * from './probe'
export * from './scale'
