import { contextFrom } from '../standards/context'
import type { SchoolId } from '../functions/schools'
import type { Cost } from './slots'

/**
 * What has to be known of cameras, lenses and people to plan a job. Worked out once on the server; from then on a device
 * can plan and plan again by itself. Plain data, so that it can be sent and kept.
 */

/** A standard as one scene and one person need it: what a camera is set to. */
export interface SetUp {
  /** `ring-action|people:imelda-frost`; equal keys, equal set-ups. */
  readonly key: string
  readonly standard: string
  /** As people call it, and as it stands on a sheet. */
  readonly name: string
  /** Its layers for somebody or something, as an address says it. */
  readonly for: string
  /** It was made by the guide for one scene; no standard of the house. */
  readonly isGuided: boolean
  /** Share of the session in which pictures are taken, and of that the share that is followed. */
  readonly shooting: number
  readonly following: number
  readonly cautions: readonly Said[]
}

/** A set-up told apart from others of its standard: with the scene and the person it is for. */
export const setUpWords = ({ name, for: layers }: SetUp, people: JobFacts['people']): string => {
  const whom = Object.values(contextFrom(layers))
    .flat()
    .map(said => people.find(p => p.id === said)?.name ?? said)
  return [name, ...whom].join(', ')
}

export interface Said {
  readonly title: string
  readonly words: string
}

/** A set-up on a model. */
export interface Fit {
  /** 0 to 1. */
  readonly agreement: number
  /** Musts that are not held, in words. */
  readonly broken: readonly string[]
  readonly school: SchoolId
  /** The rows that choose areas, as they are set: what the list on the button has to hold. */
  readonly areas: readonly string[]
  /** How every rule for rescues stands with this set-up, a letter each. */
  readonly rescues: string
}

/** From one set-up to another through the menus. */
export interface Walk extends Cost {
  /** Indices into the model's rows, and of their options. */
  readonly steps: readonly (readonly [row: number, option: number])[]
}

/** A key that recalls a stored set: for as long as it is held, or until it is pressed again. */
export interface ModelKey {
  /** As it is called on the body. */
  readonly name: string
  /** The thumb holds it; devices may have kept facts from before this was known. */
  readonly isThumbs?: boolean
  /** Pressed once it is on, pressed again it is off. */
  readonly isToggled?: boolean
  /** The row that gives it this work, and what is chosen there. */
  readonly row: readonly [label: string, option: string]
  /** By set-up: with which others on the key a camera set to it does as they do, while it is held or on. */
  readonly reaches: Readonly<Record<string, readonly string[]>>
}

/** A body at a firmware. */
export interface Model {
  /** `linnet 1.4` */
  readonly id: string
  readonly body: string
  readonly maker: string
  readonly name: string
  readonly slots: readonly string[]
  /** Slots keep everything. */
  readonly isWhole: boolean
  readonly cautions: readonly Said[]
  /** As many as there are sets for keys; devices may have kept facts from before these were known. */
  readonly keys?: readonly ModelKey[]
  /** By set-up; a text says why it cannot be reckoned. */
  readonly fits: Readonly<Record<string, Fit | string>>
  /** By set-up, from and to; nothing where it is not known yet. */
  readonly walks: Readonly<Record<string, Readonly<Record<string, Walk>>>>
  /** The same where a slot that holds `to` is recalled first: what is left to walk. */
  readonly rests: Readonly<Record<string, Readonly<Record<string, Walk>>>>
  /** The rows that walks go through. */
  readonly rows: readonly {
    readonly path: readonly [tab: string, page: string, row: number]
    readonly label: string
    readonly options: readonly string[]
  }[]
}

export interface UnitFact {
  readonly id: string
  readonly tag: string
  readonly model: string
  readonly owner: string
  /** Empty where it is not hired. */
  readonly hiredUntil: string
  readonly carriedBy: readonly string[]
  /** By set-up: nothing where it is ready, else the minutes its card takes and why. */
  readonly owed: Readonly<Record<string, { readonly minutes: number; readonly why: string }>>
}

export interface LensFact {
  readonly id: string
  readonly maker: string
  readonly name: string
  /** Tags of the lenses of this kind. */
  readonly tags: readonly string[]
  /** Metres; null is infinity. The whole range first. */
  readonly ranges: readonly { readonly label: string; readonly near: number; readonly far: number | null }[]
  /** Bodies, by id, on which its focus was tested. */
  readonly testedOn: readonly string[]
}

export interface JobFacts {
  readonly people: readonly { readonly id: string; readonly name: string }[]
  readonly setUps: readonly SetUp[]
  /** By scene, then by person, `''` for anybody: the key of the set-up. */
  readonly setUpOf: Readonly<Record<string, Readonly<Record<string, string>>>>
  readonly models: readonly Model[]
  readonly units: readonly UnitFact[]
  readonly lenses: readonly LensFact[]
  /** What the guide makes of the words of each scene: its questions, answered. */
  readonly told: Readonly<Record<string, Readonly<Record<string, string | number | readonly string[]>>>>
  /** Standards that scenes name and that are not there, by scene. */
  readonly lost: Readonly<Record<string, string>>
}

/** Better walks in place of rough ones; what nobody worked out better stays as it is. */
export const withWalks = (
  facts: JobFacts,
  modelId: string,
  better: Pick<Model, 'walks' | 'rests' | 'rows'>,
): JobFacts => ({
  ...facts,
  models: facts.models.map(m => {
    if (m.id !== modelId) return m
    const moved = (walk: Walk): Walk => ({
      ...walk,
      steps: walk.steps.map(([row, o]) => [row + m.rows.length, o] as const),
    })
    const over = (rough: Model['walks'], exact: Model['walks']): Model['walks'] => {
      const all: Record<string, Record<string, Walk>> = Object.fromEntries(
        Object.entries(rough).map(([k, v]) => [k, { ...v }]),
      )
      for (const [from, row] of Object.entries(exact))
        for (const [to, walk] of Object.entries(row)) (all[from] ??= {})[to] = moved(walk)
      return all
    }
    return {
      ...m,
      walks: over(m.walks, better.walks),
      rests: over(m.rests, better.rests),
      rows: [...m.rows, ...better.rows],
    }
  }),
})

/** Recalling a slot: a turn of a dial or a row of a quick menu. @source from memory */
export const RECALL: Cost = { presses: 2, seconds: 4 }
/** Taking a key that recalls a set, at the beginning of a scene. @source from memory */
export const HOLD: Cost = { presses: 1, seconds: 0 }
/** Pressing a key that stays on, or pressing it again. @source from memory */
export const TOGGLE: Cost = { presses: 1, seconds: 1 }
/** For longer nobody should have to hold a key, all pictures of a scene together. @source from memory */
export const MOST_HELD_MINUTES = 10
/** Taking one lens off and putting another on, with their caps. @source from memory */
export const LENS_SECONDS = 30
/** Storing what is set in a slot. @source from memory */
export const STORE: Cost = { presses: 5, seconds: 12 }
/** Finding a row, changing it and coming back, for somebody who knows the camera. @source common practice, no published source */
export const SECONDS_PER_ROW = 8
/** The same where a card is read at every row. @source common practice, no published source */
export const SECONDS_PER_CARD_ROW = 11

const plain = (text: string): string => text.trim().toLowerCase().replaceAll(/\s+/g, ' ')

/** Somebody as a list names them: by id, by name, or by what only one has of it (“Ottoline”, “O. Marsh”, “OM”). */
export const findPerson = <P extends { readonly id: string; readonly name: string }>(
  people: readonly P[],
  said: string,
): P | undefined => {
  // Address books write the last name first.
  const [last = '', given] = said.split(',')
  const name = plain(given === undefined ? said : `${given} ${last}`)
  const exact = people.find(p => p.id === said || plain(p.name) === name)
  if (exact) return exact
  const [first = '', ...others] = name.split(/\.? /)
  const isInitials = /^\p{Lu}\.?\p{Lu}\.?$/u.test(said.trim())
  const initials = said.replaceAll(/[^\p{L}]/gu, '').toLowerCase()
  const only = people.filter(p => {
    const [given = '', ...rest] = plain(p.name).split(' ')
    const family = rest.join(' ')
    if (isInitials && initials === `${given[0] ?? ''}${family[0] ?? ''}`) return true
    return name === given || name === family || (first === given[0] && others.join(' ') === family)
  })
  return only.length === 1 ? only[0] : undefined
}

export const findUnit = (units: readonly UnitFact[], said: string): UnitFact | undefined =>
  units.find(u => u.id === said || plain(u.tag) === plain(said))

export const findLens = (lenses: readonly LensFact[], said: string): LensFact | undefined =>
  lenses.find(l => l.id === said || plain(l.name) === plain(said) || l.tags.some(t => plain(t) === plain(said)))
