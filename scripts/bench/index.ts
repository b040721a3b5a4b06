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

const PARTS: Readonly<Record<string, () => Promise<void> | void>> = {
  phrasebook: benchPhrasebook,
  controls: benchControls,
  level: benchLevel,
  resolver: benchResolver,
  concordance: benchConcordance,
  keep: benchKeep,
  optics: benchOptics,
  measuring: benchMeasuring,
  audit: benchAudit,
  trials: benchTrials,
  drills: benchDrills,
  jobs: benchJobs,
  rehearsal: benchRehearsal,
}

/** `--only=jobs,keep` measures some of it. */
const only = process.argv
  .find(a => a.startsWith('--only='))
  ?.slice('--only='.length)
  .split(',')
for (const [name, bench] of Object.entries(PARTS)) if (only?.includes(name) ?? true) await bench()
endOfFigures()
