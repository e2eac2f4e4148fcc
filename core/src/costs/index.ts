export * from './yields'
export * from './costs'
