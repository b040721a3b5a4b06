import * as v from 'valibot'
import { figure } from '../plain-words'
import type { Magnify } from '../values'
import type { ValueKind } from './kind'
import { ratioDistance } from './physical'

const secondsDistance = (target: Magnify['seconds'], got: Magnify['seconds']): number => {
  if (target === got) return 0
  return target === 'until-released' || got === 'until-released' ? 1 : ratioDistance(target, got)
}

/** How the picture is magnified: how much, how long, and what starts it. */
export const magnify: ValueKind<'magnify'> = {
  schema: () =>
    v.strictObject({
      factor: v.pipe(v.number(), v.minValue(1)),
      seconds: v.union(
        [v.pipe(v.number(), v.gtValue(0)), v.literal('until-released')],
        'expected seconds or "until-released"',
      ),
      onRingTurn: v.boolean(),
    }),
  distance: (_, target, got) =>
    0.5 * ratioDistance(target.factor, got.factor) +
    0.25 * secondsDistance(target.seconds, got.seconds) +
    0.25 * Number(target.onRingTurn !== got.onRingTurn),
  words: (_, m) => {
    const time = m.seconds === 'until-released' ? 'until released' : `${figure(m.seconds)} s`
    return `${figure(m.factor)}×, ${time}${m.onRingTurn ? ', starts with the ring' : ''}`
  },
  reason: () => '½ × factor, ¼ × how long, ¼ × what starts it',
  start: () => ({ factor: 5, seconds: 'until-released', onRingTurn: false }),
}
