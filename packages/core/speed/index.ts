export * from './speed'
export * from './timed'
