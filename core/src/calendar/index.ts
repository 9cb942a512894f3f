export * from './clock'
export * from './day'
export * from './moment'
export * from './parseDay'
