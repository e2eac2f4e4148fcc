export * from './live'
export * from './calibration'
export * from './pocket'
export * from './simulator'
