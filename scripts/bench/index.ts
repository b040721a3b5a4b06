import { benchConcordance } from './concordance'
import { benchLevel } from './level'
import { benchPhrasebook } from './phrasebook'
import { benchResolver } from './resolver'

benchPhrasebook()
await benchLevel()
await benchResolver()
await benchConcordance()
