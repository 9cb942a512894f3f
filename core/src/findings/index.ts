export * from './finding'
export * from './sentence'
