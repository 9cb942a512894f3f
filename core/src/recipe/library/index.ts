export * from './entry'
export * from './library'
export * from './told'
