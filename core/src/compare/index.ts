export * from './pair'
export * from './dayByDay'
