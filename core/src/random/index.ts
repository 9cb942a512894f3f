export * from './normal'
export * from './randomFrom'
