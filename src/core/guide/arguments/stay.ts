import { type Argument, arguing } from '../argument'

/** How it stays with the subject, when the shutter may open, and how near and far it searches. */

const hold = arguing('hold')
const change = arguing('switch')
const response = arguing('response')
const acquire = arguing('acquire')
const first = arguing('first')
const next = arguing('next')
const rate = arguing('rate')
const range = arguing('range')
const reset = arguing('reset')

const STILLS = { output: ['stills'] } as const
const FILM_ONLY = { work: ['film'] } as const
const FILM_HAS_ITS_OWN =
  'While filming the camera goes by the settings for film: how long it waits, how fast it travels.'

export const STAYING: readonly Argument[] = [
  hold.never('film has its own', ['usual', 'stubborn', 'loose'], FILM_ONLY, FILM_HAS_ITS_OWN),
  hold.usual('usual', 'Long enough for a missed aim, short enough for a real change of subject.', 1),
  hold.pro(
    'something crosses',
    'stubborn',
    { crossing: ['things', 'people', 'crowd'] },
    'It has to wait longer than the subject is hidden.',
    { points: 4 },
  ),
  hold.pro(
    'small quick things',
    'usual',
    { crossing: ['things'], blocked: { max: 0.15 } },
    'So short a time is waited for anyway.',
    { points: 1 },
  ),
  hold.pro(
    'in and out of cover',
    'stubborn',
    { foreground: ['leaves', 'gaps'] },
    'Behind cover it is gone again and again.',
    { points: 3 },
  ),
  hold.pro(
    'still behind cover',
    'usual',
    { foreground: ['leaves', 'gaps'], pace: ['still'] },
    'It comes back where it was; only the aim has to be kept.',
    { points: 1 },
  ),
  hold.pro(
    'a missed aim',
    'usual',
    { pace: ['sudden', 'stop-start'], crossing: ['nobody'] },
    'A missed aim is taken up again within a second.',
    { points: 0.5 },
  ),
  hold.pro(
    'whoever comes',
    'loose',
    { faces: ['several', 'crowd'], crossing: ['nobody'], pace: ['stop-start', 'steady', 'sudden'] },
    'Whoever is in the area is right.',
    { points: 2 },
  ),
  hold.pro(
    'drops out of the area',
    'loose',
    { pace: ['sudden'], crossing: ['nobody'], foreground: ['none'] },
    'When it has slipped off, the old distance is wrong: let it look anew.',
    { points: 0.8 },
  ),
  hold.pro(
    'drops, nobody in the way',
    'loose',
    { pace: ['sudden'], crossing: ['nobody'], faces: ['one'], motion: ['still'] },
    'When it has slipped off, the old distance is wrong: let it look anew.',
    { points: 2 },
  ),

  change.never('film has its own', ['stubborn', 'loose'], FILM_ONLY, FILM_HAS_ITS_OWN),
  change.pro(
    'something crosses',
    'stubborn',
    { crossing: ['things', 'people', 'crowd'] },
    'Whoever crosses must not be taken.',
    { points: 3 },
  ),
  change.pro(
    'whoever comes',
    'loose',
    { faces: ['several', 'crowd'], crossing: ['nobody'], pace: ['stop-start', 'steady', 'sudden'] },
    'Whoever is in the area is right.',
  ),

  response.never('film has its own', ['middle', 'calm', 'quick'], FILM_ONLY, FILM_HAS_ITS_OWN),
  response.pro('sudden', 'quick', { pace: ['sudden'] }, 'A start, a stop or a drop has to be believed at once.', {
    points: 4,
  }),
  response.pro('stops and starts', 'quick', { motion: ['stop-start'] }, 'Each start is a sudden change of speed.', {
    points: 2.5,
  }),
  response.pro(
    'stops and starts, in between',
    'middle',
    { motion: ['stop-start'] },
    'Too eager, it runs past at every stop.',
    { points: 1.5 },
  ),
  response.pro(
    'coming on',
    'middle',
    { motion: ['toward'], pace: ['slow', 'steady'] },
    'Coming on, the speed in the picture grows: neither calm nor nervous.',
    { points: 3.5 },
  ),
  response.pro(
    'coming on fast',
    'quick',
    { what: ['animal', 'people'], motion: ['toward'], size: ['half', 'fills'], crossing: ['nobody'], faces: ['one'] },
    'Near and large, every stride changes the distance.',
    { points: 2 },
  ),
  response.pro(
    'predictable',
    'calm',
    { pace: ['slow', 'steady'] },
    'Prediction carries it; eagerness only adds noise.',
    { points: 2.5 },
  ),
  response.pro('still', 'calm', { pace: ['still'] }, 'There is nothing to follow.', { points: 2 }),

  acquire.pro(
    'far behind',
    'fast',
    { background: ['far'], size: ['tiny', 'small'] },
    'The way from the background to it is long.',
  ),
  acquire.pro('sudden', 'fast', { pace: ['sudden'] }, 'It is there only for a moment.', { points: 1.5 }),
  acquire.pro('dark', 'calm', { light: ['dark'] }, 'In the dark a fast drive runs past and starts again.', {
    points: 2,
  }),

  first.pro(
    'moving',
    'balanced',
    { following: { min: 0.15 }, ...STILLS },
    'A moment’s confirmation is worth one frame; more is not.',
    { points: 2 },
  ),
  first.pro('still', 'focus', { pace: ['still'], ...STILLS }, 'There is time, and a soft frame is worth nothing.', {
    points: 4,
  }),
  first.pro('close', 'focus', { distance: ['close'], ...STILLS }, 'Close up nearly in focus is out of focus.', {
    points: 3,
  }),
  first.pro(
    'sudden',
    'release',
    { pace: ['sudden'], ...STILLS },
    'The moment does not come back; a slightly soft frame beats none.',
    { points: 4 },
  ),
  first.pro(
    'sudden, sharp or not at all',
    'focus',
    { pace: ['sudden'], ...STILLS },
    'Who throws soft frames away may as well wait for the sharp one.',
    { points: 2 },
  ),
  first.pro('heads in front', 'release', { crossing: ['crowd'], ...STILLS }, 'The gap is open only for a moment.', {
    points: 3,
  }),
  first.pro(
    'heads in front, sharp or not at all',
    'focus',
    { crossing: ['crowd'], ...STILLS },
    'What is in front may have taken focus: then the frame is lost anyway.',
    { points: 1.5 },
  ),
  first.pro(
    'steady, sharp or not at all',
    'focus',
    { pace: ['steady'], ...STILLS },
    'It comes past long enough to wait for the sharp frame.',
    { points: 1 },
  ),

  next.pro(
    'moving',
    'balanced',
    { following: { min: 0.15 }, ...STILLS },
    'A rate that is kept and frames that are sharp, in turn.',
  ),
  next.pro(
    'sudden',
    'release',
    { pace: ['sudden'], ...STILLS },
    'The rate must not break in the middle of the movement.',
    { points: 2.2 },
  ),
  next.pro(
    'steady, only sharp ones',
    'focus',
    { pace: ['slow', 'steady'], ...STILLS },
    'Fewer frames, all of them sharp.',
    { points: 1 },
  ),

  rate.pro('still', 'few', { pace: ['still'], ...STILLS }, 'Every frame is the same; three give a choice of blinks.', {
    points: 3,
  }),
  rate.pro(
    'predictable',
    'some',
    { pace: ['slow', 'stop-start', 'steady'], ...STILLS },
    'Enough to choose the best moment of a step.',
    { points: 2 },
  ),
  rate.pro(
    'sudden',
    'many',
    { pace: ['sudden'], ...STILLS },
    'The top of the movement lasts a few hundredths of a second.',
    { points: 3 },
  ),
  rate.pro('heads in front', 'many', { crossing: ['crowd'], ...STILLS }, 'Of many some are taken through the gap.', {
    points: 1.5,
  }),
  rate.pro(
    'coming on',
    'many',
    { motion: ['toward'], ...STILLS },
    'From frame to frame the distance changes; of many some are sharp.',
    { points: 2.5 },
  ),

  range.pro(
    'distances known',
    'limit',
    { nearest: { min: 0.01 }, farthest: { min: 0.01 } },
    'What cannot be there is not searched: the way back from a wrong thing is short.',
    { points: 3 },
  ),
  range.pro(
    'nothing near in the open',
    'limit',
    { distance: ['far'], what: ['bird', 'animal', 'vehicle'], pace: ['steady', 'sudden'] },
    'Far away the near range only costs time when it is lost.',
    { points: 2.5 },
  ),
  range.pro(
    'far, as it comes',
    'limit',
    { distance: ['far'] },
    'Far away the near range only costs time when it is lost.',
    { points: 0.5 },
  ),
  range.pro(
    'it may come near',
    'full',
    { distance: ['near', 'middle', 'far'] },
    'A limiter that was forgotten loses what comes near.',
    { points: 1.5 },
  ),
  range.pro(
    'in front of cover',
    'limit',
    { foreground: ['leaves', 'gaps', 'glass'] },
    'With the near range cut off, what is in front cannot be taken.',
    { points: 1 },
  ),
  range.pro(
    'swinging to and fro',
    'limit',
    { motion: ['toward'], distance: ['middle'] },
    'Its way is known from the first passage.',
    { points: 0.8 },
  ),

  reset.pro(
    'far places',
    'infinity',
    { what: ['place'], distance: ['far'] },
    'What is far is in focus as soon as it is switched on.',
    { points: 1.5 },
  ),
  reset.pro(
    'in use',
    'stay',
    { pace: ['still', 'slow', 'stop-start', 'steady', 'sudden'] },
    'After switching on it is still near the subject, not at the horizon.',
  ),
]
