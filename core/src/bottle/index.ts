export * from './run'
export * from './netContents'
export * from './checkCharacter'
