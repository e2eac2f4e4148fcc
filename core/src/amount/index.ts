export * from './read'
export * from './words'
export * from './field'
