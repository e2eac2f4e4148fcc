export * from './taking'
export * from './cellar'
