export * from './overdraw'
export * from './cellar'
