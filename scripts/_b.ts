import { benchLevel } from './bench/level'
await benchLevel()
