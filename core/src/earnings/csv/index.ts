export * from './earningsCsv'
