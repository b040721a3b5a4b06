import type { Body } from '../bodies'
import type { EffectiveTarget } from '../standards'

/** A short, calm warning that stands wherever the matter comes up. */
export interface Caution {
  readonly id: string
  readonly title: string
  readonly words: string
  /** Dimensions at whose setting it should be read; none where it belongs to the body as a whole. */
  readonly dimensions: readonly string[]
}

const AF_MF_DIMENSIONS = ['mode.drive', 'mode.override', 'trigger.manual']

const AF_MF_UNKNOWN: Caution = {
  id: 'af-mf',
  title: 'Lens in AF, body in manual, or the reverse',
  words:
    'On some systems forcing one against the other can damage the focus drive. This profile does not say what this body does: switch at one place only and read the maker’s manual.',
  dimensions: AF_MF_DIMENSIONS,
}

const TITLES: Readonly<Record<string, string>> = {
  'af-mf': 'AF and manual',
  lamp: 'AF lamp and sounds',
  sun: 'Sun',
  firmware: 'Firmware',
  battery: 'Battery',
  other: 'Mind',
}

export const THUMB_CAUTION: Caution = {
  id: 'hand',
  title: 'Your thumb',
  words:
    'Holding a thumb button for long can strain the hand. Take breaks, or use AF stop or the shutter instead. Pain that stays is for a doctor or a licensed therapist.',
  dimensions: ['trigger.start', 'trigger.second', 'trigger.stop'],
}

const LAMP: Caution = {
  id: 'lamp',
  title: 'AF lamp, flash and sounds',
  words:
    'They may startle performers, animals and drivers. Follow the venue’s rules. No flash or lamp toward aerialists, fire performers or animals.',
  dimensions: ['see.lamp', 'see.tone'],
}

const SUN: Caution = {
  id: 'sun',
  title: 'Sun',
  words: 'Never look at the sun through an optical finder, and never aim a long lens at it.',
  dimensions: [],
}

/** What a body's own profile warns of; where it is silent about AF against manual, the general rule stands. */
export const bodyCautions = (body: Body): readonly Caution[] => {
  const own = [...body.interlocks, ...body.cautions].map((c, i) => ({
    id: `${c.about}-${i}`,
    title: TITLES[c.about] ?? 'Mind',
    words: c.words,
    dimensions: c.about === 'af-mf' ? AF_MF_DIMENSIONS : c.about === 'lamp' ? LAMP.dimensions : [],
  }))
  const tellsAfMf = body.interlocks.some(c => c.about === 'af-mf')
  return [...(tellsAfMf ? [] : [AF_MF_UNKNOWN]), ...own, ...(body.viewfinder === 'optical' ? [SUN] : [])]
}

/** What a standard brings along, whatever the body: thumb holds, and lamp and sounds unless it switches both off. */
export const standardCautions = (targets: readonly EffectiveTarget[]): readonly Caution[] => {
  const value = (id: string) => targets.find(t => t.dimension === id)?.value
  const thumbStarts = value('trigger.start') !== undefined && value('trigger.shutter') !== 'starts-af'
  const startles = value('see.lamp') !== false || value('see.tone') !== false
  return [...(thumbStarts ? [THUMB_CAUTION] : []), ...(startles ? [LAMP] : [])]
}
