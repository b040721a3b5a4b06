/** The filter that predicts where a subject goes: position and speed, each corrected by what was seen. */

/** Time between two looks, in seconds. @source from memory */
export const LOOK_SECONDS = 1 / 60

/** Gains of a g-h filter. */
export interface Gains {
  readonly g: number
  readonly h: number
}

/**
 * A critically damped filter: `g = 1 - theta^2`, `h = (1 - theta)^2`.
 *
 * @source Brookner (1998), Tracking and Kalman Filtering Made Easy, section 1.2.6 (critically damped g-h filter)
 */
export const damped = (theta: number): Gains => ({ g: 1 - theta * theta, h: (1 - theta) * (1 - theta) })

/** How much of a sudden change of speed the filter has taken up half a second later, from 0 to 1. */
export const takenUp = ({ g, h }: Gains): number => {
  let [x, speed, true_] = [0, 0, 0]
  for (let i = 0; i < Math.round(0.5 / LOOK_SECONDS); i++) {
    true_ += LOOK_SECONDS
    const predicted = x + speed * LOOK_SECONDS
    const missed = true_ - predicted
    x = predicted + g * missed
    speed += (h / LOOK_SECONDS) * missed
  }
  return speed
}

/**
 * The gains that take up as much of a change of speed as `track.response` says.
 *
 * @param response from 0 to 1; what lies beyond what a filter of this kind can be is brought to the nearest
 */
export const gainsFor = (response: number): Gains => {
  let [slow, fast] = [0.995, 0.3]
  for (let i = 0; i < 40; i++) {
    const middle = (slow + fast) / 2
    if (takenUp(damped(middle)) < response) slow = middle
    else fast = middle
  }
  return damped((slow + fast) / 2)
}
