import type { Evidence } from '../bodies'
import { likeness, prepare } from '../language/language'
import type { Picture } from './picture'
import { bareName } from './table'

/** Evidence by example: pictures taken with different options of one setting, and the fields in which they differ. */

export interface Example {
  readonly option: string
  /** What the option is called on the body. */
  readonly label: string
  readonly fields: Picture['fields']
}

export interface FieldThatDiffers {
  readonly field: string
  /** What it says with each option. */
  readonly values: readonly { readonly option: string; readonly value: string }[]
  /** Why it may differ for another reason; undefined where nothing speaks against it. */
  readonly doubt: string | undefined
}

export interface Found {
  /** The more likely first. */
  readonly fields: readonly FieldThatDiffers[]
  /** The field that nothing speaks against, where there is only one and enough pictures to tell it from chance. */
  readonly sure: string | undefined
  /** So many more pictures of each option would tell chance apart; 0 where there are enough. */
  readonly wants: number
}

/** With so many pictures of each option hardly any field agrees by chance, also where the camera writes nothing of it. */
export const ENOUGH_OF_EACH = 3

/**
 * Fields that change from picture to picture whatever is set: times, counters, names, light, sizes, and what is worked
 * out from others.
 *
 * @source CIPA DC-008 (Exif 2.32) for the tags of the standard; common practice for the rest, no published source
 */
const CHANGES_ANYWAY =
  /date|time|name|number|count|sequence|index|temperature|battery|size|length|offset|thumb|preview|exposure|shutter|aperture|iso|light|distance|balance|bright|white|black|bytes?$|guid|unique|version|serial|sum$|hyperfocal|megapixels|position|roll|pitch|yaw/i
const ORDINARY_GROUPS = /^(?:file|system|composite|ifd0|ifd1|exif|exififd|jfif|icc|xmp|iptc|gps|interop)/i

/** @param isRepeated several pictures of each option agree in it, which no time and no counter does */
const doubtOf = (field: string, isRepeated: boolean): string | undefined => {
  if (!isRepeated && CHANGES_ANYWAY.test(bareName(field))) return 'changes from picture to picture anyway'
  return field.includes(':') && ORDINARY_GROUPS.test(field) ? 'no field of the maker’s own notes' : undefined
}

/** How well what a field says fits what the options are called, from 0. */
const fit = (values: FieldThatDiffers['values'], examples: readonly Example[]): number => {
  const labels = new Map(examples.map(e => [e.option, prepare(e.label)]))
  const all = values.map(({ option, value }) => {
    const label = labels.get(option)
    return label ? likeness(prepare(value), label) : 0
  })
  return all.reduce((sum, x) => sum + x, 0) / Math.max(1, all.length)
}

/**
 * Fields that say one thing with each option, another with another. A field that says the same with two options, or
 * different things with one, tells nothing.
 */
export const fieldsThatDiffer = (examples: readonly Example[]): Found => {
  const options = [...new Set(examples.map(e => e.option))]
  const fewest = Math.min(...options.map(o => examples.filter(e => e.option === o).length))
  const wants = Math.max(0, ENOUGH_OF_EACH - fewest)
  if (options.length < 2) return { fields: [], sure: undefined, wants }
  const everywhere = Object.keys(examples[0]?.fields ?? {}).filter(f => examples.every(e => e.fields[f] !== undefined))
  const fields = everywhere.flatMap((field): FieldThatDiffers[] => {
    const values = options.map(option => {
      const said = new Set(examples.filter(e => e.option === option).map(e => e.fields[field] ?? ''))
      return { option, value: said.size === 1 ? ([...said][0] ?? '') : '' }
    })
    const isTelling = values.every(x => x.value !== '') && new Set(values.map(x => x.value)).size === options.length
    return isTelling ? [{ field, values, doubt: doubtOf(field, fewest > 1) }] : []
  })
  const ranked = fields
    .map(f => ({ f, rank: (f.doubt === undefined ? 10 : 0) + fit(f.values, examples) }))
    .sort((a, b) => b.rank - a.rank || (a.f.field < b.f.field ? -1 : 1))
    .map(r => r.f)
  const clear = ranked.filter(f => f.doubt === undefined)
  return { fields: ranked, sure: wants === 0 && clear.length === 1 ? clear[0]?.field : undefined, wants }
}

/** The evidence that a field gives, an entry for each option. */
export const evidenceFrom = ({ field, values }: FieldThatDiffers): readonly Omit<Evidence, 'setting'>[] =>
  values.map(({ option, value }) => ({ field, sign: 'is', value, option }))
