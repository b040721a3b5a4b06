import type { Area } from '../../vocabulary/values'
import { completeArea } from '../../vocabulary/kinds/area'
import { aimingSlack, shareOfFrame, sizeOnSubject } from '../area-on-subject'
import type { AreaFigures } from '../figures'
import type { Reckoned } from '../reckon'
import { angleWords, lengthWords, percentWords, plain } from '../words'
import { subjectOf } from '../subjects'
import { figure, type Question } from './answer'

/** An area of a body, laid on the subject in hand. */
export interface AreaOnSubject {
  readonly label: string
  readonly area: Area | undefined
  readonly guessed: boolean
  /** At the subject, metres, as the camera is held. */
  readonly width: number
  readonly height: number
  /** How far the aim may wander, radians. */
  readonly slack: number
  readonly isHeld: boolean
  /** How much more than what is aimed for it takes in: its width over that of the part. */
  readonly takesIn: number
}

const RADIANS = Math.PI / 180

/** One area on the subject, as it would be at this distance through this lens. */
export const areaOnSubject = (r: Reckoned, size: { readonly width: number; readonly height: number }) => {
  const { scene, frame, magnification: m } = r
  const [w, h] = scene.upright ? [size.height, size.width] : [size.width, size.height]
  const width = sizeOnSubject(Math.min(1, w), frame.widthMm, m)
  const height = sizeOnSubject(Math.min(1, h), frame.heightMm, m)
  const slack = Math.min(
    aimingSlack(width, scene.partSize, r.subjectMetres),
    aimingSlack(height, scene.partSize, r.subjectMetres),
  )
  return { width, height, slack, isHeld: slack >= scene.handsDegrees * RADIANS, takesIn: width / scene.partSize }
}

const laid =
  (r: Reckoned) =>
  ({ label, size, area, guessed }: AreaFigures): readonly AreaOnSubject[] =>
    size ? [{ label, area, guessed, ...areaOnSubject(r, size) }] : []

/** Every area of the body that has a size, finest first. */
export const areasOnSubject = (r: Reckoned): readonly AreaOnSubject[] =>
  r.camera.areas.flatMap(laid(r)).toSorted((a, b) => a.width * a.height - b.width * b.height)

/** The finest area that these hands keep on what is aimed for. */
export const finestHeld = (areas: readonly AreaOnSubject[]): AreaOnSubject | undefined => areas.find(a => a.isHeld)

/** What detection looks for, by what focus aims at. */
const DETAIL_OF: Readonly<Record<string, 'eye' | 'head' | undefined>> = { eye: 'eye', head: 'head' }

const detection = (r: Reckoned): string | undefined => {
  const part = subjectOf(r.scene.subject).part
  const detail = DETAIL_OF[part]
  const least = detail && r.camera.finds[detail]
  if (!detail || least === undefined) return undefined
  const share = shareOfFrame(r.scene.partSize, r.frame.heightMm, r.magnification)
  return share >= least
    ? `Its detection finds the ${detail}: ${percentWords(share)} of the frame’s height, ${percentWords(least)} is enough.`
    : `Its detection does not find the ${detail} yet: ${percentWords(share)} of the frame’s height, it needs ${percentWords(least)}.`
}

/** Which area of the body fits on what is aimed for. */
export const areaAnswer: Question = r => {
  const { scene, units, camera } = r
  const say = (m: number) => lengthWords(m, units)
  const { part } = subjectOf(scene.subject)
  const areas = areasOnSubject(r)
  const best = finestHeld(areas)
  const finest = areas[0]
  const own = areaOnSubject(r, { width: scene.areaWidth, height: scene.areaHeight })
  const ownArea = areas.find(
    a => a.area && Math.abs(a.area.width - scene.areaWidth) < 1e-9 && Math.abs(a.area.height - scene.areaHeight) < 1e-9,
  )
  const unsized = camera.areas.filter(a => !a.size)
  const found = detection(r)
  const name = ownArea?.label ?? 'The area'
  const shown = best ?? own
  const verdict = (): string => {
    if (areas.length === 0)
      return own.isHeld
        ? `An area of this size covers ${say(own.width)} of the subject; these hands keep it on the ${part}.`
        : `An area of this size covers ${say(own.width)} of the subject; these hands wander further than that.`
    if (!best) return `None of its areas is held on the ${part} by these hands at this distance.`
    return best.takesIn > 1.25
      ? `${best.label} is the finest you can hold on the ${part}: ${say(best.width)} wide, it takes in ${plain(best.takesIn)} times the ${part}.`
      : `${best.label} is the finest you can hold on the ${part}: ${say(best.width)} of ${say(scene.partSize)}.`
  }
  return {
    question: 'area',
    tone: areas.length > 0 ? (best ? (best.takesIn > 1.25 ? 'mind' : 'fine') : 'no') : own.isHeld ? 'fine' : 'no',
    verdict: verdict(),
    figures: [
      figure(
        `${name} on the subject`,
        own.width,
        `${say(own.width)} × ${say(own.height)}`,
        `share of the frame × ${plain(r.frame.widthMm, 3)} mm / magnification ${plain(r.magnification, 3)}`,
      ),
      figure(
        `size of the ${part}`,
        scene.partSize,
        say(scene.partSize),
        'from the list of subjects, or as you changed it',
      ),
      figure(
        'aim may wander',
        own.slack,
        angleWords(own.slack),
        `half of the larger of area and ${part}, seen from ${say(r.subjectMetres)}`,
      ),
      figure(
        'these hands wander',
        scene.handsDegrees * RADIANS,
        angleWords(scene.handsDegrees * RADIANS),
        'as chosen; a beginner about 0.6°, practised 0.3°, very steady 0.15° (from memory)',
      ),
    ],
    changes: [
      ...(best && finest && best !== finest
        ? [`With steadier hands (${angleWords(finest.slack)}) ${finest.label} would do.`]
        : []),
      ...(!best && areas.length > 0
        ? ['Go nearer, steady the camera on a monopod, or take a shorter lens, whose areas cover more of the subject.']
        : []),
      ...(found ? [found] : []),
      ...(best?.guessed ? [`The size of ${best.label} is only guessed in the profile.`] : []),
      ...(unsized.length > 0
        ? [
            `The profile does not say how large ${unsized.map(a => a.label).join(', ')} ${unsized.length === 1 ? 'is' : 'are'}; the nearest that can be reckoned with is ${shownLabel(best, finest)}.`,
          ]
        : []),
    ],
    cautions: [],
    short: best ? `${best.label} on the ${part}` : `${say(shown.width)} of the subject in the area`,
    target: best?.area ? { dimension: 'area.pattern', value: best.area } : ownTarget(r),
  }
}

const shownLabel = (best: AreaOnSubject | undefined, finest: AreaOnSubject | undefined): string =>
  best?.label ?? finest?.label ?? 'the size drawn here'

const ownTarget = ({ scene }: Reckoned) => ({
  dimension: 'area.size',
  value: { width: scene.areaWidth, height: scene.areaHeight },
})

/** Whether two areas would be told apart by who picks in them; for lists that show both. */
export const pickedBy = (area: Area | undefined): 'you pick' | 'camera picks' | undefined =>
  area && (completeArea(area).chooser === 'camera' ? 'camera picks' : 'you pick')
