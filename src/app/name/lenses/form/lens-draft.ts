import { METRES_PER_FOOT, parseDistance } from '@/core/lenses/distance'
import { type Lens, LENS_FORMAT, type LensDistance } from '@/core/lenses/schema'
import { uniqueSlug } from '@/core/language/language'

/** A lens as somebody types it: texts, until all of them can be read. */

export interface DistanceText {
  readonly metric: string
  readonly imperial: string
}

export interface LensDraft {
  readonly maker: string
  readonly model: string
  readonly about: string
  readonly mount: string
  readonly focalFrom: string
  readonly focalTo: string
  readonly apertureFrom: string
  readonly apertureTo: string
  readonly closest: DistanceText
  readonly magnification: string
  readonly pupilMagnification: string
  readonly front: string
  readonly limiter: readonly { readonly label: string; readonly near: DistanceText; readonly far: DistanceText }[]
  readonly infinityTurn: Lens['infinityTurn']
  readonly focusing: Lens['focusing']
  readonly recall: boolean
  readonly modes: string
  readonly panning: string
  readonly best: string
  readonly bestOn: string
  readonly offsets: readonly {
    readonly id: string
    readonly steps: string
    readonly on: string
    /** How it was measured, while it is the one that was. */
    readonly measured?: Partial<Lens['offsets'][number]>
  }[]
}

const NO_DISTANCE: DistanceText = { metric: '', imperial: '' }

const textOf = (d: LensDistance): DistanceText => ({
  metric: d.metres === 'infinity' ? 'infinity' : `${d.metres} m`,
  imperial: d.feet === undefined ? '' : `${d.feet} ft`,
})

export const draftOf = (lens: Lens | undefined): LensDraft => ({
  maker: lens?.maker ?? '',
  model: lens?.model ?? '',
  about: lens?.about ?? '',
  mount: lens?.mount ?? '',
  focalFrom: lens ? String(lens.focalMm.from) : '',
  focalTo: lens && lens.focalMm.to !== lens.focalMm.from ? String(lens.focalMm.to) : '',
  apertureFrom: lens ? String(lens.maxAperture.from) : '',
  apertureTo: lens && lens.maxAperture.to !== lens.maxAperture.from ? String(lens.maxAperture.to) : '',
  closest: lens ? textOf(lens.closest) : NO_DISTANCE,
  magnification: lens?.magnification === undefined ? '' : String(lens.magnification),
  pupilMagnification: lens?.pupilMagnification === undefined ? '' : String(lens.pupilMagnification),
  front: lens?.frontMetres === undefined ? '' : `${Number((lens.frontMetres * 100).toFixed(2))} cm`,
  limiter: (lens?.limiter ?? []).map(p => ({ label: p.label, near: textOf(p.near), far: textOf(p.far) })),
  infinityTurn: lens?.infinityTurn ?? 'clockwise',
  focusing: lens?.focusing ?? 'by-wire',
  recall: lens?.recall ?? false,
  modes: lens?.stabiliser?.modes.join(', ') ?? '',
  panning: lens?.stabiliser?.panning ?? '',
  best: lens?.bestAperture ? String(lens.bestAperture.fNumber) : '',
  bestOn: lens?.bestAperture?.on ?? '',
  offsets: (lens?.offsets ?? []).map(({ id, steps, on, ...measured }) => ({
    id,
    steps: String(steps),
    on: on ?? '',
    measured: { ...measured, id, steps },
  })),
})

/** A distance from either field, or what is wrong with it. */
export const readDistance = (text: DistanceText): LensDistance | string => {
  const metric = text.metric.trim() ? parseDistance(text.metric) : undefined
  const imperial = text.imperial.trim() ? parseDistance(text.imperial, 'imperial') : undefined
  if (text.metric.trim() && metric === undefined) return 'expected a distance such as 0.96 m, 96 cm or infinity'
  if (text.imperial.trim() && imperial === undefined) return `expected a distance such as 3.15 ft, 11.02 in or 3' 2"`
  const metres = metric ?? imperial
  if (metres === undefined) return 'expected a distance in metres or in feet'
  const feet = typeof imperial === 'number' ? Number((imperial / METRES_PER_FOOT).toFixed(4)) : undefined
  return {
    metres: metric === undefined && typeof metres === 'number' ? Number(metres.toFixed(4)) : metres,
    ...(feet === undefined ? {} : { feet }),
  }
}

export type Wrong = Readonly<Record<string, string>>

const number = (text: string): number => Number(text.trim().replace(',', '.'))

/** @example ratio('1:4') // 0.25 */
const ratio = (text: string): number => {
  const [image = '', subject] = text.split(':')
  return subject === undefined ? number(image) : number(image) / number(subject)
}

/** The lens a draft stands for, or what is wrong, by field. */
export const lensOf = (draft: LensDraft, id: string): { readonly lens: Lens } | { readonly wrong: Wrong } => {
  const wrong: Record<string, string> = {}
  const positive = (field: string, text: string, what: string): number => {
    const n = number(text)
    if (!(n > 0)) wrong[field] = `expected ${what}`
    return n
  }
  const distance = (field: string, text: DistanceText): LensDistance => {
    const read = readDistance(text)
    if (typeof read !== 'string') return read
    wrong[field] = read
    return { metres: 1 }
  }
  if (!draft.maker.trim()) wrong['maker'] = 'expected a maker'
  if (!draft.model.trim()) wrong['model'] = 'expected a model'
  const from = positive('focalFrom', draft.focalFrom, 'a focal length in mm')
  const to = draft.focalTo.trim() ? positive('focalTo', draft.focalTo, 'a focal length in mm') : from
  if (to < from) wrong['focalTo'] = 'expected the long end'
  const wide = positive('apertureFrom', draft.apertureFrom, 'an f-number such as 2.8')
  const tele = draft.apertureTo.trim() ? positive('apertureTo', draft.apertureTo, 'an f-number such as 4') : wide
  const taken = new Set<string>()
  const limiter = draft.limiter.map((p, i) => {
    if (!p.label.trim()) wrong[`limiter.${i}`] = 'expected what the switch calls it'
    return {
      id: uniqueSlug(p.label, taken, 'position'),
      label: p.label.trim(),
      near: distance(`limiter.${i}.near`, p.near),
      far: distance(`limiter.${i}.far`, p.far),
    }
  })
  const modes = draft.modes
    .split(',')
    .map(m => m.trim())
    .filter(Boolean)
  const best = draft.best.trim() ? positive('best', draft.best, 'an f-number such as 5.6') : undefined
  const offsets = draft.offsets.map((o, i) => {
    if (!Number.isFinite(number(o.steps))) wrong[`offsets.${i}`] = 'expected a number of steps'
    // What was measured goes where somebody writes another figure over it.
    const isMeasured = o.measured?.id === o.id && o.measured.steps === number(o.steps)
    return {
      ...(isMeasured ? o.measured : {}),
      id: o.id,
      steps: number(o.steps),
      ...(o.on.trim() ? { on: o.on.trim() } : {}),
    }
  })
  const closest = distance('closest', draft.closest)
  const magnification = draft.magnification.trim() ? ratio(draft.magnification) : undefined
  if (magnification !== undefined && !(magnification > 0 && magnification <= 1))
    wrong['magnification'] = 'expected a magnification such as 0.25 or 1:4, up to life size'
  const pupil = draft.pupilMagnification.trim()
    ? positive('pupilMagnification', draft.pupilMagnification, 'a number such as 1.2')
    : undefined
  const front = draft.front.trim() ? parseDistance(draft.front) : undefined
  if (draft.front.trim() && typeof front !== 'number') wrong['front'] = 'expected a length such as 21 cm'
  if (Object.keys(wrong).length) return { wrong }
  return {
    lens: {
      format: LENS_FORMAT,
      id,
      maker: draft.maker.trim(),
      model: draft.model.trim(),
      ...(draft.about.trim() ? { about: draft.about.trim() } : {}),
      ...(draft.mount.trim() ? { mount: draft.mount.trim() } : {}),
      focalMm: { from, to },
      maxAperture: { from: wide, to: tele },
      closest,
      ...(magnification === undefined ? {} : { magnification }),
      ...(pupil === undefined ? {} : { pupilMagnification: pupil }),
      ...(typeof front === 'number' ? { frontMetres: Number(front.toFixed(4)) } : {}),
      limiter,
      infinityTurn: draft.infinityTurn,
      focusing: draft.focusing,
      recall: draft.recall,
      ...(modes.length
        ? { stabiliser: { modes, ...(draft.panning.trim() ? { panning: draft.panning.trim() } : {}) } }
        : {}),
      ...(best === undefined
        ? {}
        : { bestAperture: { fNumber: best, ...(draft.bestOn.trim() ? { on: draft.bestOn.trim() } : {}) } }),
      offsets,
    },
  }
}
