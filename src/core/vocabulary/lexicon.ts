/**
 * Everyday and trade words that point to a dimension and to its values. They help a person find a concept and propose
 * meanings; they never decide one.
 *
 * @source common practice, no published source
 */
export interface Entry {
  /** Words that point to the dimension, space between them. */
  readonly words: string
  /** For amounts without figures in the label: what the ends of such a scale usually mean, in the dimension's unit. */
  readonly usual?: readonly [low: number, high: number]
}

export const LEXICON: Readonly<Record<string, Entry>> = {
  'trigger.shutter': {
    words: 'shutter half press button halfway linked release af decouple',
  },
  'trigger.start': { words: 'af on start back button rear thumb activate focusing follow begin' },
  'trigger.stop': { words: 'af stop freeze pause hold lock halt' },
  'trigger.second': { words: 'second detection eye subject start own area alternative' },
  'trigger.manual': { words: 'af mf manual switch toggle hand swap' },
  'trigger.instant': {
    words: 'af in manual mf while button',
  },
  'trigger.touch': {
    words: 'touch screen tap finger fingertip',
  },
  'trigger.prefocus': { words: 'pre prefocus ahead before ready idle warm beforehand' },
  'trigger.drive': { words: 'single continuous af mode switch button while held' },
  'trigger.recall': { words: 'recall custom set settings register registered button memory' },
  'trigger.pad': { words: 'touch pad finder viewfinder drag finger' },
  'trigger.magnified': { words: 'af magnified enlarged magnifier autofocus zoomed' },
  'ring.response': {
    words: 'focus ring response linear speed',
  },
  'ring.direction': { words: 'focus ring direction rotation near clockwise' },
  'mode.drive': {
    words: 'drive focus mode af operation sharpening',
  },
  'mode.override': { words: 'ring after override full time manual touch up lens turn' },
  'mode.aperture': {
    words: 'aperture while focusing stopped down wide open',
  },
  'area.pattern': {
    words: 'area size point points zone field frame pattern target spot selection width',
  },
  'area.size': { words: 'area size width height' },
  'area.chooser': {
    words: 'choose chooser picks who selects',
  },
  'area.follow': {
    words: 'follow follows track tracking across tail subject pass stays',
  },
  'area.start': {
    words: 'initial starting start point area following tracking begins',
  },
  'area.inside': {
    words: 'priority inside zone favours prefers likes first within takes',
  },
  'area.home': { words: 'home rest resting position return register registered recall start back' },
  'area.recall': { words: 'recall return back to home rest resting middle' },
  'area.cycle': { words: 'next area point walk list step through change button' },
  'area.orientation': {
    words: 'orientation upright vertical horizontal tilted turned portrait landscape rotated sideways held',
  },
  'area.wrap': { words: 'wrap around edge loop round over runs cycle passes continues' },
  'area.step': {
    words: 'step movement per press distance moves by jump',
  },
  'area.points': {
    words: 'points number count selectable density how many',
  },
  'area.offered': { words: 'list offered areas limit available choice round shown selectable wheel stops' },
  'area.direct': { words: 'direct directly stick joystick pad cursor moves at once straight without pressing' },
  'subject.class': {
    words: `
      subject detection detect recognise recognition looks for find type kind people persons faces animals pets dogs cats
      birds insects vehicles cars motorbikes motorcycles trains aircraft planes
    `,
  },
  'subject.detail': {
    words: 'detail part finest down to body head face eye close aims',
  },
  'subject.eye': {
    words: 'eye which preferred side',
  },
  'subject.scope': {
    words: 'where looks detection within anywhere scope search',
  },
  'subject.registered': { words: 'registered known friends faces first list priority favourite' },
  'subject.cycle': { words: 'next other eye subject face switch over' },
  'subject.toggle': { words: 'detection recognition button switch toggle on off' },
  'track.hold': {
    words: 'hold blocked wait lock lost obstacle stay sticky tracking sensitivity leaves patience patient',
    usual: [0.2, 4.5],
  },
  'track.response': {
    words: 'response acceleration speed change sudden responsive reaction jumpy erratic',
    usual: [0.15, 0.95],
  },
  'track.switch': {
    words: 'switch switching point subject between leave change readiness jump',
    usual: [0.1, 3.2],
  },
  'track.acquire': { words: 'acquire acquisition first speed initial opening run lens', usual: [0.25, 1] },
  'track.preset': { words: 'preset bundle behaviour profile scene character' },
  'track.search': {
    words: 'search nothing found lens drive impossible scanner',
  },
  'release.single': { words: 'single first picture waits release priority af still' },
  'release.first': {
    words: 'first picture frame run continuous burst waits release priority opening',
  },
  'release.next': {
    words: 'next later following rest second frames pictures burst run waits release priority',
  },
  'release.rate': { words: 'rate frames per second burst pace speed drive continuous fps shooting', usual: [3, 20] },
  'release.refocus': {
    words: 'focus between frames burst tracking follows run af',
  },
  'release.remeter': {
    words: 'exposure between frames burst ae metering run',
  },
  'release.shutter': {
    words: 'shutter type mechanical electronic curtain silent',
  },
  'range.limit': { words: 'limit limiter range distance near far search' },
  'range.preset': { words: 'stored distance preset recall memory go to' },
  'range.stored': { words: 'stored distance preset metres' },
  'range.limiter': { words: 'button that switches the search range' },
  'range.reset': { words: 'reset infinity lens rests off power sleep parks returns' },
  'range.offset': { words: 'fine adjustment offset tune micro correction calibrate shim front back' },
  'see.area': { words: 'show shown area frame drawn point display marks lit' },
  'see.grid': { words: 'all points shown grid raster every drawn display' },
  'see.subject': { words: 'subject frame face shown found marks display' },
  'see.colour': {
    words: 'colour color tint',
  },
  'see.tone': { words: 'tone beep sound bell audible signal volume' },
  'see.lamp': { words: 'lamp assist light illuminator glow beam' },
  'see.review': { words: 'review playback picture after shot second look back image' },
  'see.exposure': { words: 'exposure preview true live finder effect simulation as taken' },
  'see.peaking': {
    words: 'peaking edges outline sharp highlight',
  },
  'see.magnify': { words: 'magnify magnifier enlarge zoom closer loupe times help' },
  'see.enlarge': { words: 'magnifier enlarge closer loupe look zoom button' },
  'see.outline': { words: 'peaking outline edges show hide button' },
  'see.map': { words: 'depth map colours plane front behind' },
  'see.depth': { words: 'depth scale basis ruler' },
  'video.continuous': { words: 'video film filming movie continuous af runs running while moving' },
  'video.assist': { words: 'video film ring interrupts then af again assist takes over' },
  'video.area': { words: 'video film movie area size point zone' },
  'video.subject': { words: 'video film movie subject detection looks for people' },
  'video.touch': {
    words: 'video film touch tap screen finger',
  },
  'video.transition': { words: 'video film transition rack speed travel crossing', usual: [4, 0.2] },
  'video.shift': { words: 'video film wait patience sensitivity leaving subject shift', usual: [0.3, 4.8] },
  'video.freeze': { words: 'video film freeze hold stay lock' },
  'meter.pattern': {
    words: 'meter metering pattern measure light weigh exposure brightness reading',
  },
  'meter.follows': { words: 'spot meter follows linked rides goes point along with' },
  'meter.lock': { words: 'exposure light hold keep lock save' },
  'meter.bias': { words: 'exposure bias compensation correction lighter darker addition ev brighter' },
}
