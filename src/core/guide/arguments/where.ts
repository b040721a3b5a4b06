import { type Argument, arguing } from '../argument'

/** Where the camera may look. */

const where = arguing('where')
const follow = arguing('follow')
const offered = arguing('offered')
const orientation = arguing('orientation')
const direct = arguing('direct')
const detail = arguing('detail')

const LIVING = ['people', 'animal', 'bird'] as const
const MOVING = ['slow', 'stop-start', 'steady', 'sudden'] as const

export const LOOKING: readonly Argument[] = [
  where.usual('zone', 'Large enough to keep it in, small enough to say where.', 0.5),
  where.never('nothing is looked for', ['wide', 'full'], {}, 'Detection chooses there, and it was taken off.', {
    beside: { whom: ['off'] },
  }),
  where.notFirst('nothing is looked for inside', 'inside', 'It needs detection, which was taken off.', {
    whom: ['off'],
  }),
  where.notFirst('looked for everywhere', 'inside', 'It keeps detection inside, which was left free.', {
    whom: ['on'],
  }),
  where.pro(
    'says who',
    'inside',
    { what: ['people', 'animal', 'bird', 'vehicle'], size: ['half', 'fills'] },
    'The small area says who, detection says where on them.',
    { points: 3 },
  ),
  where.pro(
    'says which of two',
    'inside',
    { what: LIVING, faces: ['two'], size: ['half', 'fills'] },
    'The small area says which of the two.',
  ),
  where.pro(
    'says which, nobody in the way',
    'inside',
    { what: LIVING, faces: ['several'], crossing: ['nobody'], size: ['half', 'fills'] },
    'The small area says which of them.',
    { points: 1.5 },
  ),
  where.pro(
    'film, says who',
    'inside',
    { output: ['video'], what: LIVING, faces: ['one'], size: ['half', 'fills'] },
    'In a take it keeps to whom you hold it on.',
    { points: 1 },
  ),
  where.pro(
    'a small bird, if it is found',
    'inside',
    { what: ['bird', 'animal'], size: ['small'], pace: ['still'], foreground: ['none'] },
    'Where detection finds so small an eye, it aims better than a point.',
    { points: 1.5 },
  ),
  where.pro(
    'says which, small',
    'inside',
    { what: LIVING, faces: ['two', 'several'], size: ['tiny', 'small'] },
    'The small area says who, detection says where on them.',
    { points: 1.5 },
  ),
  where.pro(
    'free view',
    'full',
    { faces: ['one'], crossing: ['nobody'], size: ['half', 'fills'] },
    'One face and nobody in the way: the camera keeps the eye, and your eyes are free for the picture.',
    { points: 5, beside: { whom: ['on'] } },
  ),
  where.pro(
    'a person small in a free view',
    'full',
    { faces: ['one'], crossing: ['nobody'], size: ['small'] },
    'One face and nobody in the way.',
    { points: 2, beside: { whom: ['on'] } },
  ),
  where.pro(
    'empty sky',
    'full',
    { what: ['bird', 'vehicle'], background: ['plain', 'far'], foreground: ['none'], size: ['small', 'half', 'fills'] },
    'With nothing else to take, the camera finds it anywhere.',
    { points: 2.5, beside: { whom: ['on'] } },
  ),
  where.pro(
    'large in an empty sky',
    'full',
    { what: ['bird', 'vehicle'], background: ['plain', 'far'], foreground: ['none'], size: ['half', 'fills'] },
    'With nothing else to take, the camera keeps the eye.',
    { points: 1.5, beside: { whom: ['on'] } },
  ),
  where.pro(
    'several, all of them welcome',
    'wide',
    { faces: ['several'], crossing: ['nobody'] },
    'Whoever it takes is right.',
    { points: 4.4, beside: { whom: ['on'] } },
  ),

  where.pro('tiny', ['point', 'pinpoint'], { size: ['tiny'] }, 'A larger area takes what is behind it.', { points: 3 }),
  where.pro(
    'tiny, still for now',
    ['point', 'pinpoint'],
    { size: ['tiny'], motion: ['still'], pace: ['stop-start', 'sudden'] },
    'Until it goes it keeps still, and the point takes nothing behind it.',
    { points: 1.5 },
  ),
  where.pro(
    'slow, from a tripod',
    ['point', 'pinpoint'],
    { pace: ['slow'], support: ['tripod'] },
    'On a tripod the point can be led along.',
    { points: 1 },
  ),
  where.pro(
    'tiny, and moving',
    'cross',
    { size: ['tiny'], pace: ['slow', 'steady', 'sudden'] },
    'The neighbours catch what slips off the point.',
    { points: 4 },
  ),
  where.pro('small', ['point', 'pinpoint'], { size: ['small'] }, 'The point fits on it with nothing else inside.', {
    points: 1.5,
  }),
  where.pro(
    'it keeps still',
    ['point', 'pinpoint'],
    { pace: ['still'] },
    'What keeps still can be aimed at exactly; a zone takes the background or the nearest thing.',
    { points: 2.5 },
  ),
  where.pro('close', 'pinpoint', { distance: ['close'] }, 'Close up the depth is thinner than a larger area is deep.', {
    points: 5,
  }),
  where.pro(
    'a thing or a place',
    ['point', 'pinpoint'],
    { what: ['thing', 'place'] },
    'You know which spot has to be sharp.',
    {
      points: 1.5,
    },
  ),
  where.pro(
    'through gaps',
    ['point', 'pinpoint'],
    { foreground: ['leaves', 'gaps'] },
    'Only what fits through the gap sees what is behind it.',
    { points: 5 },
  ),
  where.pro(
    'heads in front',
    ['point', 'pinpoint'],
    { crossing: ['crowd'], pace: ['still', 'slow', 'stop-start'] },
    'A larger area takes the heads.',
    { points: 4 },
  ),
  where.pro(
    'heads in front, moving, the point',
    ['point', 'pinpoint'],
    { crossing: ['crowd'], pace: ['steady', 'sudden'] },
    'Who can hold it takes only whom they want.',
  ),
  where.pro(
    'heads in front, moving',
    'cross',
    { crossing: ['crowd'], pace: ['slow', 'steady', 'sudden'] },
    'A larger area takes the heads, and a point falls off.',
    { points: 3.5 },
  ),
  where.pro(
    'two depths in one box',
    ['point', 'pinpoint'],
    { depth: ['layered'] },
    'A larger area holds both and pulses between them.',
    { points: 2 },
  ),
  where.pro(
    'behind glass',
    ['point', 'pinpoint'],
    { foreground: ['glass'], pace: ['still', 'slow'] },
    'A larger area finds reflections and scratches.',
    { points: 4 },
  ),

  where.pro(
    'half the frame, moving',
    'block',
    { size: ['half', 'fills'], pace: MOVING },
    'The block covers head and shoulders while the hand wanders.',
    { points: 3.5 },
  ),
  where.pro(
    'small, moving',
    ['cross', 'block'],
    { size: ['small'], pace: ['slow', 'steady', 'sudden'] },
    'The neighbours catch what slips off the point.',
    { points: 3.5 },
  ),
  where.pro(
    'moving, hard to hold',
    'zone',
    { pace: ['steady', 'sudden'] },
    'What cannot be held on a point stays inside a zone.',
    { points: 1.5 },
  ),
  where.pro(
    'moving slowly, room around',
    'group',
    { pace: ['slow', 'stop-start'] },
    'A small group forgives the hand.',
    { points: 1.5 },
  ),
  where.pro(
    'dark',
    'group',
    { light: ['dark'], pace: ['steady', 'sudden', 'stop-start'] },
    'In the dark a larger area has more edges to find.',
    { points: 5 },
  ),
  where.pro(
    'dark and still',
    'group',
    { light: ['dark'], pace: ['still'], what: ['people', 'animal', 'thing'] },
    'In the dark a larger area has more edges to find.',
    { points: 2 },
  ),
  where.pro(
    'learning, moving',
    'zone',
    { hands: ['learning'], pace: MOVING },
    'A hand that is learning falls off a point; the zone keeps it.',
    { points: 4.2 },
  ),
  where.pro(
    'first weeks, moving',
    'zone',
    { hands: ['first-days'], pace: MOVING },
    'A hand that is learning falls off a point; the zone keeps it.',
    { points: 5 },
  ),
  where.pro(
    'everyone at once',
    'group',
    { faces: ['crowd', 'several'], crossing: ['nobody'], pace: ['still'] },
    'A small group on the front row; depth does the rest.',
    { points: 4.2 },
  ),
  where.con(
    'sudden, whole frame',
    ['wide', 'full'],
    { pace: ['sudden'], background: ['busy'] },
    'The whole frame takes the nearest thing, or what is behind.',
    { points: 3.5 },
  ),
  where.con(
    'busy behind',
    ['wide', 'full'],
    { background: ['busy'], size: ['tiny', 'small', 'half'] },
    'The whole frame takes the nearest thing, or what is behind.',
    { points: 1.5 },
  ),
  where.never(
    'whole frame through gaps',
    ['wide', 'full', 'zone'],
    { foreground: ['leaves', 'gaps'] },
    'The nearest thing is what you shoot through.',
  ),
  where.pro(
    'a gimbal follows',
    'full',
    { support: ['gimbal'], faces: ['one'] },
    'Nobody has a hand free to move an area.',
    { points: 2, beside: { whom: ['on'] } },
  ),
  where.pro('film, one face', 'wide', { output: ['video'], faces: ['one'] }, 'A face that moves about stays inside.', {
    points: 2,
    beside: { whom: ['on'] },
  }),

  follow.never('nothing runs', 'camera', {}, 'Focused once or by hand, nothing follows.', {
    beside: { drive: ['single', 'manual'] },
  }),
  follow.pro(
    'something crosses',
    'hands',
    { crossing: ['things', 'people', 'crowd'] },
    'An area that follows goes away with who crosses.',
    { points: 3 },
  ),
  follow.pro('it keeps still', 'hands', { pace: ['still'] }, 'There is nothing to follow.', { points: 3 }),
  follow.pro(
    'free view',
    'camera',
    { crossing: ['nobody'], pace: MOVING, faces: ['one'] },
    'Nobody is in the way: the camera carries the point with it.',
    { points: 2 },
  ),
  follow.pro(
    'a flight in the open',
    'camera',
    { crossing: ['nobody'], pace: ['steady', 'sudden'], foreground: ['none'], what: ['bird', 'vehicle'] },
    'Nothing is in the way: the camera carries the point with it.',
    { points: 2 },
  ),
  follow.pro('by hand', 'hands', { crossing: ['nobody'], pace: MOVING }, 'The hands stay in charge of what is sharp.', {
    points: 1,
  }),
  follow.pro('nobody has a hand free', 'camera', { support: ['gimbal'] }, 'Nobody has a hand free to move an area.', {
    points: 3,
  }),

  offered.pro(
    'moving and still in turn',
    'two',
    { hands: ['practised'], pace: ['still', ...MOVING] },
    'Two choices can be reached without looking; nine cannot.',
  ),
  offered.pro(
    'learning',
    'two',
    { hands: ['learning', 'first-days'], pace: MOVING },
    'Two choices can be reached without looking.',
    { points: 1 },
  ),
  offered.pro('guests', 'one', { handed: ['anyone'] }, 'A guest cannot end up in an area that nobody knows.', {
    points: 3,
  }),
  offered.pro('first weeks', 'one', { hands: ['first-days'] }, 'One thing at a time.', { points: 2 }),

  orientation.never(
    'it is not turned',
    ['own', 'shared'],
    { support: ['tripod', 'gimbal', 'remote'] },
    'The camera is not turned there.',
  ),
  orientation.pro(
    'moving',
    'own',
    { following: { min: 0.15 } },
    'After turning the camera the point is where the head is, upright and level.',
    { points: 1.5 },
  ),
  orientation.pro(
    'guests',
    'shared',
    { handed: ['anyone'] },
    'A point that jumps when the camera is turned confuses guests.',
    { points: 2 },
  ),

  direct.pro(
    'gaps',
    'direct',
    { foreground: ['leaves', 'gaps'] },
    'A gap closes while another opens: the point has to move at once.',
  ),
  direct.pro('heads', 'direct', { crossing: ['crowd'] }, 'Heads move: the point has to get out of their way at once.'),
  direct.pro('composing by the point', 'direct', { compose: ['move-point'] }, 'Who moves the point moves it all day.'),

  detail.pro(
    'large',
    'eye',
    { size: ['half', 'fills'], what: ['people', 'animal', 'bird'] },
    'So large the eye can be told from the cheek, and the depth is thin.',
    { points: 3 },
  ),
  detail.pro(
    'small',
    'face',
    { size: ['small'], what: ['people', 'animal', 'bird'] },
    'The eye is too small to be found; the face is not.',
    { points: 3 },
  ),
  detail.pro(
    'tiny',
    'body',
    { size: ['tiny'], what: ['people', 'animal', 'bird', 'vehicle'] },
    'Only the body is large enough.',
    { points: 3 },
  ),
  detail.never('nothing is looked for', ['body', 'face', 'eye'], {}, 'Nothing is looked for.', {
    beside: { whom: ['off'] },
  }),
]
