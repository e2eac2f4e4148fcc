export * from './fill'
export * from './cover'
export * from './chooseVessels'
