export * from './salesCsv'
