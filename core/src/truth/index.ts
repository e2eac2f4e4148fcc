export * from './hidden'
