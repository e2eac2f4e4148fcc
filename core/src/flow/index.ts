export * from './moment'
export * from './takings'
export * from './portion'
