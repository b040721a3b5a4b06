import { cropFactor, equivalentOf } from '../equivalents'
import { closestMagnification, distanceForMagnification, focalAt, magnificationOf } from '../focusing-lens'
import { type CameraFigures, type LensFigures, widestAt } from '../figures'
import { whereReaches } from '../check'
import { depthOfField } from '../depth-of-field'
import { diagonalMm } from '../circle-of-confusion'
import { lensAt, type Reckoned, SMALLEST_F } from '../reckon'
import { angleOfView } from '../thin-lens'
import { angleWords, fNumberWords, lengthWords, plain } from '../words'
import { figure, type Question } from './answer'

/** Another body and lens that stand in for those in hand. */
export interface Framing {
  readonly camera: CameraFigures
  readonly lens: LensFigures
  readonly focalMm: number
  readonly distance: number
  readonly fNumber: number
  /** From the same place. */
  readonly isSameFrame: boolean
  /** Its depth over the depth in hand: 1 is the same. */
  readonly depthRatio: number
}

/** Whether a lens goes onto a body: by the maker, since profiles of bodies state no mount. */
const fits = (camera: CameraFigures, lens: LensFigures): boolean =>
  lens.maker === undefined || camera.name.startsWith(`${lens.maker} `)

const framingOn = (r: Reckoned, camera: CameraFigures, lens: LensFigures, wantedDepth: number): Framing | undefined => {
  const scale = diagonalMm(camera) / diagonalMm(r.camera)
  const wanted = r.magnification * scale
  const { distance } = r.scene
  const at = (focalMm: number) => magnificationOf(lensAt(lens, focalMm, 1), Math.max(distance, lens.closestMetres))
  const isNearEnough = distance >= lens.closestMetres
  const focalMm = isNearEnough ? (whereReaches(at, wanted, lens.focalFrom, lens.focalTo) ?? lens.focalTo) : lens.focalTo
  const focusing = lensAt(lens, focalMm, 1)
  const isSameFrame = isNearEnough && Math.abs(at(focalMm) / wanted - 1) < 0.01
  const placed = isSameFrame
    ? distance
    : distanceForMagnification(focusing, Math.min(wanted, closestMagnification(focusing)))
  if (placed === undefined) return undefined
  const circleMm = r.circleMm * scale
  const m = magnificationOf(focusing, placed)
  const depth = (fNumber: number): number => {
    const d = depthOfField({ focalMm: focalAt(focusing, placed), fNumber, circleMm, magnification: m })
    return d.front + d.behind
  }
  const widest = widestAt(lens, focalMm)
  const fNumber = Math.min(
    whereReaches(depth, Math.min(wantedDepth, 1e9), widest, SMALLEST_F) ?? SMALLEST_F,
    SMALLEST_F,
  )
  const got = depth(fNumber)
  return {
    camera,
    lens,
    focalMm,
    distance: placed,
    fNumber,
    isSameFrame,
    depthRatio: got === wantedDepth ? 1 : Math.min(got, 1e9) / Math.min(wantedDepth, 1e9),
  }
}

const wantedDepthOf = ({ depth }: Reckoned): number => depth.front + depth.behind

/** How near each way is: the same place counts most, then the same depth. */
const offBy = (r: Reckoned, f: Framing): number =>
  (f.isSameFrame ? 0 : 1 + Math.abs(Math.log(f.distance / r.scene.distance))) + Math.abs(Math.log(f.depthRatio)) / 4

/**
 * Which other bodies and lenses give the same frame and the same depth, or how near they come: for each body its
 * nearest lens first.
 */
export const framings = (
  r: Reckoned,
  cameras: readonly CameraFigures[],
  lenses: readonly LensFigures[],
): readonly Framing[] => {
  const depth = wantedDepthOf(r)
  return cameras.flatMap(camera =>
    lenses
      .filter(lens => fits(camera, lens))
      .flatMap(lens => framingOn(r, camera, lens, depth) ?? [])
      .toSorted((a, b) => offBy(r, a) - offBy(r, b)),
  )
}

/**
 * A lens that frames on one body as another lens does on another: for comparing bodies that no one lens goes onto.
 *
 * @param focalMm of the lens on the body that is known
 */
export const framedAlike = (
  from: CameraFigures,
  to: CameraFigures,
  lens: LensFigures,
  focalMm: number,
): { readonly camera: CameraFigures; readonly lens: LensFigures } => {
  const scale = diagonalMm(to) / diagonalMm(from)
  const focal = Math.min(lens.focalTo, Math.max(lens.focalFrom, focalMm)) * scale
  const widest = widestAt(lens, focal / scale)
  return {
    camera: to,
    lens: {
      ...lens,
      id: undefined,
      name: 'a lens that frames the same',
      focalFrom: focal,
      focalTo: focal,
      widestFrom: widest,
      widestTo: widest,
      magnification: lens.magnification === undefined ? undefined : Math.min(1, lens.magnification * scale),
    },
  }
}

/** @example focalWords(763.2) // '763 mm' */
const focalWords = (mm: number): string => `${plain(mm, mm < 1000 ? 3 : 4)} mm`

/** What body, lens and extender frame like. */
export const framingAnswer: Question = r => {
  const { scene, camera, units } = r
  const crop = cropFactor(camera)
  const { extender } = scene
  const same = equivalentOf({ focalMm: scene.focalMm, fNumber: scene.fNumber / extender, extender, crop })
  const angle = angleOfView(diagonalMm(camera), r.frame.imageMm)
  const across = r.frame.widthMm / r.magnification / 1000
  return {
    question: 'framing',
    tone: 'fine',
    verdict: `Frames like ${focalWords(same.focalMm)} on 36 × 24 mm, with the depth of ${fNumberWords(same.fNumber)} there.`,
    figures: [
      figure(
        'crop factor',
        crop,
        plain(crop, 3),
        `diagonal of 36 × 24 mm, 43.3 mm, / ${plain(diagonalMm(camera), 3)} mm`,
      ),
      figure(
        'focal length',
        scene.focalMm * extender,
        `${plain(scene.focalMm * extender, 4)} mm`,
        `${plain(scene.focalMm, 4)} mm × extender ${plain(extender)}`,
      ),
      figure('frames like', same.focalMm, `${focalWords(same.focalMm)}`, 'focal length × extender × crop factor'),
      figure(
        'depth like',
        same.fNumber,
        fNumberWords(same.fNumber),
        'f-number in use × crop factor: same opening, same blur as a share of the frame',
      ),
      figure('angle of view', angle, angleWords(angle), 'across the diagonal, focused at this distance'),
      figure(
        'frame at the subject',
        across,
        `${lengthWords(across, units)} wide`,
        'width of the frame / magnification',
      ),
    ],
    changes:
      extender > 1
        ? [
            `The extender costs ${plain(2 * Math.log2(extender))} stops: the lens opens to ${fNumberWords(r.widestFNumber)}.`,
          ]
        : [],
    cautions: [],
    short: `frames like ${focalWords(same.focalMm)} ${fNumberWords(same.fNumber)}`,
    target: undefined,
  }
}
