export * from './errors'
export * from './calculator'
