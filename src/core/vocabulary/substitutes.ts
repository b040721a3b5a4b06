import { typicalArea } from './typical'
import type { NeutralValue } from './values'

/**
 * How people get a behaviour on a body that has no setting for it: what they set instead, and what that costs.
 *
 * @source common practice, no published source
 */
export interface Substitute {
  readonly how: string
  readonly costs: string
  /** What has to be set; where a body cannot, the way is closed on it. Empty for ways that need only the hands. */
  readonly uses: readonly { readonly dimension: string; readonly value: NeutralValue }[]
}

const way = (how: string, costs: string, ...uses: readonly (readonly [string, NeutralValue])[]): Substitute => ({
  how,
  costs,
  uses: uses.map(([dimension, value]) => ({ dimension, value })),
})

const THUMB = { place: 'thumb-upper-right' } as const
const METERS_ONLY = ['trigger.shutter', 'meters-only'] as const
const AF_ON_THUMB = ['trigger.start', THUMB] as const

const SMALL_POINT = ['area.pattern', typicalArea('point')] as const
const ZONE = ['area.pattern', typicalArea('zone')] as const

export const SUBSTITUTES: Readonly<Record<string, readonly Substitute[]>> = {
  'trigger.start': [
    way(
      'Let the shutter start AF and hold focus with a thumb button.',
      'The thumb is pressed while focus should stay, not while it should follow.',
      ['trigger.shutter', 'starts-af'],
      ['trigger.stop', THUMB],
    ),
  ],
  'trigger.stop': [
    way(
      'Take AF off the shutter and give it to the thumb: letting go holds focus.',
      'The thumb is pressed for as long as the subject moves.',
      METERS_ONLY,
      AF_ON_THUMB,
    ),
    way('Switch to manual focus while focus should stay.', 'Two presses instead of one, and easily forgotten.', [
      'trigger.manual',
      THUMB,
    ]),
  ],
  'trigger.second': [
    way(
      'Shorten the list of areas to two and walk between them with the area button.',
      'A look at the screen and a press for each change.',
      ['area.offered', [typicalArea('point'), typicalArea('zone')]],
    ),
  ],
  'trigger.manual': [
    way('Let the ring work after AF.', 'AF takes over again at the next press.', ['mode.override', true]),
  ],
  'trigger.shutter': [
    way('Hold focus with a button while the shutter is pressed.', 'One finger more for every picture.', [
      'trigger.stop',
      THUMB,
    ]),
  ],
  'trigger.drive': [
    way(
      'Continuous AF with a thumb button: letting go is the lock.',
      'The thumb has to know.',
      METERS_ONLY,
      AF_ON_THUMB,
    ),
  ],
  'trigger.recall': [way('Store the settings in a memory slot.', 'A turn of the dial instead of a press.')],
  'trigger.pad': [way('Move the area with the stick.', 'A press for each step.', ['area.direct', true])],
  'trigger.magnified': [way('Focus by hand while the picture is enlarged.', 'Slower.', ['mode.override', true])],
  'mode.aperture': [way('Open the aperture, focus, and close it again.', 'Two turns of a dial for each subject.')],
  'ring.response': [way('Turn the ring slowly for the last bit.', 'A practised hand.')],
  'ring.direction': [way('Mark near on the ring.', 'The hand still has to think.')],
  'area.start': [
    way('Place the area on the subject before following begins.', 'A moment more.', ['area.direct', true]),
  ],
  'subject.toggle': [
    way('Change what it looks for in the menu.', 'A look at the screen and several presses.', ['subject.class', 'off']),
  ],
  'track.search': [
    way('Turn the ring near the subject before AF starts.', 'A hand on the ring.', ['mode.override', true]),
  ],
  'range.stored': [
    way('Focus by hand to the mark before and leave it there.', 'No AF until then.', ['mode.drive', 'manual']),
  ],
  'range.limiter': [way('The limiter on the lens, where it has one.', 'A hand leaves the grip.')],
  'video.area': [way('Frame so that the subject is where AF looks.', 'Framing follows focus.')],
  'video.subject': [way('Tap the subject before filming.', 'A hand leaves the grip.', ['video.touch', 'track'])],
  'mode.drive': [way('Focus by hand.', 'Slower, and needs an eye on the finder.', ['mode.override', true])],
  'mode.override': [
    way('Put the AF and manual switch on a button.', 'A press before and after each turn of the ring.', [
      'trigger.manual',
      THUMB,
    ]),
  ],
  'area.pattern': [way('Keep the subject in the area this body has.', 'Framing follows focus.')],
  'area.follow': [
    way(
      'A zone in which the camera picks, in continuous AF.',
      'Nothing follows beyond the zone; whatever comes nearest may take over.',
      ZONE,
      ['mode.drive', 'continuous'],
    ),
    way(
      'Keep the point on the subject by moving the camera.',
      'Needs a steady hand; nothing is lost by the camera’s choice.',
      SMALL_POINT,
      ['mode.drive', 'continuous'],
    ),
  ],
  'area.inside': [
    way('A smaller area, so that there is less to choose from.', 'The subject has to be kept inside it.', [
      'area.pattern',
      typicalArea('block'),
    ]),
  ],
  'area.recall': [
    way('Move the area back by hand.', 'A look at the frame and several presses.', ['area.direct', true]),
  ],
  'area.cycle': [
    way(
      'Shorten the list of areas to the two in use, so that the menu is soon walked.',
      'A look at the screen for each change.',
      ['area.offered', [typicalArea('point'), typicalArea('zone')]],
    ),
  ],
  'see.outline': [way('Leave peaking on.', 'Coloured edges also while AF works.', ['see.peaking', 'low'])],
  'subject.cycle': [
    way('Tap the subject that is meant on the screen.', 'A hand leaves the grip.', ['trigger.touch', 'track']),
  ],
  'see.enlarge': [
    way('Let the ring start the magnifier.', 'Only while focusing by hand.', [
      'see.magnify',
      { factor: 5, seconds: 5, onRingTurn: true },
    ]),
  ],
  'area.home': [
    way(
      'Leave the point in the middle and recompose.',
      'The plane of focus shifts a little when the camera turns.',
      SMALL_POINT,
    ),
  ],
  'area.orientation': [
    way('Move the point after each turn of the camera.', 'A few presses each time.', ['area.direct', true]),
  ],
  'area.offered': [
    way('Store the two areas in use in memory slots.', 'A slot each, and everything else in them changes too.'),
  ],
  'area.direct': [
    way('Fewer points, so that each press carries further.', 'Coarser placing.', ['area.points', 'reduced']),
  ],
  'area.points': [way('A larger step for each press.', 'Points in between are skipped.', ['area.step', 'coarse'])],
  'area.step': [
    way('Fewer points, so that each press carries further.', 'Coarser placing.', ['area.points', 'reduced']),
  ],
  'subject.class': [
    way(
      'A small area on the face, kept there by hand.',
      'The person aims; nothing looks for the subject.',
      SMALL_POINT,
    ),
  ],
  'subject.detail': [way('A small point on the eye.', 'Needs a still subject or a steady hand.', SMALL_POINT)],
  'subject.eye': [
    way('A small point on the eye that matters.', 'Detection is not used.', SMALL_POINT, ['subject.class', 'off']),
  ],
  'subject.scope': [
    way('Switch detection off where it takes the wrong person.', 'The person aims.', ['subject.class', 'off']),
  ],
  'subject.registered': [way('A small area on the person who matters.', 'The person aims.', SMALL_POINT)],
  'track.hold': [
    way('Freeze focus with a button while something is in front.', 'The thumb has to know; nothing holds by itself.', [
      'trigger.stop',
      THUMB,
    ]),
    way(
      'Give AF to the thumb and let go while something is in front.',
      'Nothing follows while the thumb is off.',
      METERS_ONLY,
      AF_ON_THUMB,
    ),
    way('A small area, so that fewer things get in front of it.', 'Falls off the subject sooner.', SMALL_POINT),
  ],
  'track.response': [
    way('A longer or shorter hold has part of the effect.', 'It also changes how obstacles are treated.', [
      'track.hold',
      0.6,
    ]),
  ],
  'track.switch': [
    way('A smaller area, so that there is nothing to switch to.', 'The subject has to be kept inside it.', SMALL_POINT),
    way('A longer or shorter hold has part of the effect.', 'It also changes how obstacles are treated.', [
      'track.hold',
      1.2,
    ]),
  ],
  'track.acquire': [
    way('Set the distance roughly by hand first.', 'A turn of the ring before each subject.', ['mode.override', true]),
  ],
  'release.single': [
    way('Wait for the mark of focus before pressing.', 'The camera does not wait for you.', ['see.area', true]),
  ],
  'release.first': [
    way('Half-press and wait for the mark of focus.', 'The camera does not wait for you.', ['see.area', true]),
  ],
  'release.next': [way('Shorter runs, each with a new first frame.', 'Fewer frames.', ['release.first', 'focus'])],
  'release.rate': [way('Single presses in rhythm.', 'Fewer frames.')],
  'release.refocus': [
    way('A lower frame rate at which it does.', 'Fewer frames.', ['release.rate', 5]),
    way('Shorter runs, each focused anew.', 'Gaps between the runs.', ['release.first', 'focus']),
  ],
  'release.remeter': [
    way('Exposure by hand, measured before.', 'It does not follow the light.'),
    way('A lower frame rate at which it does.', 'Fewer frames.', ['release.rate', 5]),
  ],
  'release.shutter': [way('A lower frame rate, where the shutter goes with it.', 'Fewer frames.', ['release.rate', 5])],
  'range.limit': [
    way('Store a distance and call it when focus is lost far away.', 'One distance only.', [
      'range.preset',
      { place: 'index-front' },
    ]),
    way('Turn the ring near the subject before AF starts.', 'A hand on the ring.', ['mode.override', true]),
    way('The limiter on the lens, where it has one.', 'It works for this lens only.'),
  ],
  'range.preset': [
    way('Focus by hand to the mark before and leave it there.', 'No AF until it is switched back.', [
      'mode.drive',
      'manual',
    ]),
  ],
  'range.reset': [way('Turn the ring to infinity before switching off.', 'Easily forgotten.')],
  'range.offset': [
    way('Prefer the live picture to the finder, where there is both.', 'Slower on bodies with a mirror.'),
  ],
  'see.peaking': [
    way('Enlarge the picture for manual focus.', 'The rest of the frame is out of sight.', [
      'see.magnify',
      { factor: 5, seconds: 'until-released', onRingTurn: false },
    ]),
  ],
  'see.magnify': [
    way('Colour the edges that are sharp.', 'Less exact than an enlarged picture.', ['see.peaking', 'mid']),
  ],
  'see.exposure': [way('Look at the picture afterwards.', 'One frame late.', ['see.review', true])],
  'see.tone': [way('Watch the area frame light up.', 'An eye on it.', ['see.area', true])],
  'video.continuous': [way('Focus by hand while filming.', 'A practised hand.', ['mode.drive', 'manual'])],
  'video.assist': [
    way('Switch to manual with a button, turn, switch back.', 'Two presses for each correction.', [
      'trigger.manual',
      THUMB,
    ]),
  ],
  'video.touch': [
    way('Move the area with the stick and let AF pull.', 'Slower, and the camera shakes a little.', [
      'area.direct',
      true,
    ]),
  ],
  'video.transition': [way('Rack by hand.', 'A practised hand, or a marked ring.', ['mode.drive', 'manual'])],
  'video.shift': [
    way('Freeze focus with a button while somebody crosses.', 'The thumb has to know.', ['video.freeze', THUMB]),
  ],
  'video.freeze': [
    way('AF stop on a thumb button, where it works while filming.', 'Try it before the day.', ['trigger.stop', THUMB]),
  ],
  'meter.follows': [
    way(
      'Hold exposure with a button after metering on the subject.',
      'One press more for each change of light.',
      ['meter.pattern', 'spot'],
      ['meter.lock', THUMB],
    ),
  ],
  'meter.lock': [way('A standing correction of exposure.', 'It stays until it is taken back.', ['meter.bias', -0.7])],
  'meter.pattern': [way('A standing correction of exposure.', 'It does not follow the light.', ['meter.bias', -0.7])],
  'meter.bias': [way('Hold exposure on something darker or brighter.', 'Guesswork.', ['meter.lock', THUMB])],
}
