export * from './scoville'
export * from './tasting'
