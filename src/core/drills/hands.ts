import type { HandFigures } from '../rehearsal/set-up'
import { HAND_FIGURES } from '../rehearsal/set-up'
import { standingOf, type Try } from './drills'

/** A person's own hands, as far as their drills say them. */
export interface OwnHands extends HandFigures {
  /** How many tries of each stand behind them. */
  readonly track: number
  readonly hold: number
}

/** As many tries before a figure is taken for somebody's own. */
const LEAST_TRIES = 3

/**
 * What a rehearsal takes for somebody's hands. Wander and how long it takes to come back are the medians of their
 * tracking by motion or, coarser, by pointer; keys say nothing about hands. Reaction and how often it is right come from
 * holding and letting go; where there is none of that yet, a practised hand's figures stand in.
 *
 * @returns undefined until tracking was tried three times
 */
export const handsOf = (tries: readonly Try[]): OwnHands | undefined => {
  const tracked = tries.filter(t => t.drill === 'track' && t.by !== 'keys' && t.figure !== undefined)
  const byMotion = tracked.filter(t => t.by === 'motion')
  const track = byMotion.length >= LEAST_TRIES ? byMotion : tracked
  const held = tries.filter(t => t.drill === 'hold')
  const steady = standingOf(track)
  const back = standingOf(track.flatMap(t => (t.backSeconds === undefined ? [] : [{ ...t, figure: t.backSeconds }])))
  const hold = held.length >= LEAST_TRIES ? standingOf(held) : undefined
  if (track.length < LEAST_TRIES || steady?.median === undefined) return undefined
  const usual = HAND_FIGURES.practised
  return {
    degrees: steady.median,
    seconds: back?.median ?? usual.seconds,
    reaction: hold?.median === undefined ? usual.reaction : hold.median / 1000,
    right: hold?.share ?? usual.right,
    track: track.length,
    hold: hold ? held.length : 0,
  }
}
