export * from './schema'
export * from './layers'
