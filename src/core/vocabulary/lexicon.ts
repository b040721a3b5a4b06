/**
 * Everyday and trade words that point to a dimension and to its values. They help a person find a concept and propose
 * meanings; they never decide one.
 *
 * @source common practice, no published source
 */
export interface Entry {
  /** Words that point to the dimension, space between them. */
  readonly words: string
  /** Words that point to one of its values, by value; for flags `true` and `false`. */
  readonly values?: Readonly<Record<string, string>>
  /** For amounts without figures in the label: what the ends of such a scale usually mean, in the dimension's unit. */
  readonly usual?: readonly [low: number, high: number]
}

const READINESS = {
  release: 'release anyhow speed fire at once priority immediately go rate shoot',
  balanced: 'balanced even between nearly half both normal',
  focus: 'focus found sharp sure confirm accuracy certain only',
}

export const LEXICON: Readonly<Record<string, Entry>> = {
  'trigger.shutter': {
    words: 'shutter half press button halfway linked release af decouple',
    values: {
      'starts-af': 'focus af both all starts motor and',
      'meters-only': 'meter metering light exposure only alone reads brightness',
      'holds-focus': 'hold holds freeze lock stay',
    },
  },
  'trigger.start': { words: 'af on start back button rear thumb activate focusing pursue follow begin' },
  'trigger.stop': { words: 'af stop freeze pause hold lock halt' },
  'trigger.second': { words: 'second detection eye seek subject start own area alternative' },
  'trigger.manual': { words: 'af mf manual switch toggle hand crank swap' },
  'trigger.instant': {
    words: 'af in manual mf while button',
    values: { single: 'once one single', continuous: 'continuous keeps on and pursuing' },
  },
  'trigger.touch': {
    words: 'touch screen tap finger fingertip panel pane',
    values: {
      off: 'off none dry deaf no asleep disabled',
      'move-area': 'move moves area point frame',
      focus: 'focus focuses af gazes sharpens',
      'focus-and-release': 'shutter release shoot fire fires and picture snaps',
      track: 'track tracking follow trail chase',
    },
  },
  'trigger.prefocus': { words: 'pre prefocus ahead before ready idle warm beforehand' },
  'mode.drive': {
    words: 'drive focus mode af operation way sharpening',
    values: {
      single: 'single once one shot still stand static',
      continuous: 'continuous follow following pursue moving run all the time',
      automatic: 'automatic auto itself switches mixed',
      manual: 'manual hand ring mf own',
      'preset-distance': 'preset stored distance fixed',
    },
  },
  'mode.override': { words: 'ring after override full time manual touch up lens turn' },
  'area.pattern': {
    words: 'area size point points zone field patch frame pattern box net target spot selection width',
    values: {
      pinpoint: 'pinpoint pin tiny smallest fine xs dot',
      point: 'point single one spot small 1 s',
      cross: 'cross plus five 5',
      block: 'block nine 9 3x3 medium m expanded',
      group: 'group 21 25 5x5 large l cluster',
      zone: 'zone middle box patch region',
      'wide-zone': 'wide broad big xl half',
      full: 'full whole all everywhere entire frame auto sky view',
      'all-sizes': 'custom free any',
    },
  },
  'area.size': { words: 'area size width height' },
  'area.chooser': {
    words: 'choose chooser picks who selects',
    values: { operator: 'you operator manual self hand person', camera: 'camera automatic auto itself' },
  },
  'area.follow': {
    words: 'follow follows track tracking across trail tail chase subject pass stays',
    values: {
      off: 'off none no fixed still',
      'from-start-point': 'from start after first point chosen glimpse begin',
      automatic: 'automatic auto freely all anything itself',
    },
  },
  'area.inside': {
    words: 'priority inside zone favours prefers likes first within takes',
    values: {
      centre: 'centre center middle central heart',
      automatic: 'automatic auto any whatever own judgement',
      nearest: 'nearest close closest near foremost front',
    },
  },
  'area.home': { words: 'home rest resting position return register registered recall start back' },
  'area.recall': { words: 'recall return back to home rest resting middle' },
  'area.cycle': { words: 'next area patch mesh point walk list step through change button' },
  'area.orientation': {
    words: 'orientation upright vertical horizontal tilted turned portrait landscape rotated sideways held',
    values: {
      shared: 'same shared one all no difference',
      point: 'point separate own other position spot',
      'point-and-pattern': 'pattern area both and',
    },
  },
  'area.wrap': { words: 'wrap around edge loop round over runs cycle passes continues' },
  'area.step': {
    words: 'step stride movement per press distance moves by jump',
    values: {
      fine: 'fine short small half narrow',
      normal: 'normal even one standard',
      coarse: 'coarse long two broad big',
    },
  },
  'area.points': {
    words: 'points number count selectable raster density how many',
    values: { all: 'all every full', reduced: 'reduced fewer other half less' },
  },
  'area.offered': { words: 'list offered areas limit available choice round shown selectable wheel stops' },
  'area.direct': { words: 'direct directly stick joystick pad cursor moves at once straight without pressing' },
  'subject.class': {
    words: 'subject detection detect recognise recognition looks for find type seek kind',
    values: {
      off: 'off none no nobody ignore',
      automatic: 'automatic auto anything any all',
      people: 'people person human faces face guests crew',
      animals: 'animals animal creatures beasts dogs cats pets',
      birds: 'birds bird wings feathers',
      vehicles: 'vehicles cars wheels bikes trains machines',
    },
  },
  'subject.detail': {
    words: 'detail part finest down to body head face eye close aims',
    values: { body: 'body figure whole', head: 'head hat', face: 'face', eye: 'eye eyes' },
  },
  'subject.eye': {
    words: 'eye which preferred side',
    values: { nearest: 'nearest nearer near auto closest', left: 'left', right: 'right' },
  },
  'subject.scope': {
    words: 'where looks detection within anywhere scope search',
    values: {
      'whole-frame': 'whole everywhere anywhere full all frame',
      'inside-area': 'inside area only within patch frame',
    },
  },
  'subject.registered': { words: 'registered known friends faces first list priority favourite' },
  'subject.cycle': { words: 'next other eye subject face kin switch over' },
  'track.hold': {
    words:
      'hold blocked wait lock lost obstacle stay sticky tracking sensitivity leaves stick grip cling patience patient',
    usual: [0.2, 4.5],
  },
  'track.response': {
    words: 'response acceleration speed change sudden responsive nerve reaction jumpy erratic',
    usual: [0.15, 0.95],
  },
  'track.switch': {
    words: 'switch switching point subject between hop slip leave change readiness jump',
    usual: [0.1, 3.2],
  },
  'track.acquire': { words: 'acquire acquisition first speed initial dash opening run lens', usual: [0.25, 1] },
  'track.preset': { words: 'preset bundle behaviour temper profile scene character' },
  'release.single': { words: 'single first picture waits release priority af still anchor', values: READINESS },
  'release.first': {
    words: 'first picture frame run continuous burst waits release priority opening',
    values: READINESS,
  },
  'release.next': {
    words: 'next later following rest second frames pictures burst run waits release priority',
    values: READINESS,
  },
  'release.rate': { words: 'rate frames per second burst pace speed drive continuous fps shooting', usual: [3, 20] },
  'release.refocus': {
    words: 'focus between frames burst tracking follows run af',
    values: { true: 'on yes follows each tracks', false: 'off no first fixed locked' },
  },
  'release.remeter': {
    words: 'exposure between frames burst ae metering run',
    values: { true: 'on yes each', false: 'off no first fixed locked' },
  },
  'release.shutter': {
    words: 'shutter type mechanical electronic curtain silent',
    values: {
      mechanical: 'mechanical',
      'electronic-first': 'first front curtain efcs half',
      electronic: 'electronic silent',
    },
  },
  'range.limit': { words: 'limit limiter range distance near far search' },
  'range.preset': { words: 'stored distance preset recall memory go to' },
  'range.reset': { words: 'reset infinity lens rests off power sleep parks returns' },
  'range.offset': { words: 'fine adjustment offset tune micro correction calibrate shim front back' },
  'see.area': { words: 'show shown area frame drawn point display marks lit' },
  'see.grid': { words: 'all points shown grid raster every drawn display' },
  'see.subject': { words: 'subject frame face shown found marks ringed display' },
  'see.colour': {
    words: 'colour color tint',
    values: {
      red: 'red rust robin poppy crimson scarlet',
      yellow: 'yellow straw buttercup gold amber',
      green: 'green moss sea leaf',
      blue: 'blue sky azure',
      white: 'white chalk snow daisy sail',
      black: 'black ink coal',
    },
  },
  'see.tone': { words: 'tone beep sound chime bell audible signal volume' },
  'see.lamp': { words: 'lamp assist light illuminator glow lantern beam' },
  'see.review': { words: 'review afterlook playback picture after shot second look back image' },
  'see.exposure': { words: 'exposure preview true live finder effect simulation as taken' },
  'see.peaking': {
    words: 'peaking edges glint outline fringe sheen foam sharp highlight',
    values: {
      off: 'off none no calm',
      low: 'low faint soft thin light weak',
      mid: 'mid medium clear normal',
      high: 'high strong full thick dark white',
    },
  },
  'see.magnify': { words: 'magnify magnifier enlarge zoom closer loupe times help' },
  'see.enlarge': { words: 'magnifier enlarge closer loupe look zoom button' },
  'see.outline': { words: 'peaking outline edges show hide button' },
  'see.map': { words: 'depth map colours plane front behind' },
  'see.depth': { words: 'depth scale basis ruler', values: { print: 'print paper', pixel: 'pixel pixels' } },
  'video.continuous': { words: 'video film filming movie continuous af runs running while moving' },
  'video.assist': { words: 'video film ring interrupts then af again assist takes over' },
  'video.touch': {
    words: 'video film touch tap screen finger',
    values: {
      off: 'off none no dry',
      rack: 'rack passes over shift hands moves',
      track: 'track trail follow tracking',
    },
  },
  'video.transition': { words: 'video film transition rack speed glide swoop travel crossing', usual: [4, 0.2] },
  'video.shift': { words: 'video film wait patience sensitivity leaving subject shift', usual: [0.3, 4.8] },
  'video.freeze': { words: 'video film freeze hold stay lock hush' },
  'meter.pattern': {
    words: 'meter metering pattern measure light weigh exposure shade brightness reading',
    values: {
      matrix: 'matrix multi all whole everywhere pattern mosaic broad',
      centre: 'centre center middle weighted mid heart',
      spot: 'spot pin point one star',
      highlight: 'highlight highlights brights bright clouds',
    },
  },
  'meter.follows': { words: 'spot meter follows linked rides goes point along with' },
  'meter.lock': { words: 'exposure light hold keep lock shade save bolt' },
  'meter.bias': { words: 'exposure bias compensation correction lean lighter darker addition ev brighter' },
}

/** Words of a button's work that tell held from toggled. */
export const TOGGLED = 'toggle toggled toggles again twice latched latch until next second'

/** Words for a flag's two sides, whatever it is about. */
export const YES = 'yes on true enable enabled active shown used allowed always works heard lit listens'
export const NO =
  'no off false disable disabled inactive never hidden none unused mute silent dark bare quiet deaf without'

/** Menu words that have nothing to do with focus. */
export const ELSEWHERE =
  'battery language date time zone copyright format card folder file number wifi network bluetooth power sleep screen brightness white balance quality size shape ratio kind noise sound recording microphone wind delay timer stabiliser stabilisation steady help guide zebra copy delete version cleaning sensor dust hum grin smile self clock name dial direction turns middling weather'
