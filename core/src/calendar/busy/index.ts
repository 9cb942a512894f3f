export * from './busyTimes'
