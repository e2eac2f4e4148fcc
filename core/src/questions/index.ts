export * from './question'
export * from './deck'
export * from './spacing'
