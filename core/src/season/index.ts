export * from './batchDays'
export * from './collectionVerdict'
export * from './suggestPourDay'
export * from './workingHours'
