/**
 * The trade's general words, as menus use them: phrases that name a dimension, and phrases that name its values. No
 * maker's own word is here. How a phrase is written is told in language/phrases.ts; a comma parts them.
 *
 * @source common practice, no published source
 */
export interface TradeWords {
  /** Phrases that name the dimension whatever else could be meant. `=> a b` says what yes and no stand for. */
  readonly names: string
  /** Phrases that may name it: the options have to bear it out. */
  readonly hints?: string
  readonly values?: Readonly<Record<string, string>>
  /** Three or more of its values tell it without a name. */
  readonly telling?: true
  /** Whatever names it, not in rows that say this. */
  readonly not?: string
  /** It is only meant in rows about filming. */
  readonly film?: 'only'
}

const OFF = 'off, none, no, nothing, nobody, disable*, deactivate*, inactive, never'
const READINESS = {
  release:
    'release, release priority, speed, shutter, any moment, unconditional*, even unsharp, any time, at once, immediate, as soon press*, soon, allowed !not',
  balanced: 'balance*, balanced, equal, even, auto, focus release',
  focus:
    'focus, af, only focused, focus priority, sharp, not allowed, in focus, when focused, once sharp, confirmed, after focus*',
}
const BETWEEN_FRAMES = {
  true: 'each frame, every, every frame, every picture, on, follow*, track',
  false: 'first frame fixed, first fixed, first only, first picture, first !each, off, lock*, fixed',
}
const CLASSES = {
  off: OFF,
  automatic: 'auto, automatic, any subject, anything',
  people: 'people, person, human*, face !bird, portrait, faces',
  animals: 'animal !bird, dog/cat, pet*, mammal*',
  birds: 'bird !animal',
  vehicles: 'vehicle*, car !train, motor*, automobile*, bike*, motorsport*',
}

export const TRADE_WORDS: Readonly<Record<string, TradeWords>> = {
  'trigger.shutter': {
    names: `
      af shutter => starts-af meters-only, shutter button af => starts-af meters-only,
      halfpress !stabili* !image !lock !ael !release => starts-af meters-only,
      halfpress shutter => starts-af meters-only, af halfpress => starts-af meters-only,
      af release halfpress => starts-af meters-only, shutter half => starts-af meters-only,
      af activation => starts-af meters-only, af activated by => starts-af meters-only, back button focus/af => meters-only starts-af,
      af start shutter => starts-af meters-only, half shutter => starts-af meters-only,
      shutter button !lock !af !sound, focus* release button => starts-af meters-only,
      focus* with shutter => starts-af meters-only, start focus* shutter => starts-af meters-only,
      afon only !button => meters-only starts-af, af start !button !afon
    `,
    values: {
      'starts-af':
        'include*, linked !not, coupled, together, combined, af !only, focus* meter*, meter* af, af start, shutter afon, focus* !hold !lock',
      'meters-only': `
        meter* !af !focus*, meter* only, only meter*, exposure only, afon only, meter* start !af, ae, ae !af, exclude*,
        not linked, separate*, decouple*, uncoupled, apart
      `,
      'holds-focus': 'hold* focus, focus hold, afl',
    },
  },
  'trigger.touch': {
    names: `
      touch function, touch screen, screen touch/tap, touch operation, touch mode, touch* screen, tap* screen,
      touch !movie af/shoot* mode
    `,
    hints: 'touch !pad !zoom',
    values: {
      off: OFF,
      'move-area': 'move* area/point/frame, area, point, select area/point, move*',
      focus: 'focus, af, touch focus/af, focus*',
      'focus-and-release': `
        shutter, release, shoot*, af shutter, focus shoot*/release/picture/shutter, touch shutter, shot,
        touch af shutter, af and shutter, take picture
      `,
      track: 'track*, follow*',
    },
  },
  'trigger.instant': {
    names: 'afon mf, instant af, af button mf, af start manual, afon manual',
    values: {
      single: 'single, afs, once',
      continuous: 'continuous, afc, servo',
    },
  },
  'trigger.prefocus': {
    names: `
      prefocus, preview af, quick af, continuous af liveview, before shutter press*, before press*, start af eye,
      full time af !movie, aff !movie !liveview, ahead press*, finder raised, af finder raised, before shoot* !sharp
    `,
    hints: 'continuous af !movie, afc liveview, constant af',
  },
  'trigger.pad': {
    names: 'touch pad, touchpad, touch drag, finder touch, touch finder, af pad, area pad touch',
  },
  'trigger.magnified': {
    names: 'af magnif*, af enlarge*, af zoomed',
  },
  'ring.response': {
    names: `
      focus ring response, ring response focus, focus ring control, focus ring operation, ring linear*,
      mf ring response
    `,
    hints: 'focus ring, ring',
    telling: true,
    values: {
      linear: 'linear !non, proportional, constant, fixed',
      'by-speed': 'non linear, nonlinear, by speed, speed, variable, progressive, adaptive, dynamic, accelerat*',
    },
  },
  'ring.direction': {
    names: 'focus ring direction, ring rotation, focus rotation, ring direction, ring turn*',
    hints: 'focus ring, ring',
    values: {
      'clockwise-near': 'clockwise near, near right, right near',
      'anticlockwise-near': 'anticlockwise near, counterclockwise near, near left, left near',
    },
  },
  'mode.drive': {
    names: `
      focus mode, af mode, af operation, focus operation, focus drive, drive select af, af drive,
      focus method drive, when focus*, focus* when, mode focus*, how focus*, how camera focus*
    `,
    hints: 'drive, af !area, focus, mode, af drive',
    not: 'drive mode !af !focus*, point select*, mode list, with mf',
    values: {
      single: `
        single, afs, oneshot, one shot, once, override, single af, one time, focus* once, s, still, stationary, static,
        still subject, individual*, s mf
      `,
      continuous: `
        continuous*, all time, afc, servo !auto, predictive, track, afc track, follow*, keep focus*, keep* focus*, c,
        moving, moving subject, move*, permanent*, constant*, repeated*, c mf
      `,
      automatic:
        'afa, auto, automatic, select* camera, chosen camera, camera choose*, intelligent, mixed, decide*, auto switch*, servo auto, hybrid, switch* itself, by itself',
      manual: 'manual*, mf, m, hand, you focus',
      'preset-distance': 'preset, preset mf, stored distance, fixed distance',
    },
    telling: true,
  },
  'mode.override': {
    names: `
      override, mf after af, electronic mf, manual touch up, ring af use !movie, focus ring af !movie !assist,
      ring during af !movie, ring after af, ring override, mf ring af, touch up af, mf lens oneshot, manual ring af,
      use ring af, electronic override, focus ring autofocus, refocus ring, ring refocus, ring after afs,
      refocus manual, manual adjust* af, manual adjust* follow, manual correct* af, focus ring correct*,
      ring correct* af, correct* ring !movie, af ring !movie, ring after af lock, af with mf
    `,
    values: {
      true: 'after, always, take* over, enable*, on, work*',
      false: 'ignored, off, disable*, inactive, lock*',
    },
  },
  'mode.aperture': {
    names: 'aperture focus*, aperture af, focus* aperture, stopped down af',
    values: {
      'wide-open': 'open, wide open, full aperture, maximum, focus* speed, speed prior*, focus prior*',
      working: 'as set, set, working, stopped down, shooting aperture, as chosen, actual, taking aperture, silent',
      automatic: 'auto, automatic, normal, standard',
    },
  },
  'area.pattern': {
    names: `
      af area, focus area, af area mode, area type, af method, focus* method, area select*, focus point size,
      af area size, size area, kind area, af target mode, af point size, area mode, af mode area, focus* area size,
      size point, part picture focus, part focus, where focus, area to focus, frame size, af frame
    `,
    hints: 'af mode, autofocus mode, area, af point, focus mode, frame select*',
    not: `
      choose from, list, chosen,
      limit*, list, selectable, number, colour, display, show*, shown, register*, clear, delete, button, move*,
      movement, step, turned, edge, sensitiv*, orient*, wrap, pointer, drive, loop, home, interlock, vertical,
      horizontal, switch*, track* from, auto point
    `,
    telling: true,
  },
  'area.follow': {
    names: `
      track area, follow area, area track, track from, follow from, follow across, track frame, area follow subject,
      subject track => from-start-point off, track subject => from-start-point off,
      follow subject => from-start-point off, subject follow => from-start-point off, follow through,
      track => from-start-point off
    `,
    not: 'show*, shown, display, sensitiv*, hold',
    values: {
      off: `${OFF}, not`,
      'from-start-point': 'from, start, selected, on, enable*, chosen',
      automatic: 'auto, automatic, free*, anything',
    },
  },
  'area.inside': {
    names: `
      zone area switch*, zone prior*, zone prefer*, prefer* zone, prefer* inside, inside zone, inside area prior*,
      area prior*, select* zone, pick* zone, zone select* who, who select*, centre priority
    `,
    hints: 'zone, inside',
    values: {
      centre: 'centre, middle, centre first',
      automatic: 'auto, automatic, camera, any',
      nearest: 'near*, front, close*',
    },
  },
  'area.start': {
    names: `
      initial point, starting area, start area follow*, starting point, initial area, start point track,
      initial track point
    `,
    values: {
      own: 'own, initial point select*, point set, separate, set track',
      shared: 'same, shared, carried over, as set, carry over, current',
      automatic: 'auto, automatic, camera',
    },
  },
  'area.home': {
    names: 'home position, rest* position, home area position, home point, area home',
  },
  'area.orientation': {
    names: `
      orient*, vertical horizontal, vert hor, vertical/horizontal af/point/area, camera turned, portrait point,
      upright point/area, point turned, portrait area, point vertical, vertical position, upright, turned upright,
      vertical point
    `,
    values: {
      shared: 'same, shared, off, same both, no, common, same spot, together',
      point: `
        point !same, separate point, point only, own, separate*, area only, focus area only, individual, own spot
      `,
      'point-and-pattern': `
        point area, area point, point mode, separate point area, area and, both, point pattern, point size,
        spot size, and size
      `,
    },
  },
  'area.wrap': {
    names: `
      wrap*, loop*, circulat*, point edge, area edge, runs edge, point select* pattern, edge other side, other edge,
      selection pattern point, beyond end, beyond edge, frame beyond, beyond screen
    `,
    values: {
      true: `
        wrap !no, continuous, circulate !not, loop, goes round, round, yes, on, via all, other edge, enable*,
        opposite side, other side, opposite, reappear*, roll* !not !no, endless, cyclic, cross*
      `,
      false: 'stop*, halt*, stay*, end*, no wrap, not, no, off, disable*, does not',
    },
  },
  'area.chooser': {
    names: 'who picks, who chooses, point chosen by, point picked by, target chosen by',
    hints: 'point select*, area select*',
    values: {
      operator: 'manual*, hand, me, operator, photographer, user, free, myself',
      camera: 'auto, automatic, camera, body, itself',
    },
  },
  'area.step': {
    names: `
      movement amount, area move* amount, point spac*, frame step, move* per press, each press,
      frame movement amount, distance moved, step size point, area step, point step, point move*, point jump
    `,
    values: {
      fine: 'fine, small, short, half',
      normal: 'normal, standard, medium',
      coarse: 'coarse, large, big, wide, double',
    },
  },
  'area.points': {
    names: 'number points, selectable points, selectable af points, points used, af points, points number, point',
    values: {
      all: 'all, every point !other, full, every !other',
      reduced: 'cross type, half, every other, reduced, only, fewer, 1/2, 1',
    },
  },
  'area.direct': {
    names: `
      joystick !press !centre !push, point direct, area direct, point move* with, direct select*, point moves pad,
      multi direction point, pad/key/cross move* point/area/frame/field
    `,
    values: {
      true: 'direct*, af point direct, move* area/point/frame, yes, on',
      false: 'off, after, no, press first',
    },
  },
  'subject.class': {
    names: `
      subject detect*, subject to detect, recogni* target, detect* subject, subject recogni*,
      recogni* !target !frame !area !face, look* for, detect* kind, subject kind, detect* target,
      face detect* => people off, subject type, look* face => people off, find* face => people off,
      face recogni* => people off, look* for face => people off
    `,
    hints: 'subject, detect*',
    not: 'limit*, matrix, meter*, track* look*',
    values: CLASSES,
    telling: true,
  },
  'subject.detail': {
    names: 'aim* for, finest part, face eye prior*, face eye detect*, eye face prior*, part detect*',
    values: {
      body: 'body, whole body',
      head: 'head',
      face: 'face !eye !off',
      eye: 'eye, face eye',
    },
  },
  'subject.eye': {
    names: `
      right left eye, prefer* eye, eye select*, which eye, eye prior*, eye focus, eye prefer*, eye to focus, eye
    `,
    hints: 'eye',
    values: {
      nearest: 'near*, auto, automatic, close*, either',
      left: 'left, l',
      right: 'right, r',
    },
  },
  'subject.scope': {
    names: `
      search area, detect* where, where detect*, detect* range, detect* area, search range subject, detect subject,
      search where
    `,
    hints: 'detect*',
    values: {
      'whole-frame': 'whole, entire, everywhere, full, anywhere, all',
      'inside-area': 'inside, within, only area, area only, in area',
    },
  },
  'subject.registered': {
    names: `
      regist* face, face regist*, prior* person/people, people prior*, known face, face memory, personal face, face order, face prior* regist*,
      favourite face
    `,
  },
  'track.hold': {
    names: `
      someone/somebody front, walk* front, track sensitiv* => -, subject shift sensitiv* => -, af sensitiv* => -, lock on, block*, afc sensitiv* => -,
      continuous af sensitiv* => -, loss tolerance, how long stay*, stay* subject, hold subject, subject lock,
      hold block*, lock on time, track lock, lost subject, shift sensitiv* => -, subject hold, sensitiv* afc => -,
      servo sensitiv* => -, stickiness, stickiness track, track stickiness, retention, retention subject, obstruct*,
      hidden subject, wait before leav*, wait* leav* subject, stay* with, loss subject, subject loss
    `,
  },
  'track.response': {
    names: `
      accel*, decel*, speed track, speed change, subject motion, move* object predict*, subject speed, predict*,
      reaction speed, change* speed, speed sensitiv* subject, speed response, motion subject, follow speed,
      speed follow, follow speed change, speed track sensitiv*, speed variation, correspond* speed, variation speed,
      change subject speed, movement subject
    `,
  },
  'track.switch': {
    names: `
      point auto switch* => -, area switch* sensitiv* => -, point switch* => -, area switch* !zone => -,
      point hop* => -, move another subject => -, zone switch* => -, switch* point => -, another point => -,
      transfer point => -, transfer between point => -, change* point => -, jump* another point => -, jump* between point => -,
      switch* track* subject => -, subject track switch* => -
    `,
  },
  'track.acquire': {
    names: 'af drive speed, focus speed, first focus* speed, af speed, focus* speed, acquisition speed',
  },
  'track.preset': {
    names: `
      behaviour set, servo characteristic*, af custom set*, af preset, track preset, af behaviour, af case, af set,
      characteristic* af
    `,
    values: {
      versatile: 'versatile, multi purpose, standard, basic, general, normal',
      'past-obstacles': 'obstacle*, locked on, stay* subject, keep* track, continue track, ignore*',
      'onto-newcomers': 'enter*, instant*, appear*, responsive, new*',
      'changing-speed': 'accel*, start* stop*, sudden change*, speed change*, starting',
      erratic: 'erratic, any direction, unpredict*',
      own: 'custom, own, user',
    },
  },
  'track.search': {
    names: `
      lens drive impossible, lens drive not possible, search not found, af not possible, search loss, af scan*,
      focus cannot found, cannot find, if focus, search after, when not found, focus search, af impossible, drive failure,
      focus failure, lens drive focus failure, failure search, af fail*, drive difficult, focus difficult,
      keep search*, search* nothing found, search* when, keep hunt*, hunt* nothing
    `,
    values: {
      continue:
        'continue, yes, try, persist*, retry, again, go on search*, keep search*, on, go on, enable*, search !stop',
      stop: 'stop, off, no, disable*, stay, stop search, cease, give up, desist, abandon, rest',
    },
  },
  'release.single': {
    names: `
      prior* to release afs => release focus, priority afs, prior* single af, prior* oneshot, release afs, prior* single, afs prior*, release single af,
      release when out focus => release focus, prior* s, afs release, release without focus => release focus,
      single af release, shutter release single, picture not sharp => release focus,
      release not sharp => release focus, shoot* not sharp => release focus, release prior* s => release focus,
      shutter out focus single => release focus, shutter before focus single => release focus,
      shutter before focus afs => release focus, release out focus single => release focus,
      shoot* before focus => release focus, picture out focus single => release focus
    `,
    values: READINESS,
  },
  'release.first': {
    names: `
      first prior*, first image prior*, first frame !curtain, first frame prior*, prior* burst first, first frame continuous,
      prior* first, release first frame
    `,
    values: READINESS,
  },
  'release.next': {
    names: `
      prior* to release afc => release focus, priority afc, prior* continuous af, second image prior*, prior* continuous, afc prior*,
      following frame prior*, second frame, frame onward*, frame after first, prior* burst other, later frame, second prior*, release afc, release later, prior* c,
      prior* following, afc release, release later frame continuous, release prior* c => release focus,
      shutter out focus continuous => release focus, shutter before focus continuous => release focus,
      shutter before focus afc => release focus, release out focus continuous => release focus,
      picture out focus continuous => release focus
    `,
    values: READINESS,
  },
  'release.rate': {
    names: `
      continuous speed, many second, continuous high, continuous low, sequen* high, sequen* low, fps, burst rate, mode speed, burst speed,
      continuous shoot* !af, frame rate !movie, sequence speed, shoot* speed
    `,
    hints: 'burst !af, drive, continuous',
  },
  'release.refocus': {
    names: `
      track burst !ae, burst af, continuous shoot* af, af burst, af between, focus between, af track burst,
      focus during burst, focus burst, focus during run, focus in burst, af sequen*, af continuous drive,
      sequen* af lock => false true, af lock burst => false true, sequen* afl => false true, afl burst => false true
    `,
    values: BETWEEN_FRAMES,
  },
  'release.remeter': {
    names: 'ae track burst, meter* between, ae burst, exposure between, ae between',
    values: BETWEEN_FRAMES,
  },
  'release.shutter': {
    names: 'shutter type, shutter mode, type shutter, curtain',
    hints: 'shutter',
    values: {
      mechanical: 'mechanical',
      'electronic-first': 'electronic first, e front, front curtain, first curtain, electronic front',
      electronic: 'electronic !first !front, silent',
    },
  },
  'range.limit': {
    names: `
      limiter !button !priority !movie, how far search, distance range, focus range, range limit*, range af, search range !subject,
      distance limit*, focus* distance limit*, limit* distance, distances to search, range distances, range select*
    `,
  },
  'range.stored': {
    names: 'preset distance, focus preset !button, stored distance !button, preset mf distance, distance preset',
  },
  'range.reset': {
    names: `
      reset lens, lens reset, lens infinity, lens position power, focus return, lens return, lens off infinity,
      return switch, lens start position, return lens last => false true, keep*/retain*/remember* lens/focus !halfpress !before => false true,
      lens/focus position resume/keep*/memory/retain* => false true, resume lens/focus => false true, lens position off, initialis* lens, lens initialis*, lens power off, lens initial*
    `,
    values: {
      true: 'infinity, on, yes, return*, enable*, park*, reset, home',
      false: 'stay*, last, off, no, keep*, kept, disable*, retain*, remember*, resume*, hold*',
    },
  },
  'range.offset': {
    names: 'fine tun*, microadjust*, micro adjust*, af adjust*, focus adj*, af adj*, af calibrat*, af correct*',
  },
  'see.area': {
    names: `
      area show* !colour, area display, point display, area pointer, frame during af, focus frame during,
      frame display !subject !eye !recogni* !face, point* shown !all, area shown, frame autofocus, area during,
      frame shown !subject !eye !face, show* point* !all
    `,
    values: {
      true: 'display* !not, during, on, shown, selected, show, constant, always, yes, enable*',
      false: 'never, off, hidden, disable*, hide, no, not',
    },
  },
  'see.grid': {
    names: 'points shown !surround*, all points, detection area, af point display all, show all point',
    values: {
      true: 'all, on, yes, enable*',
      false: 'active only, off, no, only, selected only, disable*',
    },
  },
  'see.subject': {
    names: `
      subject frame, recogni* frame, detect* frame, frame subject, face frame, eye frame, frame round subject,
      subject display, frame face
    `,
    values: {
      true: 'shown, on, yes, show, enable*',
      false: 'hidden, off, no, hide, disable*',
    },
  },
  'see.colour': {
    names: `
      area colour, peak colour, frame colour, peak* colour, point colour, focus colour, highlight colour,
      contour colour, contour emphas* colour, emphas* colour
    `,
    hints: 'colour',
    values: {
      red: 'red',
      yellow: 'yellow',
      green: 'green',
      blue: 'blue',
      white: 'white',
      black: 'black',
    },
  },
  'see.tone': {
    names: `
      beep !touch, sound sharp, audio signal, acoustic confirm*, acoustic signal, acoustic focus, focus sound, af tone, sound focus, confirm* tone, af beep, focus tone,
      sound in focus, af sound, focus beep, beep focus, confirm* sound, make sound focus, signals, sound focused
    `,
    values: {
      true: 'on, yes, enable*, all, loud*, quiet*, high, low, hi, lo, touch off',
      false: 'off, no, disable*, mute*, silent, shutter only, only shutter',
    },
  },
  'see.lamp': {
    not: 'tally',
    names: `
      af illuminator, af assist !ring !movie, af lamp, assist lamp, assist beam, assist light, af light,
      light focus* dark, af beam, illuminator lamp, assist illuminator, lamp focus, focus light, light af,
      auxiliary light, light emission, shine light, light help focus, help light
    `,
  },
  'see.review': {
    names: `
      picture review, image review, auto review, review !movie, record view, rec view, playback after, show picture,
      image display, review time, instant review, picture after, image confirm*, picture confirm*, confirm* after,
      show each picture, picture check, image check
    `,
  },
  'see.exposure': {
    names: `
      exposure preview, preview exposure, show bright*, how bright*, exposure simulation, setting effect, liveview display, liveview effect,
      apply liveview, constant preview, show exposure, exposure finder, preview exp, liveview simulation,
      settings liveview, reflect* exposure, exposure on screen, exposure screen
    `,
    values: {
      true: 'on, yes, effect on, enable*, preview, exposure preview, preview exp',
      false: 'off, no, effect off, disable*',
    },
  },
  'see.peaking': {
    names: `
      peak* level, peak* intensity, peak* !colour, edge highlight*, peak* sensitiv*, peak level,
      peak highlight !colour, edge emphasis, sharp* aid, colour edge, contour emphas* !colour, edge emphas*,
      highlight edge, sharp edge, peak* !colour !display !button
    `,
    values: {
      off: OFF,
      low: 'low, little, weak, soft, faint, small, slight*, lo, l, delicate, thin, fine, light, subtle, mild',
      mid: 'mid*, middle, medium, normal, standard, clear*, m',
      high: 'high, strong, large, strong*, hi, h, pronounced, bold, thick, heavy, intense, maximum',
    },
  },
  'see.magnify': {
    names: `
      magnif* factor, magnif* !af !time, magnif* view, initial magnif*, focus magnif* !time, enlarge*,
      magnifier manual, magnifier when manual, magnifier in
    `,
  },
  'see.map': {
    names: 'focus map, depth map, map focus',
  },
  'see.depth': {
    names: 'depth scale, depth field scale, depth basis, field scale',
    values: {
      print: 'print, film*, format, paper, film format basis',
      pixel: 'pixel',
    },
  },
  'video.continuous': {
    names: `
      continuous af movie, continuous af @movie, movie servo, movie af continuous, af while movie, af movie run*,
      af movie !speed !sensitiv* !area !mode !track !transition !shift !ring !only, movie servo af,
      focus while movie, focus movie !accelerat*, movie focus !speed !area !map !sensitiv*
    `,
    values: {
      true: 'run*, on, enable*, always, mode, itself, yes, keep*, continuous*',
      false: 'demand, only demand, ask*, press*, key, button, off, disable*, no, lock*',
    },
    not: 'accelerat*',
    film: 'only',
  },
  'video.assist': {
    names: `
      af assist ring, af assist, ring movie af, correction then af, ring during movie, focus ring movie,
      mf correction, manual then af, manual correction, override, ring override
    `,
    values: {
      true: 'active !inactive, on, resume*, enable*, yes',
      false: 'inactive, off, disable*, no, ignored',
    },
    film: 'only',
  },
  'video.touch': {
    names: 'touch movie, tap* movie, touch track, touch rack, tap track, touch @movie',
    values: {
      off: OFF,
      rack: 'rack*, pull, focus, shift',
      track: 'track*, follow*, on',
    },
    film: 'only',
  },
  'video.transition': {
    names: `
      transition speed, af speed => speed, focus speed, af servo speed, focus travel, transition, rack speed,
      travel time, glide subject, speed af, servo speed, af speed, speed, how fast, fast focus move*, focus move*
    `,
    film: 'only',
  },
  'video.shift': {
    names: `
      subject shift => -, track sensitiv* => -, af sensitiv* => -, af response => -, delay refocus*, hold subject,
      wait before, wait first, how long wait, sensitiv* => -, responsive* => -, delay before, lock on, stay* subject, stickiness,
      af stickiness, let go, cover* subject
    `,
    film: 'only',
  },
  'video.area': {
    names: 'af area, focus area, area mode, af method, area',
    film: 'only',
  },
  'video.subject': {
    names: 'subject detect*, subject to detect, detect* subject, recogni*, subject, look* for, detect*',
    values: CLASSES,
    film: 'only',
  },
  'meter.pattern': {
    names: `
      meter* mode, meter* !spot !link* !af !lock !face !timer !area, meter* method, meter* pattern, photometry,
      exposure measure*, light meter*, measure* light, light measure*, photometr*, photometric system,
      measure* the light
    `,
    values: {
      matrix: `
        matrix, multi*, many, evaluative, pattern, whole, entire frame, all, segment*, honeycomb, entire !average,
        everywhere, average whole
      `,
      centre: 'centre, centre weight*, ctr, cw, ctr wtd',
      spot: 'spot !highlight !hilight !shadow, point !highlight !shadow',
      highlight: 'highlight*, bright*, hilight*, spot hilight*, spot highlight*',
    },
    telling: true,
  },
  'meter.follows': {
    names: `
      spot link*, spot point, spot follow*, spot ae point, spot area interlock, spot af target, spot meter* af,
      interlock spot, spot af point, spot meter* point, spot ae area, photometry spot link*, spot photometry,
      spot link* frame, spot af, spot frame, spot ae frame
    `,
    values: {
      true: 'link*, tied, couple*, bound, focus point, af point, follow*, on, yes, focus point link, focus area, af area, focus field',
      false: 'centre, only, off, no, centre only',
    },
  },
  'meter.bias': {
    names: `
      exposure comp*, exposure bias, exposure correct*, exposure shift, ev comp*, exposure adjust*,
      bright* correct*, lighter darker, bright* dark*, exposure, compensation !flash
    `,
    hints: 'exposure',
  },
}
