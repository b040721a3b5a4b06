import { benchKeep } from './keep'
await benchKeep()
