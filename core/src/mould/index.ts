export * from './mould'
export * from './takeUp'
