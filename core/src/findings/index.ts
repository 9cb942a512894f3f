export * from './finding'
