import type { Fit, LensFact, ModelKey, SetUp, UnitFact } from './facts'
import type { Cost } from './slots'
import type { StandingScene } from './standing'

/** A plan as people see it: who stands where with what, and each camera from night to night. */

/** Somebody at a scene. */
export interface Station {
  readonly scene: StandingScene
  /** Which of the scene's covers it is. */
  readonly cover: number
  readonly person: { readonly id: string; readonly name: string } | undefined
  readonly unit: UnitFact | undefined
  readonly lens: LensFact | undefined
  readonly setUp: SetUp | undefined
  readonly fit: Fit | undefined
  /** Why this unit: what it cost and what the next best would. */
  readonly why: Why
  /** What is done to the camera before it; undefined for the first of the day on it. */
  readonly change: StationChange | undefined
  /** The slot that holds what is set here. */
  readonly slot: string | undefined
  /** Another lens is put on the camera than it had at the scene before. */
  readonly isOtherLens: boolean
}

export interface Choice {
  readonly unit: string
  readonly tag: string
  readonly cost: number
  /** What it is made of, in words. */
  readonly parts: readonly string[]
}

export interface Why {
  readonly isSettled: boolean
  readonly chosen: Choice | undefined
  /** The next best, best first. */
  readonly others: readonly Choice[]
}

export interface StationChange {
  /** The key that is pressed again before anything else, so that it is off. */
  readonly back: string | undefined
  /** The key that is held or on through the scene, in place of any change: what else is set stays. */
  readonly key: string | undefined
  /** Nobody has to hold that key. */
  readonly isToggled: boolean
  /** It is on already, and stays so. */
  readonly stays: boolean
  /** The thumb holds that key. */
  readonly isByThumb: boolean
  readonly recalls: string | undefined
  readonly walks: { readonly from: string; readonly to: string; readonly isRest: boolean } | undefined
  readonly keeps: string | undefined
  readonly stores: string | undefined
  readonly cost: Cost
  readonly isLate: boolean
  /** Left between the scenes, once another lens is on. */
  readonly gapSeconds: number
}

export interface KeyFill extends Pick<ModelKey, 'name' | 'row' | 'isToggled'> {
  readonly setUp: SetUp | undefined
}

/** A unit from one night to the next. */
export interface UnitDay {
  readonly unit: UnitFact
  /** From its first scene to the end of its last. */
  readonly from: number
  readonly until: number
  /** By slot: its name and the set-up that is stored in it at home. */
  readonly slots: readonly { readonly name: string; readonly setUp: SetUp | undefined }[]
  /** By key that recalls a set: what is stored for it at home. */
  readonly keys?: readonly KeyFill[]
  readonly presses: number
  /** Changes for which there is no time. */
  readonly late: number
  readonly isBest: boolean
  readonly gap: number
  /** Presses where nothing is stored in a slot. */
  readonly withoutSlots: number
  /** The areas that all its scenes need on the button. */
  readonly areas: readonly string[]
}

export interface JobPlan {
  readonly stations: readonly Station[]
  readonly units: readonly UnitDay[]
  /** No other way to hand out the units is better. */
  readonly isBest: boolean
}

/** A job that is underway: what was planned, and from when on it may be planned anew. */
export interface Underway {
  readonly plan: JobPlan
  readonly at: number
}

/** A place at a scene, whatever is planned for it. */
export const stationKey = ({ scene, cover }: Pick<Station, 'scene' | 'cover'>): string => `${scene.id}/${cover}`

const indices = new WeakMap<JobPlan, ReadonlyMap<string, Station>>()

/** What a plan has for a place at a scene. */
export const plannedAt = (plan: JobPlan | undefined, at: Pick<Station, 'scene' | 'cover'>): Station | undefined => {
  if (!plan) return undefined
  const index = indices.get(plan) ?? new Map(plan.stations.map(s => [stationKey(s), s]))
  indices.set(plan, index)
  return index.get(stationKey(at))
}
