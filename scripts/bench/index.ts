import { benchConcordance } from './concordance'
import { benchPhrasebook } from './phrasebook'
import { benchResolver } from './resolver'

benchPhrasebook()
await benchResolver()
await benchConcordance()
