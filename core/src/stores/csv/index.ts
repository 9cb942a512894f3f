export * from './storesCsv'
