export * from './composition'
export * from './ranges'
export * from './ingredient'
