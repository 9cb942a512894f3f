export * from './parseNumber'
export * from './quantity'
export * from './range'
export * from './roundToScale'
