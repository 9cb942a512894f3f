export * from './lotsCsv'
export * from './storesCsv'
