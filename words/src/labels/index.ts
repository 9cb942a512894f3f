export * from './bench'
export * from './loaf'
export * from './recipe'
