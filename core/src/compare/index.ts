export * from './pair'
export * from './dayByDay'
export * from './faster'
