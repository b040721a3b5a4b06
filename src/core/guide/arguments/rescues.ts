import { PRACTICE } from '../argument'
import type { When } from '../facts'
import type { Rescue } from '../tips'

/** When it goes wrong: what to try, in this order. */

const QUICK = ['steady', 'sudden'] as const
const FILM = ['video', 'slow-motion'] as const

const rescue = (
  id: string,
  symptom: string,
  remedies: readonly (string | readonly [text: string, dimension: string])[],
  when: readonly When[],
  more: Partial<Pick<Rescue, 'beside' | 'unless'>> = {},
): Rescue => ({
  id,
  symptom,
  remedies: remedies.map(r => (typeof r === 'string' ? { text: r } : { text: r[0], dimension: r[1] })),
  when,
  source: PRACTICE,
  ...more,
})

export const RESCUES: readonly Rescue[] = [
  rescue(
    'grabs-background',
    'It takes what is behind',
    [
      ['A smaller area, on an edge with contrast.', 'area.pattern'],
      ['A short turn of the ring toward you, then AF again.', 'mode.override'],
      'Focus on something in the same plane beside it, then come back.',
    ],
    [
      { pace: ['still'], size: ['small', 'tiny'] },
      { size: ['tiny'], pace: ['slow', 'sudden', 'stop-start'] },
      { background: ['busy'], pace: ['steady'], crossing: ['nobody'] },
    ],
    { unless: { faces: ['several', 'crowd'] } },
  ),
  rescue(
    'far-and-near',
    'Focus sits far behind, and nothing near is found',
    [
      ['Turn the ring toward you until something shows, then AF.', 'mode.override'],
      ['Recall the stored distance.', 'range.preset'],
      ['Cut off what is out of range.', 'range.limit'],
    ],
    [{ background: ['far'], size: ['small', 'tiny'] }],
  ),
  rescue(
    'grabs-front',
    'It takes what is in front',
    [
      ['The smallest point, through the gap.', 'area.pattern'],
      ['Cut off the near range.', 'range.limit'],
      ['Ring or manual, and wait.', 'mode.drive'],
    ],
    [
      { foreground: ['leaves', 'gaps'] },
      { crossing: ['crowd'], output: ['stills'] },
      { foreground: ['glass'], light: ['even'] },
      { foreground: ['glass'], pace: ['slow'] },
    ],
  ),
  rescue(
    'crossed',
    'It goes away with who crosses',
    [
      'Let go while they pass, press again after.',
      ['A longer wait.', 'track.hold'],
      ['A smaller area.', 'area.pattern'],
    ],
    [
      { crossing: ['people', 'things', 'crowd'], output: ['stills'] },
      { blocked: { min: 0.5 }, foreground: ['leaves', 'gaps'] },
    ],
  ),
  rescue(
    'jumps-faces',
    'It jumps to another',
    [
      ['Detection only inside the area, or off.', 'subject.scope'],
      ['Point on the one you want, then press anew.', 'area.pattern'],
      'Wait until they stand apart.',
    ],
    [{ faces: ['two', 'several', 'crowd'], output: ['stills'] }],
  ),
  rescue(
    'falls-off',
    'It slips off the area',
    [
      ['A larger area, or its neighbours.', 'area.pattern'],
      'A shorter focal length, and crop.',
      'Follow it for a while before pressing.',
    ],
    [
      { pace: QUICK, crossing: ['nobody'] },
      { hands: ['first-days', 'learning'], pace: ['slow', 'stop-start'], crossing: ['nobody'] },
    ],
    { unless: { foreground: ['leaves', 'gaps'] } },
  ),
  rescue(
    'overshoots',
    'It runs past when it stops',
    [
      ['A calmer answer to speed.', 'track.response'],
      ['Let go at the stop; press again at the start.', 'trigger.start'],
    ],
    [
      { pace: ['sudden'], output: ['stills'] },
      { motion: ['stop-start'], output: ['stills'] },
    ],
  ),
  rescue(
    'soft-still',
    'Sharp, and then a little soft',
    [
      ['Let go: nothing more is corrected.', 'trigger.start'],
      ['Single AF for what keeps still.', 'mode.drive'],
      'A shorter time: it may have been you.',
    ],
    [{ what: ['people'], faces: ['one'], pace: ['still', 'stop-start'], size: ['half', 'fills'] }],
  ),
  rescue(
    'recompose-lost',
    'Two tones before one picture',
    [
      'It focused twice: the recompose was lost. Keep half-pressed, or let the thumb go.',
      ['AF off the shutter.', 'trigger.shutter'],
      ['Move the point instead.', 'area.direct'],
    ],
    [{ compose: ['recompose'] }, { habit: ['shutter'], pace: ['still', 'stop-start'] }],
  ),
  rescue(
    'no-face',
    'The face is not found',
    [
      ['Open the exposure until it is.', 'meter.bias'],
      ['A point on the edge of face and hair.', 'area.pattern'],
      'Bring light to the eye.',
    ],
    [{ light: ['back'], what: ['people', 'vehicle'] }],
  ),
  rescue(
    'hunts-dark',
    'It hunts and finds nothing',
    [
      ['An edge with contrast in the same plane.', 'area.pattern'],
      ['Manual with peaking.', 'see.peaking'],
      ['The lamp, where all have agreed.', 'see.lamp'],
    ],
    [{ light: ['dark'] }, { light: ['spot'], faces: ['none'] }],
  ),
  rescue(
    'close-sway',
    'Sharp beside what you wanted',
    [
      'Rock slowly to and fro and release as it comes through.',
      ['Focus by hand, at the size you want.', 'mode.drive'],
      'Elbows on the ground or the knee; a beanbag.',
    ],
    [{ distance: ['close'], support: ['hand'] }],
  ),
  rescue(
    'pulsing',
    'It pulses to and fro',
    [
      ['A smaller area: one distance in the box.', 'area.pattern'],
      ['Hold focus once it is right.', 'trigger.stop'],
    ],
    [{ depth: ['layered'] }],
  ),
  rescue(
    'wont-release',
    'It does not release',
    [
      ['The point on an edge with contrast.', 'area.pattern'],
      ['At once for this frame, in focus or not.', 'release.single'],
      'A step back: nearer than the closest focus nothing is found.',
    ],
    [{ pace: ['still', 'slow'], output: ['stills'], distance: ['close', 'near'] }],
  ),
  rescue(
    'lost',
    'It is lost, and focus runs to the end',
    [
      'Let go, aim anew, press again; pressing on only searches further.',
      ['A larger area until it is found again.', 'area.pattern'],
      ['A short turn of the ring toward it.', 'mode.override'],
    ],
    [{ pace: ['slow', 'steady', 'sudden'], output: ['stills', 'slow-motion'] }],
  ),
  rescue(
    'not-sharp',
    'Focus is right, and yet it is not sharp',
    [
      'Stabiliser off, and released without touching the camera.',
      ['Grow the picture and look at it.', 'see.magnify'],
      ['Look whether this lens needs an offset on this body.', 'range.offset'],
    ],
    [
      { support: ['tripod', 'monopod'], pace: ['still', 'slow'] },
      { what: ['place', 'thing'], pace: ['still'] },
    ],
  ),
  rescue(
    'film-hunts',
    'It hunts in the middle of the take',
    [
      ['Freeze it, or pull by hand.', 'video.freeze'],
      ['A smaller area, on one distance.', 'area.pattern'],
      ['Calmer travel, so that it is less seen.', 'video.transition'],
    ],
    [
      { output: FILM, pace: ['still', 'slow'] },
      { output: FILM, distance: ['close'] },
      { output: FILM, what: ['place', 'thing', 'vehicle'] },
      { output: FILM, light: ['dark'] },
    ],
  ),
  rescue(
    'thumb-hurts',
    'The thumb hurts',
    [
      ['Let the shutter follow and freeze with the thumb.', 'trigger.stop'],
      'A break. Pain that stays is for a doctor or a licensed therapist.',
    ],
    [{ session: { min: 90 }, following: { min: 0.5 } }],
  ),
  rescue(
    'nothing-focuses',
    'A guest presses and nothing focuses',
    [['AF back on the shutter.', 'trigger.shutter'], 'The card for handing over.'],
    [{ handed: ['anyone'] }],
  ),
  rescue(
    'air',
    'Nothing is sharp, whatever you do',
    ['The air shimmers: come back early, or go closer.', 'Try the next frame: between two swirls one may be sharp.'],
    [{ distance: ['far'], size: ['tiny', 'small'] }],
  ),
  rescue(
    'film-drifts',
    'Focus wanders off in the take',
    [
      ['Freeze it while somebody passes.', 'video.freeze'],
      ['A longer wait.', 'video.shift'],
      ['A touch brings it back.', 'video.touch'],
    ],
    [{ output: ['video'] }, { output: ['slow-motion'], faces: ['one'] }],
    { unless: { what: ['thing', 'place', 'vehicle'] } },
  ),
]
