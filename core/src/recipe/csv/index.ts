export * from './recipeCsv'
