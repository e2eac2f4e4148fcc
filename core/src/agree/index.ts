export * from './disagreements'
