export * from './batchRecord'
