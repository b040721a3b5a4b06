import { benchConcordance } from './concordance'
import { benchResolver } from './resolver'

await benchResolver()
await benchConcordance()
