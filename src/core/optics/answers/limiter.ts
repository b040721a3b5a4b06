import { contains, narrowest, type Reach, travelSaved, withMargin } from '../limiter-range'
import type { RangeFigures } from '../figures'
import type { Reckoned, Trouble } from '../reckon'
import { FURTHEST_METRES } from '../focusing-lens'
import { lengthWords, percentWords } from '../words'
import { figure, type Question } from './answer'

const farOf = (far: number): number => (far >= FURTHEST_METRES ? Infinity : far)

/** Distances planned from the front of the lens, where nobody knows how long it is, cannot be used. */
const frontOf = ({ scene, lens }: Reckoned): number | undefined =>
  scene.frontMetres > 0 ? scene.frontMetres : lens.frontMetres

/** What has to be reached, from the sensor plane; the subject's own distance where nothing else was planned. */
export const planOf = (r: Reckoned): Reach => {
  const { planNear, planFar, planFrom, distance } = r.scene
  const add = planFrom === 'front' ? (frontOf(r) ?? 0) : 0
  const near = planNear > 0 ? planNear + add : distance
  const far = planFar > 0 ? farOf(planFar) + add : Math.max(distance, near)
  return { near: Math.min(near, far), far: Math.max(near, far) }
}

/** The plan with its margin, as far as the lens focuses. */
export const roomOf = (r: Reckoned): Reach => {
  const { closestMetres } = r.lens
  const asked = planOf(r)
  const plan = { near: Math.max(asked.near, closestMetres), far: Math.max(asked.far, closestMetres) }
  const room = withMargin(plan, r.scene.margin)
  return { near: Math.max(room.near, closestMetres), far: room.far }
}

/** What is odd about the plan itself. */
export const planTroubles = (r: Reckoned): readonly Trouble[] => {
  const { scene, lens, units } = r
  const say = (m: number) => lengthWords(m, units)
  const plan = planOf(r)
  const front = frontOf(r)
  return [
    ...(scene.planNear > 0 && scene.planFar > 0 && scene.planNear > scene.planFar
      ? [
          {
            field: 'planNear' as const,
            nearest: scene.planFar,
            words: 'The near end of the plan is beyond its far end; they were swapped.',
          },
        ]
      : []),
    ...(scene.planFrom === 'front' && front === undefined
      ? [
          {
            field: 'frontMetres' as const,
            nearest: undefined,
            words:
              'Distances from the front of the lens can only be used when its length from the sensor plane is known: type it.',
          },
        ]
      : []),
    ...(scene.planFrom === 'sensor' && front !== undefined && scene.planNear > 0 && scene.planNear < front
      ? [
          {
            field: 'planNear' as const,
            nearest: lens.closestMetres,
            words: `${say(scene.planNear)} from the sensor plane is inside the lens, whose front is ${say(front)} from it.`,
          },
        ]
      : []),
    ...(plan.near < lens.closestMetres
      ? [
          {
            field: 'planNear' as const,
            // In the terms in which it was typed.
            nearest: lens.closestMetres - (scene.planFrom === 'front' ? (front ?? 0) : 0),
            words: `The lens does not focus nearer than ${say(lens.closestMetres)} from the sensor plane.`,
          },
        ]
      : []),
  ]
}

/** Which position of a limiter contains what is planned, and no more than it must. */
export const limiterAnswer: Question = r => {
  const { scene, lens, camera, units } = r
  const say = (m: number) => lengthWords(m, units)
  const span = (p: Reach) => `${say(p.near)} to ${say(p.far)}`
  const asked = planOf(r)
  const plan = { near: Math.max(asked.near, lens.closestMetres), far: Math.max(asked.far, lens.closestMetres) }
  const room = roomOf(r)
  const whole: RangeFigures = { label: 'whole range', near: lens.closestMetres, far: Infinity }
  const positions: readonly RangeFigures[] = [...lens.ranges, ...camera.ranges]
  const best = narrowest(positions, room) ?? whole
  const saved = travelSaved({ near: Math.max(best.near, whole.near), far: best.far }, whole)
  const isLimited = saved > 0.005
  const cut = positions.filter(p => !contains(p, room))
  const spared = travelSaved(room, whole)
  const hasLimiter = positions.length > 1
  return {
    question: 'limiter',
    tone: isLimited ? 'fine' : hasLimiter ? 'mind' : 'open',
    verdict: isLimited
      ? `Set “${best.label}”: ${span(best)} contains the plan and saves ${percentWords(saved)} of the travel.`
      : hasLimiter
        ? `Leave the limiter off: no position contains ${span(room)}.`
        : 'This lens and body have no limiter: the whole range is searched.',
    figures: [
      figure(
        'planned',
        plan.near,
        span(plan),
        scene.planFrom === 'front'
          ? `typed from the front of the lens, ${say(frontOf(r) ?? 0)} added`
          : 'from the sensor plane mark on the body',
      ),
      figure('with margin', room.near, span(room), `${percentWords(scene.margin)} nearer and further`),
      figure(
        'travel saved',
        saved,
        percentWords(saved),
        'share of the lens’s way in dioptres (1 / distance) that is not searched',
      ),
      figure('the plan alone', spared, percentWords(spared), 'what a limiter made for this plan would save'),
    ],
    changes: [
      ...(scene.planFrom === 'front'
        ? [
            'Distances on lenses and limiters count from the sensor plane, not from the front of the lens; yours were converted.',
          ]
        : []),
      ...cut.map(p => `“${p.label}” (${span(p)}) would cut ${p.near > room.near ? 'the near' : 'the far'} end off.`),
      ...(!isLimited &&
      hasLimiter &&
      scene.margin > 0 &&
      narrowest(positions, plan) !== undefined &&
      narrowest(positions, plan)?.label !== best.label
        ? [`Without the margin “${narrowest(positions, plan)?.label}” would do.`]
        : []),
    ],
    cautions: [],
    short: isLimited ? `limiter “${best.label}”` : 'limiter off',
    target: {
      dimension: 'range.limit',
      value: {
        nearMetres: Number(room.near.toPrecision(3)),
        farMetres: room.far === Infinity ? 'infinity' : Math.max(Number(room.far.toPrecision(3)), room.near * 1.01),
      },
    },
  }
}
