export * from './separate'
export * from './thin'
