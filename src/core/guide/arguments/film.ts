import { type Argument, arguing } from '../argument'

/** Focus on film: who drives it, how fast it travels, how long it waits. */

const run = arguing('video-run')
const rack = arguing('rack')
const shift = arguing('shift')
const touch = arguing('video-touch')
const assist = arguing('assist')

const FILM = ['video', 'slow-motion'] as const

export const FILMING: readonly Argument[] = [
  run.pro('it follows', 'auto', { output: FILM }, 'It follows a face better than a hand that also frames.', {
    points: 3,
  }),
  run.pro(
    'a travel that is meant',
    'hand',
    { output: FILM },
    'The hand decides when and how fast; nothing is found by mistake.',
    { points: 1 },
  ),
  run.pro('dark', 'hand', { output: FILM, light: ['dark'] }, 'In the dark it hunts, and every hunt is on film.', {
    points: 3,
  }),
  run.pro('close', 'hand', { output: FILM, distance: ['close'] }, 'Close up it pulses between two edges.', {
    points: 4,
  }),
  run.pro('nothing to find', 'hand', { output: FILM, what: ['place'] }, 'Set once, it stays for the whole pan.', {
    points: 4,
  }),
  run.notFirst('by hand already', 'auto', 'Focus is set by hand there.', { drive: ['manual'] }),
  run.con('learning, by hand', 'hand', { hands: ['learning', 'first-days'] }, 'Pulling focus by hand takes months.', {
    points: 3,
  }),

  rack.pro('calm', 'calm', { output: ['video'] }, 'About a second: the eye goes along, and nobody sees the camera.', {
    points: 2,
  }),
  rack.pro(
    'quick things',
    'fast',
    { output: ['video'], motion: ['toward'], crossing: ['things', 'nobody'] },
    'What comes on is past before calm travel has arrived.',
    { points: 1 },
  ),
  rack.pro(
    'slow motion',
    'fast',
    { output: ['slow-motion'] },
    'Slow motion stretches the travel as well: at 100 frames a second shown at 25 it takes four times as long.',
    { points: 4 },
  ),

  shift.pro(
    'usual',
    'usual',
    { output: ['video'] },
    'Long enough for somebody to turn round, short enough for a change that is meant.',
    { points: 1.5 },
  ),
  shift.pro(
    'usual, nothing else said',
    'usual',
    { output: ['video'], crossing: ['things'] },
    'What is held up to the camera has to be found.',
    { points: 3 },
  ),
  shift.pro(
    'people pass',
    'stubborn',
    { output: ['video'], crossing: ['people', 'crowd'] },
    'Whoever passes must not take focus along.',
    { points: 3 },
  ),
  shift.pro(
    'things pass',
    'stubborn',
    { output: ['video'], crossing: ['things'] },
    'What passes must not take focus along.',
    { points: 2 },
  ),
  shift.pro(
    'two in the picture',
    'stubborn',
    { output: ['video'], faces: ['two'] },
    'Focus must not go to the other before you say so.',
    { points: 2 },
  ),
  shift.pro(
    'in cover',
    'stubborn',
    { output: ['video'], foreground: ['leaves', 'gaps'] },
    'Every leaf would take focus along.',
    { points: 3 },
  ),

  touch.pro('follow', 'track', { output: FILM }, 'One touch, and it stays with it.', { points: 1.5 }),
  touch.pro(
    'several to choose from',
    'rack',
    { output: FILM, faces: ['two', 'several'] },
    'A touch goes from one to the other, at the speed that was set.',
    { points: 2.5 },
  ),
  touch.pro(
    'held up to the camera',
    'rack',
    { output: FILM, crossing: ['things'], blocked: { min: 1 } },
    'A touch goes to what is shown, and back.',
    { points: 2 },
  ),

  assist.pro('film', 'on', { output: ['video'] }, 'A turn of the ring corrects without ending AF.'),
]
