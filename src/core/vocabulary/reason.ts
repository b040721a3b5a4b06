import type { Dimension } from './dimensions'
import { PLACES, placeDistance } from './places'
import { relativeOf } from './relatives'
import type { FocusRange, NeutralValue, PlaceAssignment, Size } from './values'
import { metres, percent, valueWords } from './words'

const figure = (n: number): string => n.toFixed(2)

const physicalReason = (
  d: Extract<Dimension, { kind: 'physical' }>,
  wanted: NeutralValue,
  got: NeutralValue,
): string => {
  if (d.measure !== 'ratio')
    return `${figure(Math.abs(Number(got) - Number(wanted)))} ${d.unit} apart; ${d.measure.fullDifference} ${d.unit} count as another behaviour`
  if (typeof wanted !== 'number' || typeof got !== 'number' || wanted === 0 || got === 0)
    return `${valueWords(d, got)} is not an amount that can be compared with ${valueWords(d, wanted)}`
  return `|ln(${got} ÷ ${wanted})| ÷ ln 4; a factor of four counts as another behaviour`
}

const assignReason = (wanted: PlaceAssignment, got: PlaceAssignment): string => {
  const byPlace: Readonly<Record<string, string>> = {
    '0': 'the same place',
    '0.2': 'a neighbouring place that the same finger reaches',
    '0.5': 'another place reachable with the index finger on the shutter',
    '0.8': 'a place reached only by moving that finger or the grip',
  }
  const place = placeDistance(wanted.place, got.place)
  const more = [
    wanted.area && (got.area ? 'the areas bound to them' : 'no area bound to it'),
    wanted.subject && (got.subject ? 'the subjects bound to them' : 'no subject bound to it'),
    wanted.press && 'held or toggled',
  ].filter(Boolean)
  const words = `${byPlace[String(place)]} (${PLACES[got.place].label}), ${figure(place)}`
  if (!more.length) return words
  return `${words}; averaged with ${more.join(', ')}${place > 0 ? ', never nearer than the place alone' : ''}`
}

/** How the distance between two values of a dimension comes about, in words a person can check. */
export const distanceReason = (d: Dimension, wanted: NeutralValue, got: NeutralValue): string => {
  if (JSON.stringify(wanted) === JSON.stringify(got)) return 'exactly what is wanted'
  switch (d.kind) {
    case 'choice': {
      const near = relativeOf(d.id, wanted as string, got as string)
      return near ? `near relatives: ${near.because}` : 'another choice'
    }
    case 'scale': {
      const apart = Math.abs(d.values.indexOf(wanted as string) - d.values.indexOf(got as string))
      return `${apart} of ${d.values.length - 1} steps apart`
    }
    case 'flag':
      return 'the opposite'
    case 'physical':
      return physicalReason(d, wanted, got)
    case 'assign':
      return assignReason(wanted as PlaceAssignment, got as PlaceAssignment)
    case 'size': {
      const [w, g] = [wanted as Size, got as Size]
      return `covers ${percent(g.width * g.height)} of the frame against ${percent(w.width * w.height)}: (|ln of their widths’ ratio| + |ln of their heights’ ratio|) ÷ ln 16`
    }
    case 'area':
      return '0.45 × size, 0.30 × who chooses, 0.25 × following'
    case 'position':
      return 'distance in the frame; half the frame counts as another place'
    case 'areas':
      return '1 − shared ÷ all areas on either list, matched by what they cover'
    case 'range': {
      const g = got as FocusRange
      return `searches ${metres(g.nearMetres)} to ${metres(g.farMetres)}: share of the wanted dioptres cut off, plus half of what is searched needlessly`
    }
    case 'magnify':
      return '½ × factor, ¼ × how long, ¼ × what starts it'
  }
}
