export * from './kinds'
export * from './hidden'
