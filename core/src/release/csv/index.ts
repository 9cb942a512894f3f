export * from './salesCsv'
export * from './customersCsv'
