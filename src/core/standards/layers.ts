import { usesIn } from '../functions/plan'
import type { Problem } from '../reading/problem'
import { DIMENSIONS, dimension } from '../vocabulary/dimensions'
import { GRADE_LIMITS } from '../vocabulary/grade'
import { sameValue } from '../vocabulary/distance'
import { inSentence } from '../vocabulary/words'
import { type Context, SCOPES } from './context'
import { type Layer, type Standard, type Target, WEIGHT_FACTORS } from './schema'

/** A target of a lower layer that another one replaced. */
export interface Overruled {
  readonly layer: string
  readonly target: Target
}

/** A target together with the layer it comes from and what it replaced, nearest layer first. */
export interface EffectiveTarget extends Target {
  readonly from: { readonly standard: string; readonly layer: string }
  readonly over?: readonly Overruled[]
}

/** An effective target without where it comes from, to be stated in another layer. */
export const asTarget = ({ from, over, ...target }: EffectiveTarget): Target => target

/** A target that does not count, because the must below it stands until a reason for relaxing it is written. */
export interface Withheld {
  readonly layer: string
  readonly target: Target
  readonly must: Overruled
}

export interface Layered {
  readonly targets: readonly EffectiveTarget[]
  readonly withheld: readonly Withheld[]
}

/** Whether a layer counts: of every kind of thing it names, one has to be there. */
export const layerApplies = (layer: Pick<Layer, 'applies'>, context: Context): boolean =>
  SCOPES.every(scope => {
    const named = layer.applies?.[scope]
    return !named || named.some(n => context[scope]?.includes(n))
  })

/**
 * The distance above which a target does not count as held, 0 to 1. A tolerance of 0.3 on an amount allows it to be
 * 30 % larger, or smaller by the same factor; on one that is compared by difference, 0.3 of its unit either way. Without
 * one, near is near enough.
 */
export const heldUpTo = (target: Pick<Target, 'dimension' | 'tolerance'>): number => {
  const d = dimension(target.dimension)
  if (target.tolerance === undefined) return GRADE_LIMITS.near
  if (d.kind !== 'physical') return target.tolerance
  if (d.measure !== 'ratio') return Math.min(1, target.tolerance / d.measure.fullDifference)
  return Math.log(1 + target.tolerance) / Math.log(4)
}

/** Whether a target lets through what the must below forbids: another value, less weight, or more tolerance. */
export const relaxesMust = (below: Target, above: Target): boolean =>
  below.weight === 'must' &&
  (WEIGHT_FACTORS[above.weight] < WEIGHT_FACTORS.must ||
    heldUpTo(above) > heldUpTo(below) ||
    !sameValue(dimension(below.dimension), below.value, above.value))

const VOCABULARY_ORDER = new Map(DIMENSIONS.map((d, i) => [d.id, i]))

const inVocabularyOrder = (a: Target, b: Target): number =>
  (VOCABULARY_ORDER.get(a.dimension) ?? 0) - (VOCABULARY_ORDER.get(b.dimension) ?? 0)

/** A plan for the fingers names every function that has a control; what is not in it is not asked for. */
const isNotInThePlan = ({ controls }: Standard, { dimension: id }: Target): boolean =>
  controls !== undefined &&
  dimension(id).kind === 'assign' &&
  !usesIn(controls, controls.school).some(u => u.function === id)

/** What is asked of how something is looked for says nothing where nothing is. */
const MOOT_WITHOUT_SUBJECT = ['subject.detail', 'subject.eye', 'subject.scope', 'subject.registered'] as const

/** Continuous AF and a frame rate together ask that focus goes on between the frames; said otherwise, that counts. */
const impliedBy = (targets: ReadonlyMap<string, EffectiveTarget>): readonly EffectiveTarget[] => {
  const drive = targets.get('mode.drive')
  const rate = targets.get('release.rate')
  if (!drive || !rate || targets.has('release.refocus')) return []
  if (drive.value !== 'continuous' && drive.value !== 'automatic') return []
  const { weight, from } = drive
  const reason = 'Continuous AF has to go on between the frames, or the rate is worth nothing.'
  return [{ dimension: 'release.refocus', value: true, weight, reason, from }]
}

/**
 * The layers of a standard laid over each other, from the ground up. A target replaces the one of the layer below,
 * unless that is a must it relaxes without saying why: then the must stands.
 */
export const layered = (standard: Standard, context: Context = {}): Layered => {
  const targets = new Map<string, EffectiveTarget>()
  const withheld: Withheld[] = []
  for (const layer of standard.layers) {
    if (!layerApplies(layer, context)) continue
    for (const target of layer.targets) {
      if (isNotInThePlan(standard, target)) continue
      const below = targets.get(target.dimension)
      const from = { standard: standard.name, layer: layer.name }
      if (!below) {
        targets.set(target.dimension, { ...target, from })
        continue
      }
      const { from: belowFrom, over = [], ...replaced } = below
      const must: Overruled = { layer: belowFrom.layer, target: replaced }
      if (relaxesMust(below, target) && !target.relaxes) withheld.push({ layer: layer.name, target, must })
      else targets.set(target.dimension, { ...target, from, over: [must, ...over] })
    }
  }
  if (targets.get('subject.class')?.value === 'off') for (const id of MOOT_WITHOUT_SUBJECT) targets.delete(id)
  const implied = impliedBy(targets)
  return { targets: [...targets.values(), ...implied].sort(inVocabularyOrder), withheld }
}

/** Standards never change, so that what one asks for is found once for everybody it is asked for. */
const asked = new WeakMap<Standard, Map<string, readonly EffectiveTarget[]>>()
/** Of one standard. */
const MOST_ASKED = 60

/** What a standard asks for once its layers are laid over each other, in the order of the vocabulary. */
export const effectiveTargets = (standard: Standard, context: Context = {}): readonly EffectiveTarget[] => {
  const known = asked.get(standard) ?? new Map<string, readonly EffectiveTarget[]>()
  asked.set(standard, known)
  const key = JSON.stringify(SCOPES.map(scope => context[scope]))
  const targets = known.get(key) ?? layered(standard, context).targets
  if (known.size >= MOST_ASKED) known.clear()
  known.set(key, targets)
  return targets
}

/** Everything that some layer is for, so that a person can choose. */
export const scopesOf = (...stacks: readonly (readonly Pick<Layer, 'applies'>[])[]): Context =>
  Object.fromEntries(
    SCOPES.flatMap(scope => {
      const names = [...new Set(stacks.flat().flatMap(l => l.applies?.[scope] ?? []))]
      return names.length ? [[scope, names]] : []
    }),
  )

/** What of a context some layer of the standard asks about; the rest makes no difference to it. */
export const relevantContext = (standard: Standard, context: Context): Context => {
  const named = scopesOf(standard.layers)
  return Object.fromEntries(
    SCOPES.flatMap(scope => {
      const both = (context[scope] ?? []).filter(name => named[scope]?.includes(name))
      return both.length ? [[scope, both]] : []
    }),
  )
}

/** The layers written in this standard, the others being taken from standards below it. */
export const ownLayers = (standard: Standard): readonly Layer[] => standard.layers.filter(l => !l.from)

/**
 * What has to be mended before a standard can be approved: it asks for nothing, or it relaxes a must without a written
 * reason. Every layer is looked at on top of all that are below it, whoever it is for.
 */
export const standardProblems = (standard: Standard, file: string): readonly Problem[] => {
  const nothing = standard.layers.every(l => l.targets.length === 0)
    ? [{ file, path: 'layers', value: 'no target', expected: 'expected at least one target' }]
    : []
  const musts = new Map<string, Overruled>()
  const relaxed: Problem[] = []
  standard.layers.forEach((layer, i) =>
    layer.targets.forEach((target, k) => {
      const must = musts.get(target.dimension)
      if (must && relaxesMust(must.target, target) && !target.relaxes)
        relaxed.push({
          file,
          path: `layers.${i}.targets.${k}.relaxes`,
          value: '',
          expected: `“${layer.name}” relaxes the must “${inSentence(dimension(target.dimension).label)}” of “${must.layer}”; expected a written reason why it may give way`,
        })
      else musts.set(target.dimension, { layer: layer.name, target })
    }),
  )
  return [...nothing, ...relaxed]
}
