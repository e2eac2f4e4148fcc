export * from './judgement'
export * from './tasks'
