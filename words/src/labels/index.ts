export * from './bench'
export * from './loaf'
export * from './plan'
export * from './recipe'
