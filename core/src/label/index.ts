export * from './label'
export * from './claims'
export * from './jarLabel'
