import { type Argument, arguing } from '../argument'

/** What the shooter sees and hears, and what exposure is tied to. */

const tone = arguing('tone')
const lamp = arguing('lamp')
const review = arguing('review')
const shown = arguing('shown')
const preview = arguing('preview')
const peaking = arguing('peaking')
const magnify = arguing('magnify')
const meter = arguing('meter')
const bias = arguing('bias')
const lock = arguing('light-lock')

export const SEEING: readonly Argument[] = [
  tone.never('not there', 'on', { sound: ['no'] }, 'No sound was agreed on.'),
  tone.pro('not there, silent', 'off', { sound: ['no'] }, 'It is heard, and the place has asked for silence.', {
    points: 4,
  }),
  tone.pro(
    'learning',
    'on',
    { hands: ['learning', 'first-days'] },
    'The ear learns when it is sharp, while the eye learns to follow.',
    { points: 2 },
  ),
  tone.pro(
    'learning, around others',
    'off',
    { hands: ['learning', 'first-days'] },
    'It is heard by others; the finder shows the same.',
    { points: 1 },
  ),
  tone.pro(
    'recomposing',
    'on',
    { compose: ['recompose'], pace: ['still'] },
    'One tone: locked. Two tones: it focused again and the recompose is lost.',
    { points: 1.8 },
  ),
  tone.pro(
    'recomposing, silent',
    'off',
    { compose: ['recompose'], pace: ['still'] },
    'The finder shows the same without a sound.',
    { points: 1 },
  ),
  tone.pro('guests', 'on', { handed: ['anyone'], sound: ['yes'] }, 'A guest hears that it may be pressed.', {
    points: 1,
  }),

  lamp.pro('not there, off', 'off', { lamp: ['no'] }, 'It shines into eyes; the place or the people have not agreed.', {
    points: 4,
  }),
  lamp.never('animals', 'on', { what: ['animal', 'bird', 'insect'] }, 'It startles animals.'),
  lamp.pro('animals, off', 'off', { what: ['animal', 'bird', 'insect'] }, 'It startles animals.', { points: 3 }),
  lamp.pro(
    'agreed, dark and still',
    'on',
    { lamp: ['yes'], light: ['dark'], pace: ['still'] },
    'In the dark it gives AF an edge to find, and all have agreed.',
    { points: 3 },
  ),
  lamp.pro(
    'agreed, and yet',
    'off',
    { lamp: ['yes'], light: ['dark'] },
    'It reaches a few metres only, and shows in reflecting things.',
    { points: 1 },
  ),

  review.never('film', ['off', 'on'], { work: ['film'] }, 'A take is looked at afterwards.'),
  review.pro('moving', 'off', { following: { min: 0.15 } }, 'The picture in the finder hides what happens next.', {
    points: 3,
  }),
  review.pro(
    'learning',
    'on',
    { hands: ['learning', 'first-days'] },
    'A look at every picture teaches faster than a look at home.',
    { points: 1 },
  ),
  review.pro(
    'long waits',
    'on',
    { pace: ['still'], session: { min: 60 } },
    'There is time, and an error would be in every frame.',
    { points: 1.5 },
  ),
  review.pro(
    'long waits, batteries',
    'off',
    { pace: ['still'], session: { min: 60 } },
    'The screen costs battery and the eyes’ night sight.',
    { points: 1 },
  ),

  shown.pro('moving', 'on', { following: { min: 0.15 } }, 'You see at once when it has slipped off.', { points: 1.5 }),

  preview.pro('what will be', 'on', { light: ['spot'] }, 'You see before the frame what burns out.'),
  preview.pro(
    'a bright finder',
    'off',
    { light: ['back'] },
    'A bright finder shows the face that the picture would leave dark, and helps a camera that judges from it.',
    { points: 2.2 },
  ),
  preview.pro('against the light', 'on', { light: ['back'] }, 'You see before the frame what is left of the face.', {
    points: 1.8,
  }),
  preview.pro('dark', 'off', { light: ['dark'] }, 'A dark finder finds nothing, nor does who looks into it.', {
    points: 1.5,
  }),

  peaking.pro('by hand', 'on', {}, 'Whoever focuses by hand sees the edge that is sharp.', {
    beside: { drive: ['manual'] },
  }),
  peaking.pro('close', 'on', { distance: ['close'] }, 'Rocking to and fro you see which edge is sharp.'),
  peaking.pro('dark', 'on', { light: ['dark'] }, 'Where AF gives up, edges can still be seen.'),

  magnify.pro('close', 'on', { distance: ['close'] }, 'Close up only the grown picture tells.'),
  magnify.pro('by hand and still', 'on', { pace: ['still'] }, 'There is time to look closely.', {
    beside: { drive: ['manual'] },
  }),

  meter.usual('matrix', 'Right for most light, and nobody has to think of it.', 1),
  meter.pro(
    'one lit figure',
    'spot',
    { light: ['spot'] },
    'The dark around it would open the exposure until the face burns out.',
    { points: 3.5 },
  ),
  meter.pro(
    'one lit figure, whole stage',
    'highlight',
    { light: ['spot'] },
    'It keeps what is lit, wherever it is in the frame.',
    { points: 3 },
  ),
  meter.pro(
    'one lit figure, with a correction',
    'matrix',
    { light: ['spot'] },
    'With a standing correction it does as well, and does not jump with the point.',
    { points: 0.5 },
  ),
  meter.con(
    'a spot that jumps',
    'spot',
    { light: ['spot'], pace: ['slow', 'stop-start', 'steady', 'sudden'], work: ['film'] },
    'In a film a moving spot makes the exposure pump.',
    { points: 2 },
  ),
  meter.pro(
    'against the light',
    'spot',
    { light: ['back'], what: ['people', 'animal', 'bird', 'vehicle', 'thing'] },
    'The bright surrounding would leave the face dark.',
    { points: 3 },
  ),
  meter.pro(
    'a bright window, all of it',
    'spot',
    { light: ['back'], what: ['place'] },
    'It measures what has to keep its drawing.',
    { points: 0.8 },
  ),
  meter.pro(
    'against the light, corrected',
    'matrix',
    { light: ['back'] },
    'With a standing correction it does as well.',
    { points: 0.5 },
  ),
  meter.pro('it changes', 'highlight', { light: ['changing'] }, 'Whatever the light does, nothing burns out.', {
    points: 1.2,
  }),
  meter.pro(
    'it changes, evenly read',
    'matrix',
    { light: ['changing'] },
    'The whole frame changes least from one to the next.',
    { points: 0.5 },
  ),
  meter.pro(
    'shadows can be lifted',
    'highlight',
    { what: ['place'], depth: ['deep'] },
    'Shadows can be lifted three to four stops; highlights lost beyond two cannot be recovered.',
    { points: 0.8 },
  ),

  bias.usual('none', 'Correct where you see a reason.', 1),
  bias.pro('metered already', 'none', { light: ['spot', 'back'] }, 'The metering has seen to it: twice is too much.', {
    points: 2,
    beside: { meter: ['spot', 'highlight'] },
  }),
  bias.pro(
    'one lit figure',
    'minus',
    { light: ['spot'] },
    'About two thirds of a stop protects what is lit; shadows can be lifted afterwards.',
    { points: 1.5 },
  ),
  bias.pro('against the light', 'plus', { light: ['back'] }, 'An opened exposure lets the face be seen, and found.', {
    points: 1.5,
  }),

  lock.pro('it changes', 'key', { light: ['changing'] }, 'A value once found is held through flicker and flame.'),
]
