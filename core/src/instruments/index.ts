export * from './live'
export * from './calibration'
export * from './pocket'
