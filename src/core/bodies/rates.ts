import type { Meaning } from '../vocabulary/schema'
import type { Body } from './schema'

/**
 * What a frame rate implies: whether the body focuses and measures exposure between the frames, and which shutter it
 * takes. The options of a menu name the rate; the facts of the body say the rest, unless the option does so itself.
 */

type Rate = Body['frameRates'][number]

/** What rates have in common; nothing is said where they differ or where it is not known. */
const common = (rates: readonly Rate[]): Meaning => {
  const shared = <T>(of: (r: Rate) => T | undefined): T | undefined => {
    const [first] = rates
    const value = first && of(first)
    return rates.every(r => of(r) === value) ? value : undefined
  }
  const said: Record<string, boolean | string | undefined> = {
    'release.refocus': shared(r => r.focusBetweenFrames),
    'release.remeter': shared(r => r.exposureBetweenFrames),
    'release.shutter': shared(r => r.shutter),
  }
  return Object.fromEntries(Object.entries(said).filter(([, v]) => v !== undefined)) as Meaning
}

/** What an option means, with what its frame rate implies. */
export const withRate = ({ frameRates }: Pick<Body, 'frameRates'>, means: Meaning): Meaning => {
  const rate = means['release.rate']
  if (typeof rate !== 'number') return means
  return { ...common(frameRates.filter(r => r.framesPerSecond === rate)), ...means }
}

/** What a body implies that offers no choice of rates, as far as no setting of its own says it. */
export const onlyRate = ({ frameRates, settings }: Pick<Body, 'frameRates' | 'settings'>): Meaning => {
  const isSaid = (id: string) => settings.some(s => s.options.some(o => id in o.means))
  if (isSaid('release.rate')) return {}
  return Object.fromEntries(Object.entries(common(frameRates)).filter(([id]) => !isSaid(id)))
}
