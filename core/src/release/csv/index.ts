export * from './salesCsv'
export * from './customersCsv'
export * from './loavesCsv'
