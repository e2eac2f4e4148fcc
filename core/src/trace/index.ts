export * from './trace'
export * from './recall'
export * from './epcis'
