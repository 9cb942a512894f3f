export * from './occupancy'
