import { SCHOOLS } from '../functions/schools'
import type { Change } from '../changes/changes'
import { DIMENSIONS, dimension } from '../vocabulary/dimensions'
import { distance } from '../vocabulary/distance'
import { sameValue } from '../vocabulary/distance'
import { toleranceWords, valueWords } from '../vocabulary/words'
import type { Context } from './context'
import { type EffectiveTarget, effectiveTargets, heldUpTo } from './layers'
import type { Standard, Target } from './schema'

/** What differs between two standards, or two versions of one, in what they ask for and not in how it is written. */
export type TargetDifference = {
  readonly dimension: string
  /** How far the two values are apart, 0 to 1; 1 where only one asks. */
  readonly apart: number
  readonly words: string
} & (
  | { readonly kind: 'added'; readonly after: EffectiveTarget }
  | { readonly kind: 'removed'; readonly before: EffectiveTarget }
  | {
      readonly kind: 'changed'
      readonly before: EffectiveTarget
      readonly after: EffectiveTarget
      /** What of it changed. */
      readonly in: readonly ('value' | 'weight' | 'tolerance' | 'reason' | 'layer')[]
    }
)

/** A target in a few words: what is wanted, how exactly, and how much. */
export const wanted = (t: Target): string => {
  const d = dimension(t.dimension)
  const tolerance = t.tolerance === undefined ? '' : ` ${toleranceWords(d, t.tolerance)}`
  return `${valueWords(d, t.value)}${tolerance}, a ${t.weight}`
}

const changesIn = (before: EffectiveTarget, after: EffectiveTarget) => {
  const d = dimension(before.dimension)
  return [
    ...(sameValue(d, before.value, after.value) ? [] : (['value'] as const)),
    ...(before.weight === after.weight ? [] : (['weight'] as const)),
    // A tolerance written out that is the usual one says nothing new.
    ...(Math.abs(heldUpTo(before) - heldUpTo(after)) < 1e-9 ? [] : (['tolerance'] as const)),
    ...(before.reason === after.reason ? [] : (['reason'] as const)),
    ...(before.from.layer === after.from.layer ? [] : (['layer'] as const)),
  ]
}

const changedWords = (before: EffectiveTarget, after: EffectiveTarget, what: readonly string[]): string => {
  const { label } = dimension(before.dimension)
  if (what.some(w => w === 'value' || w === 'weight' || w === 'tolerance'))
    return `${label}: ${wanted(after)}; it was ${wanted(before)}`
  if (what.includes('reason')) return `${label}: another reason, “${after.reason}”`
  return `${label}: the same, now from ${after.from.layer}`
}

/**
 * Compares by meaning: an area by another name but of the same size, or a target moved to another layer with nothing
 * else changed, is told as what it is.
 */
export const compareStandards = (
  before: Standard,
  after: Standard,
  context: Context = {},
): readonly TargetDifference[] => {
  const [old, now] = [before, after].map(s => new Map(effectiveTargets(s, context).map(t => [t.dimension, t])))
  return DIMENSIONS.flatMap((d): TargetDifference[] => {
    const [was, is] = [old?.get(d.id), now?.get(d.id)]
    if (!was && !is) return []
    if (!was && is)
      return [
        {
          kind: 'added',
          dimension: d.id,
          apart: 1,
          after: is,
          words: `${d.label}: ${wanted(is)}; nothing was asked before`,
        },
      ]
    if (was && !is)
      return [
        {
          kind: 'removed',
          dimension: d.id,
          apart: 1,
          before: was,
          words: `${d.label} is not asked for any more; it was ${wanted(was)}`,
        },
      ]
    if (!was || !is) return []
    const what = changesIn(was, is)
    if (what.length === 0) return []
    return [
      {
        kind: 'changed',
        dimension: d.id,
        apart: distance(d, was.value, is.value),
        before: was,
        after: is,
        in: what,
        words: changedWords(was, is, what),
      },
    ]
  })
}

/** Whether anything changed that a body could notice. */
export const isNoticed = (d: TargetDifference): boolean =>
  d.kind !== 'changed' || d.in.some(w => w === 'value' || w === 'weight' || w === 'tolerance')

/** The layers that differ between two versions, in words: added, removed, renamed, for others, on a newer base. */
export const compareLayers = (before: Standard, after: Standard): readonly string[] => {
  const old = new Map(before.layers.map(l => [l.id, l]))
  const ids = new Set(after.layers.map(l => l.id))
  return [
    ...after.layers.flatMap(l => {
      const was = old.get(l.id)
      if (!was) return [`Layer “${l.name}” is new.`]
      return [
        ...(was.name === l.name ? [] : [`Layer “${was.name}” is now called “${l.name}”.`]),
        ...(l.from && was.from && l.from.version !== was.from.version
          ? [`Layer “${l.name}” is taken from version ${l.from.version} instead of ${was.from.version}.`]
          : []),
        ...(JSON.stringify(l.applies ?? {}) === JSON.stringify(was.applies ?? {})
          ? []
          : [`Layer “${l.name}” is for others than before.`]),
        ...(JSON.stringify(l.pins ?? []) === JSON.stringify(was.pins ?? [])
          ? []
          : [`Layer “${l.name}” sets other things on single bodies anyway.`]),
        ...(JSON.stringify([l.advice ?? [], l.rescues ?? []]) === JSON.stringify([was.advice ?? [], was.rescues ?? []])
          ? []
          : [`Layer “${l.name}” says something else about how to shoot and about rescues.`]),
        ...(JSON.stringify(l.calculations ?? []) === JSON.stringify(was.calculations ?? [])
          ? []
          : [`Layer “${l.name}” keeps other calculations.`]),
      ]
    }),
    ...before.layers.flatMap(l => (ids.has(l.id) ? [] : [`Layer “${l.name}” is gone.`])),
    ...(JSON.stringify(before.level ?? null) === JSON.stringify(after.level ?? null)
      ? []
      : [
          after.level
            ? `The bodies are held ${before.level ? 'differently' : 'to a common level'}: being alike counts ${after.level.lambdaHundredths / 100} against 1 for being right.`
            : 'Each body does its best; they are not held to a common level any more.',
        ]),
    ...(JSON.stringify(before.controls ?? null) === JSON.stringify(after.controls ?? null)
      ? []
      : [
          after.controls
            ? `The control maps are ${before.controls ? 'different' : 'new'}: ${SCHOOLS[after.controls.school].label}, ${after.controls.uses.length} functions.`
            : 'There are no control maps any more.',
        ]),
  ]
}

/** Changes of a draft in words, for whoever has to merge two. */
export const describeStandardChanges = (
  changes: readonly Change[],
  before: Standard,
  after: Standard,
): readonly { readonly at: readonly string[]; readonly words: string }[] =>
  changes.map(({ at, before: was, after: is }) => {
    const [, layerId, field, dimensionId] = at
    const layer = [...after.layers, ...before.layers].find(l => l.id === layerId)
    if (field === 'targets' && dimensionId && !dimensionId.startsWith('#')) {
      const { label } = dimension(dimensionId)
      const value = is === undefined ? 'taken out' : wanted(is as unknown as Target)
      const from = was === undefined ? '' : `; it was ${wanted(was as unknown as Target)}`
      return { at, words: `${label}, in ${layer?.name ?? 'a layer'}: ${value}${from}` }
    }
    if (field === 'pins') return { at, words: `What “${layer?.name ?? 'a layer'}” sets on single bodies anyway` }
    if (field === 'advice' || field === 'rescues')
      return { at, words: `What “${layer?.name ?? 'a layer'}” says about how to shoot, or when it goes wrong` }
    if (field === 'calculations') return { at, words: `What was worked out for “${layer?.name ?? 'a layer'}”` }
    if (at[0] === 'controls') return { at, words: 'What the fingers should do, and the control maps' }
    if (at[0] === 'level') return { at, words: 'How alike the bodies are to be' }
    if (at[0] === 'answers') return { at, words: 'The answers to the guide’s questions' }
    return { at, words: layer ? `The layer “${layer.name}”` : 'The standard’s name, words or layers' }
  })
