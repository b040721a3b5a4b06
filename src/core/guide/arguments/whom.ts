import { type Argument, arguing } from '../argument'

/** Whom the camera looks for. */

const whom = arguing('whom')

const LIVING = ['people', 'animal', 'bird'] as const

export const DETECTING: readonly Argument[] = [
  whom.pro(
    'something it knows',
    'on',
    { what: ['people', 'animal', 'bird', 'vehicle'] },
    'The camera finds it faster than a hand can.',
    { points: 3 },
  ),
  whom.pro(
    'inside what you choose',
    'inside',
    { what: ['people', 'animal', 'bird', 'vehicle'] },
    'Detection helps, and you say where.',
    { points: 1.5 },
  ),
  whom.pro(
    'by hand',
    'off',
    { what: ['people', 'animal', 'bird', 'vehicle'] },
    'Without it the camera takes what is under the point, and nothing else.',
    { points: 0.5 },
  ),
  whom.pro(
    'nothing it knows',
    'off',
    { what: ['thing', 'place'] },
    'There is nothing it would know; it would only take something else.',
    { points: 5 },
  ),
  whom.pro('small life', 'off', { what: ['insect'] }, 'Few cameras know it; the point on the eye is surer.', {
    points: 3,
  }),
  whom.pro(
    'small life, where it is known',
    'on',
    { what: ['insect'] },
    'Some cameras know insects and keep to the head.',
    { points: 1 },
  ),
  whom.con(
    'several faces, whole frame',
    'on',
    { what: LIVING, faces: ['two', 'several', 'crowd'] },
    'With several faces it takes one, and not yours.',
    { points: 3 },
  ),
  whom.pro(
    'everyone is right',
    'on',
    { what: LIVING, faces: ['several', 'crowd'], crossing: ['nobody'] },
    'Whoever it takes is right.',
  ),
  whom.pro(
    'choosing the row',
    'inside',
    { what: LIVING, faces: ['several', 'crowd'], crossing: ['nobody'], pace: ['still'] },
    'Whoever it takes is right, and you choose the row.',
    { points: 1 },
  ),
  whom.pro('guests', 'on', { handed: ['anyone'] }, 'A guest points and presses; the camera has to choose.', {
    points: 4,
  }),
  whom.pro('two faces, inside', 'inside', { what: LIVING, faces: ['two'] }, 'The area says which of the two.', {
    points: 2,
  }),
  whom.pro(
    'several faces, inside',
    'inside',
    { what: LIVING, faces: ['several', 'crowd'] },
    'The area says which of them.',
    {
      points: 2,
    },
  ),
  whom.pro('a crowd, by the point', 'off', { what: LIVING, faces: ['crowd'] }, 'The point alone cannot jump.', {
    points: 3,
  }),
  whom.pro(
    'no face to be seen',
    'off',
    { what: LIVING, faces: ['none'] },
    'No face, nothing to find: it would take the next one that shows up.',
    { points: 4 },
  ),
  whom.con(
    'something crosses, whole frame',
    'on',
    { crossing: ['things', 'people'] },
    'What crosses is found as well.',
    { points: 1.5 },
  ),
  whom.pro(
    'things cross',
    'off',
    { crossing: ['things'] },
    'Covered again and again, it is lost and found somewhere else.',
    { points: 1 },
  ),
  whom.pro(
    'something crosses, inside',
    'inside',
    { crossing: ['things', 'people'] },
    'What crosses outside the area is not looked at.',
    { points: 1 },
  ),
  whom.pro(
    'people cross',
    'off',
    { crossing: ['people'], what: LIVING, faces: ['two', 'several', 'crowd', 'none'] },
    'Players who cross are faces too: it jumps at each.',
    { points: 4 },
  ),
  whom.never(
    'heads in front',
    ['on', 'inside'],
    { crossing: ['crowd'], what: LIVING, faces: ['one', 'several'] },
    'It finds the heads in front.',
  ),
  whom.pro(
    'heads in front, the point',
    'off',
    { crossing: ['crowd'] },
    'Heads in front are nearer and easier to find than whom you want.',
    { points: 5 },
  ),
  whom.pro('dark', 'off', { light: ['dark'] }, 'In the dark nothing is recognised, and the search costs time.', {
    points: 3,
  }),
  whom.con('dark, whole frame', 'on', { light: ['dark'] }, 'In the dark it finds what is lit instead.', { points: 3 }),
  whom.pro('against the light', 'off', { light: ['back'] }, 'A face without light on the eye is not recognised.', {
    points: 3,
  }),
  whom.con(
    'against the light, whole frame',
    'on',
    { light: ['back'] },
    'Against the light it finds what is lit instead.',
    { points: 3 },
  ),
  whom.pro(
    'against the light, helped',
    'inside',
    { light: ['back'], what: ['people', 'vehicle'] },
    'Once the exposure is opened it finds the face where you point.',
    { points: 1 },
  ),
  whom.pro(
    'film in a crowd',
    'inside',
    { crossing: ['crowd'], output: ['video'] },
    'Filming, the face has to be kept through the heads, where you hold the area.',
    { points: 1.5 },
  ),
  whom.pro(
    'film, people pass',
    'inside',
    { output: ['video'], what: ['people'], crossing: ['people'] },
    'A take goes on: the face has to be kept, where you hold the area.',
  ),
  whom.pro(
    'film against the light',
    'inside',
    { light: ['back'], output: ['video'] },
    'A take goes on: the face has to be kept, and the exposure was set for it.',
  ),
  whom.never(
    'through something',
    'on',
    { foreground: ['leaves', 'gaps'] },
    'It takes what is in front, or loses what is half covered.',
  ),
  whom.pro(
    'through something, the point',
    'off',
    { foreground: ['leaves', 'gaps'] },
    'Half covered it is not recognised; the point goes through the gap.',
    { points: 3 },
  ),
  whom.con('through small gaps', ['on', 'inside'], { gap: ['smaller'] }, 'Through such gaps nothing is recognised.', {
    points: 4,
  }),
]
