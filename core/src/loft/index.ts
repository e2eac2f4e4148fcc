export * from './chain'
export * from './bookings'
export * from './propose'
