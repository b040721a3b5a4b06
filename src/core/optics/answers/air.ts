import { clockWords } from './light'
import { lengthWords } from '../words'
import { figure, type Question } from './answer'

/** From where air is worth a thought, and from when to when the ground warms it. @source from memory */
const LONG_METRES = 50
const WARM_HOURS = { from: 10, to: 17 } as const

/** Long distances over warm ground: facts of the trade, no formula. */
export const airAnswer: Question = ({ scene, units }) => {
  const say = lengthWords(scene.distance, units)
  const isLong = scene.distance >= LONG_METRES
  const hour = new Date(scene.at + scene.offsetMinutes * 60_000).getUTCHours()
  const isTime = scene.at === 0 || (hour >= WARM_HOURS.from && hour < WARM_HOURS.to)
  const shimmers = isLong && scene.warmGround && isTime
  const when =
    scene.at === 0 ? 'between mid-morning and late afternoon' : `at ${clockWords(scene.at, scene.offsetMinutes)}`
  return {
    question: 'air',
    tone: shimmers ? 'mind' : isLong && !scene.warmGround ? 'open' : 'fine',
    verdict: shimmers
      ? `${say} over warm ground ${when}: the air may shimmer, and focus and sharpness suffer whatever the settings.`
      : !isLong
        ? `${say} is short enough for the air not to matter much.`
        : scene.warmGround
          ? `${say} over warm ground, but ${when} the air is usually calmer.`
          : `${say} is far: say whether the ground between is warm.`,
    figures: [
      figure('distance', scene.distance, say, `long from about ${lengthWords(LONG_METRES, units)} (from memory)`),
      figure(
        'warm hours',
        WARM_HOURS.from,
        `${WARM_HOURS.from} to ${WARM_HOURS.to} o’clock`,
        'mid-morning to late afternoon: common practice, the hours from memory',
      ),
    ],
    changes: shimmers
      ? ['Go nearer; come early or late; shoot over grass or water rather than over stone and sand. No setting helps.']
      : [],
    cautions: [],
    short: shimmers ? 'air shimmers: go nearer, or come early' : 'air calm',
    target: undefined,
  }
}
