export * from './contents'
export * from './fat'
export * from './fatTable'
export * from './fattyAcidGroups'
