export * from './schema'
export * from './layers'
export * from './context'
