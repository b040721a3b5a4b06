import { benchAudit } from './audit'
import { benchConcordance } from './concordance'
import { benchControls } from './controls'
import { benchDrills } from './drills'
import { benchJobs } from './jobs'
import { benchKeep } from './keep'
import { benchLevel } from './level'
import { benchMeasuring } from './measuring'
import { benchOptics } from './optics'
import { benchPhrasebook } from './phrasebook'
import { endOfFigures } from './record'
import { benchRehearsal } from './rehearsal'
import { benchResolver } from './resolver'
import { benchTrials } from './trials'

benchPhrasebook()
await benchControls()
await benchLevel()
await benchResolver()
await benchConcordance()
await benchKeep()
await benchOptics()
await benchMeasuring()
await benchAudit()
await benchTrials()
await benchDrills()
await benchJobs()
benchRehearsal()
endOfFigures()
