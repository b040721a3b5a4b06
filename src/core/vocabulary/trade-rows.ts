/**
 * The trade's general words for whole rows of a menu and for the ends of its scales: keys and their work, what is not
 * about focus, yes and no. How a phrase is written is told in language/phrases.ts; a comma parts them.
 *
 * @source common practice, no published source
 */

/** Work that a key can be given, by its dimension; `both` locks exposure and focus, `none` is about no dimension. */
export const KEY_WORK: Readonly<Record<string, string>> = {
  'trigger.start': `
    afon, af start, start af, af drive, af begin, sharpen !stop, start focus*, activate af, focus on, meter* af start,
    focus !hold !lock !stop !mode !area !set !limiter !check !preset !standard !point !distance !off,
    af !mf !area !mode !stop !lock !manual !set !limiter !off !function !regist* !detect* !eye !face !reset !switch* !home
  `,
  'trigger.stop': `
    af stop, stop af, af off, af fix, stop sharpen*, afl, focus hold, hold focus, focus stop, stop focus*, freeze focus, af halt, halt af, retain* focus, keep focus
  `,
  'trigger.second': 'afon eye/face/detect*, af start eye/face/detect*, start af eye/face',
  'trigger.manual':
    'af mf, manual auto* focus, mf toggle, mf on, af manual, mf off, mf switch, af mf select*, mf, af manual switch',
  'trigger.drive': `
    afs afc, oneshot servo, afs servo, single continuous, afs continuous, afc while held, afc hold,
    oneshot continuous, af mode switch, focus mode
  `,
  'trigger.recall': `
    recall custom, regist* af function, regist* af set*, recall set*, recall function, register recall, set recall, recall shoot*, af set recall,
    custom recall
  `,
  'area.cycle': `
    switch area, area select*, area mode, area choice, next area, area set, focus area, af area, frame select*,
    cycle area, af mode, toggle area
  `,
  'area.recall': `
    home, centre point, reset point, return centre, focus standard, registered point, point centre,
    reset focus point, switch registered af point, preset focus point, centre focus point, set point centre,
    frame centre, area centre, move centre, frame to centre, my point, jump* point
  `,
  'subject.toggle': `
    detect* on, detect* off, subject detect*, subject recogni*, switch detect*, toggle detect*, eye detect*,
    recogni*, detect*, recogni*/detect* on off, face detect*, face on off, find* face, face on
  `,
  'subject.cycle': `
    switch/next/change detect* subject/face/eye, switch/next/change subject, eye next, face next, eye switch, switch eye, right left eye, face select*, next face/subject/eye, eye select*, switch face,
    eye right left
  `,
  'range.preset': `
    preset focus !point, preset mf, preset distance, stored distance, recall distance, recall focus position,
    focus distance recall, go preset, memory recall, focus set, distance stored
  `,
  'range.limiter': 'limiter, range limit*',
  'see.enlarge': 'magnif*, zoom on, zoom, focus check, enlarge*, loupe, punch in',
  'see.outline': 'peak*, edge highlight*, colour edge',
  'video.freeze': 'pause af, freeze af, af pause',
  'meter.lock': 'ael, retain* exposure, keep exposure, hold bright*, exposure hold, hold exposure, ae hold',
  both: 'aelafl',
  none: `
    off, none, not set, unassigned, disable*, nothing, not assigned, preview, iso, white balance, wb, menu,
    spot meter*, meter* method, meter* mode, depth field, playback, flash, highlight active, subject track,
    no function
  `,
}

/** Labels of keys, whose options are the work they can be given. */
export const KEY_NAMES = `
  button !shutter, selector press, selector button, pad centre/up/down/left/right, key, fn, fn1, fn2, fn3, c1, c2, c3, c4, joystick press, joystick centre, afon !mf,
  l fn, dial press, assign, custom key, lever press, lens fn, rear fn, front fn, ael button, star button, user 1, user 2, user 3
`

/** Rows that have nothing to do with focus. */
export const ELSEWHERE_PHRASES = `
  tally, false colour, shutter angle, fan, frame rate @movie, teleconverter, iso, white balance, wb, image quality,
  picture quality, image size, raw, jpeg, colour space, colour mode, colour look, picture style, noise reduction,
  noise filter, nr, long exposure, stabili*, is mode, card, slot, file, folder, copyright, date, time zone,
  language, format !film !depth, clean*, sensor clean*, wi fi, wifi, bluetooth, network, battery, power, standby, switch off after,
  auto power, eco, brightness, monitor, lcd, self timer, timer, flash, red eye, bracket* !focus,
  bracketing sequence, exposure step*, aspect, grid, composition line*, centre marker, level !peak*, level gauge,
  electronic level, flicker, mirror, silent, zebra, waveform, log, headphone, microphone, audio level,
  frame rate movie, movie quality, movie self timer, video system, digital zoom, smile, blink, scene,
  operation sound, start up sound, shutter sound, release without card, release card, shutter card,
  release without lens, eye sensor !af, usb, hdmi, gps, firmware, reset !lens !focus !point, picture mode,
  tone curve, dial direction, auto light*, lighting, vignett*, distortion, breathing, record button, max continuous, exposure delay,
  release dial, framing grid, file number*, help, sensor shift, thumbnail, date stamp, max release,
  multiple exposure, limit* burst, interval*, sharpness, contrast !af, saturation, lock buttons, info display, save power, clock
`

/** Rows about focus that nothing in the vocabulary says. */
export const UNNAMED_PHRASES = `
  focus bracket*, focus stack*, focus guide, mf guide, mf assist, limit af, limit area, area limit,
  focus area limit, area regist*, regist* area, auto clear area, magnif* time, magnifier time, auto magnifier,
  focus position save, lens retract, touch zoom, ring lock, focus ring lock,
  illumination finder, finder illumination, point illumination, point lamp !dark, point brightness, status finder, face prior* meter*,
  face meter*, ael shutter, shutter ael, shutter ae, ae lock halfpress, release halfpress, eye sensor af,
  focus check, focus switch body, aelafl mode, aelafl, lock hold, bulb, focus frame movement speed, movement speed,
  show hide af mode, centre weight* area, sensitiv* point select*,
  distance scale, scale unit*, depth scale unit, distance unit, control ring, areas dial, area button skip*,
  focus area tick, target list, af area list, point options, focus pull limiter, speed valid, only af movie,
  lens fn ring, movie af mode !area, release prior* limiter, touch shutter, aperture drive, peak display,
  focus lever, quick control, dial, liveview af, focus breathing, adapted lens, focus indicator, spot select button,
  press joystick, return home, mode list, limit detect*, limit subject, detect* limit, regist* home, choose area, afc mf, afc centre start, electronic front curtain, face prior* !eye !regist*,
  eye detect* !face, animal eye, face detect* af select, metres feet
`

/** Words that make a row likely to be about focus, whatever it says. */
export const FOCUS_WORDS = `
  af, focus*, mf, afs, afc, afa, aff, afon, afl, aelafl, prefocus, track, subject, eye !red, face, peak, magnifier,
  override, servo
`

/** Ends of a scale that say that something is held for long. */
export const LONG =
  'locked, lock, tight, long, delay*, stay*, keep, sticky, tenac*, firm, patient, slow*, hold*, extended, prolong*, reluctant*, tolerant, conservative, persist*, retain*, stubborn, lingering, late'

/** Ends of a scale that say that it is soon let go. */
export const SHORT =
  'responsive, quick*, loose, short, instant*, immediate*, switch, off, fast, rapid*, soon, let*, brief*, eager*, impatient, prompt*, early, react*, readily, sensitive, agile, nervous'

/** Ends of a scale that say that there is much of what the row names. */
export const MUCH = `
  high, strong, fast, quick*, erratic, much, large, accelerat*, responsive, sudden, maximum, react*, considerable, pronounced, lively, vigorous, abrupt*, irregular, uneven, agile,
  intense, big, dynamic
`

/** Ends of a scale that say that there is little of it. */
export const LITTLE =
  'low, weak, slow*, steady, off, none, small, constant, little, minimum, gradual, ignore*, slight*, minor, delicate, smooth, even, regular, gentle, minimal, mild, calm'

/** Yes, whatever it is about. */
export const YES_WORDS = `
  on, yes, y, enable*, allowed, active, show*, always, shown, auto, operative, effective, permit*, emit, used, sound,
  valid, execute, release allowed, include*, possible, use, with, apply, do, present, engage*, visible, display*,
  indicate*, please, ok, permission
`

/** No, whatever it is about. */
export const NO_WORDS = `
  off, no, n, not, disable*, never, none, inactive, hidden, hide, without, inoperative, ignored, ineffective,
  prohibit*, mute, blocked, invalid, forbid*, reject, exclude*, not possible, impossible, dont, unused, refuse*,
  absent, disengage*, conceal*, inhibit*, suppress*, extinguish*, invisible
`
