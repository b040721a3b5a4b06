import type { AmountId, Answers, ChoiceId, OptionOf } from './questions'
import { QUESTIONS } from './questions'

/**
 * What of a sentence typed freely can be answered from it: whole words only, each shown with what it was taken for, so
 * that a person checks it. Where two words say different things, nothing is answered.
 */

export interface Heard {
  readonly question: string
  readonly answer: string | number
  /** As it was written. */
  readonly words: string
}

export interface Sentence {
  readonly answers: Answers
  readonly heard: readonly Heard[]
  /** Questions on which the words disagree. */
  readonly unsure: readonly string[]
}

/** Phrases by answer, with a comma between them; `*` stands for any ending, `#` for a number. */
type Lexicon = { readonly [Q in ChoiceId]?: { readonly [O in OptionOf<Q>]?: string } }

const LEXICON: Lexicon = {
  what: {
    people:
      'person, persons, people, man, men, woman, women, child, children, kid, kids, toddler*, baby, babies, newborn, bride, groom, couple, wedding, dancer*, dancing, ballet, dance, runner*, swimmer*, singer*, band, musician*, violinist, pianist, speaker*, presenter*, actor*, actress*, clown*, acrobat*, juggler*, player*, match, football, soccer, rugby, hockey, handball, basketball, tennis, boxer*, fencer*, skater*, skateboarder*, wrestler*, grandmother, grandfather, mother, father, daughter, son, family, friend*, portrait*, group of #, interview, tourist*, stranger*, guest*, student*, pupil*, worker*, climber*, gymnast*, politician*, chef, cook, marathon, conductor, choir*, orchestra*, cellist*, guitarist*, drummer*, cello player, bassist*, pianists, headshot*, grandchild*, grandchildren, granddaughter*, grandson*, niece*, nephew*, aunt, uncle, husband, wife, parents, teacher*, class, boy*, girl*, skier*, skiing, snowboarder*, surfer*, rower*, rowing, wrestler*, judo, karate, athlete*, sprinter*, hurdler*, jumper*, cyclo-cross, trapeze, juggling, tightrope, rope walker, acrobatics, magician*, comedian*, theatre, opera, play, concert*, procession, parade*, protest*, demonstration, ceremony, party, birthday, christening, graduation, speech, lecture*, conference, panel, press, reporter*, politician*, mayor, fashion, catwalk, street musicians, volleyball, netball, cricket, baseball, lacrosse, water polo, gymnastics, boxing, fencing, fire eater*, stilt*, face, faces, pedestrian*, commuters, hiker*, craftsman, blacksmith, potter*, violin maker, diver, divers, maker, nurse*, surgeon*, farmer*, fisherman, soldier*, monk*, nun, nuns, priest*, waiter*, waitress*, butcher*, baker*, barista*, tailor*, guide, guides, sports day, team*, crew, recital, rehearsal, musical, model*',
    animal:
      'animal*, dog*, puppy, puppies, cat, cats, kitten*, fox*, horse*, pony, ponies, deer, fish*, frog*, lion*, leopard*, tiger*, bear, bears, squirrel*, sheep, cow*, hare*, rabbit*, seal, seals, elephant*, bat, bats, lizard*, snake*, wolf, wolves, goat*, lamb*, calf, calves, foal*, piglet*, pig, pigs, hedgehog*, otter*, badger*, mouse, mice, rat, rats, snail*, turtle*, tortoise*, toad*, newt*, crab*, octopus, dolphin*, whale*, monkey*, ape, apes, gorilla*, zebra*, giraffe*, antelope*, buffalo*, camel*, donkey*, moose, elk, stag, stags, roe, chamois, marmot*, hamster*, guinea pig*, pet, pets, cub, cubs, wildlife, cheetah*, lynx*, jaguar*, panda*, kangaroo*, koala*',
    bird: 'bird*, duck*, goose, geese, gull*, eagle*, heron*, swan*, sparrow*, swallow*, kingfisher*, owl*, hawk*, hummingbird*, flock*, stork*, pigeon*, falcon*, crane*, robin*, parrot*, swift, swifts, puffin*, tern, terns, osprey*, buzzard*, kite, kites, harrier*, vulture*, pelican*, flamingo*, penguin*, cormorant*, grebe*, coot*, moorhen*, woodpecker*, finch*, tit, tits, blackbird*, thrush*, crow, crows, raven*, magpie*, jay, jays, lark*, wren*, starling*, hen, hens, chicken*, cockerel*, rooster*, turkey*, peacock*, budgie*, canary, canaries, cockatoo*, raptor*, wader*, songbird*, chick, chicks, fledgling*',
    insect:
      'insect*, bee, bees, butterfly, butterflies, dragonfly, dragonflies, beetle*, spider*, ant, ants, moth*, wasp*, grasshopper*, caterpillar*, hoverfly, hoverflies, bumblebee*, ladybird*, ladybug*, mosquito*, cricket on a, cicada*, aphid*, larva*, pollinator*, housefly, flies on',
    vehicle:
      'car, cars, motorbike*, motorcycle*, bike*, bicycle*, cyclist*, train, trains, plane, planes, aircraft, aeroplane*, jet, jets, boat*, ship, ships, yacht*, sailing, lorry, lorries, truck*, bus, buses, rally, helicopter*, tram*, racing car*, race car*, go-kart*, kart, karts, scooter*, tractor*, van, vans, ferry, ferries, canoe*, kayak*, regatta, airshow, air show, drone*, balloon, balloons, locomotive*, fire engine*, motorsport, motocross, speedway',
    thing:
      'thing*, product*, still life, food, fruit, document*, jewellery, ring, rings, watch, watches, flower*, mushroom*, bottle*, object*, marionette*, puppet*, toy, toys, coin*, stamp*, painting*, sculpture*, statue*, book, books, shoe, shoes, furniture, chair, chairs, plate, plates, dish, dishes, cake*, bread, glass of, cup, cups, drop, drops, water drops, droplet*, snowflake*, crystal*, mineral*, fungus, fungi, leaf, blossom*, orchid*, rose, roses, plant*, circuit board*, instrument*, machine*, model railway, candle, candles, lamp shade, bouquet*, necklace*, earring*, bracelet*, snooker table, table, cosmetics, packaging, artwork*, exhibits',
    place:
      'landscape*, mountain*, night sky, stars, sky, cathedral*, church*, building*, architecture, interior, bridge*, city, skyline, waterfall*, lightning, castle*, coast, milky way, aurora, harbour view, lake*, valley*, forest*, woods, tree, trees, hill*, beach, cliffs, canyon*, desert*, seascape*, sunset*, sunrise*, fog, mist, storm*, moon, eclipse, galaxy, ruins, street at night, facade*, tower*, staircase*, room, rooms, kitchen interior, factory hall, ceiling, panorama*, waterfall*, river, garden*',
  },
  motion: {
    still:
      'motionless, stands, standing still, stand still, sits, sitting, asleep, sleeping, perched, on a perch, on a branch, on a twig, posed, posing, portrait*, still life, landscape*, night sky, architecture, interior, at rest, resting, does not move, keeps still, stays still, still subject',
    slow: 'slowly, slow moving, slow walk, drifting, strolling',
    'stop-start':
      'stops and starts, stop and start, starting and stopping, stop and go, on and off, now and then it moves',
    steady: 'steadily, steady, constant speed, evenly moving',
    sudden:
      'suddenly, sudden, erratic*, jerky, unpredictable, without warning, darting, abrupt*, jumping about, leaping about, running about, zigzag*, hopping about, all over the place, dashing',
    toward: 'towards, toward, straight at, at the camera, coming at, approach*, head-on, head on, coming on',
    across:
      'sideways, across the frame, passing by, going past, drive past, ride past, left to right, from left to right',
    circle: 'in a circle, in circles, round and round, on a lap, laps, spinning, circling',
  },
  size: {
    tiny: 'tiny, a speck, very small in the frame',
    small: 'small, little bird, little dog',
    half: 'half the frame, half the height, half length',
    fills: 'fill the frame, fills the frame, frame-filling, filling the frame, full frame head, tight head',
  },
  crossing: {
    nobody: 'nobody in the way, nothing in the way, nobody crosses, free view',
    things: 'balls cross*, clubs cross*, splashes, small things cross*, poles in front',
    people:
      'crossing each other, cross each other, people pass*, people walk* past, people walk* through, people cross*, passers-by, guests walk* through, guests pass*, walk* through the picture, walk* past in front, players cross*, other people in front',
    crowd:
      'between heads, heads of the audience, heads in front, over the heads, through the crowd, heads of the crowd, behind shoulders',
  },
  output: {
    stills: 'pictures, photos, photographs, stills, photo',
    video: 'film, filming, films, filmed, video, videos, movie, on camera, recording',
    'slow-motion': 'slow motion, slow-motion, slow-mo, slowmo',
  },
  faces: {
    none: 'masked, masks, from behind, helmets on, no faces, backs only',
    one: 'one person, one face, single person, portrait of my, portrait of a, portrait of one, one speaker, one dancer, one singer',
    two: 'two people, two persons, two faces, couple, two boxers, two fencers, two dancers, two jugglers, two friends, two children, pair of',
    several:
      'group of, three people, four people, five people, three actors, three singers, three children, three dancers, four musicians, trio, quartet, quintet, team photo, several people, several faces, a family, team photo, a few people',
    crowd: 'crowd of, hundreds of people, everyone at once, mass start',
  },
  foreground: {
    leaves:
      'behind leaves, through leaves, leaves in front, in tall grass, tall grass, reeds, behind branches, through branches, foliage, undergrowth, behind a hedge, in the bushes',
    gaps: 'bars, in a cage, cage, wire mesh, through a fence, behind a fence, ropes, doorway, railings, through a gap',
    glass: 'glass, pane, aquarium, terrarium, fine net, netting',
  },
  background: {
    plain: 'plain background, empty sky, clear sky, blue sky, plain wall, nothing behind',
    busy: 'busy background, cluttered, busy behind',
    far: 'far background, distant background, open sea behind',
  },
  light: {
    even: 'even light, overcast, soft light, daylight, cloudy',
    spot: 'spotlight*, one lit, one light on, follow spot, lit figure',
    dark: 'dark, dim, at night, night, darkness, badly lit, candlelight, candlelit, low light',
    back: 'back-lit, backlit, back lit, against the light, against the sun, against the evening light, into the sun, bright window behind',
    changing: 'changing light, flicker*, light changes, strobe*, disco light*',
  },
  distance: {
    close: 'macro, close-up, close up, closeup, closer than half, within reach, a hand away',
    near: 'a few metres, few metres away, at arm’s length',
    middle: 'across the street, across the room, across the ring',
    far: 'far away, far off, distant, a long way off, far out',
  },
  depth: {
    deep: 'everything sharp, all sharp, front to back, all in focus',
    layered: 'at different distances, one behind the other, two distances',
    flat: 'in one plane, flat, reproduction',
  },
  support: {
    hand: 'hand-held, handheld, hand held, by hand, out of the hand, free hand',
    monopod: 'monopod',
    tripod: 'tripod',
    gimbal: 'gimbal',
    remote: 'remote camera, released from afar, remote release, remotely',
  },
  stance: {
    walk: 'walking with, walking along, i walk, while walking, walking backwards',
    sway: 'i sway, i lean, leaning, swaying',
  },
  compose: {
    recompose: 'recompose, focus and recompose',
    'move-point': 'move the point, moving the point',
  },
  handed: {
    anyone: 'strangers, anyone, anybody, will borrow, hand the camera to, passed around, handed round, hand it round',
    colleague: 'second shooter, my colleague, share* the camera with a colleague',
    nobody: 'only me, nobody else uses',
  },
  hands: {
    'first-days':
      'first month, first week*, first day*, beginner*, new camera, never photographed, never held a camera, my first camera, brand new to, just started, complete novice, novice*',
    learning: 'learning, learner*, student of photography, still practising, not used to',
    practised: 'professional*, practised, experienced, for years',
  },
  habit: {
    thumb: 'back-button, back button, thumb button stays, thumb person, used to the thumb',
    shutter: 'half-press, half press, shutter button stays, shutter person, used to the shutter',
  },
  change: { no: 'set once for the day, nothing may be changed, no time to change', yes: 'between scenes i can change' },
  sound: {
    no: 'no sound*, no noise*, silent*, in silence, must be quiet, quiet please, without sound, silence, no beep*, no clicking',
    yes: 'sounds are fine, noise is fine',
  },
  lamp: {
    no: 'no lamp*, no flash*, without flash, no light allowed, flash forbidden, lamps forbidden, flash is forbidden, flash is not allowed, flash not allowed, lamps are forbidden, no light may',
    yes: 'lamp allowed, lamps allowed, flash allowed, lamp is fine',
  },
}

/** What is said only where nothing stronger is: a bee on a flower is a bee, a portrait in the mountains people. */
const WEAK: ReadonlySet<string> = new Set(['what thing', 'what place', 'light dark', 'output stills', 'size small'])

const SMALL_NUMBERS = 'zero one two three four five six seven eight nine ten eleven twelve'.split(' ')
const numberOf = (word: string): number => {
  const at = SMALL_NUMBERS.indexOf(word)
  return at >= 0 ? at : Number(word.replace(',', '.'))
}
const NUMBER = `(\\d+(?:[.,]\\d+)?|${SMALL_NUMBERS.slice(1).join('|')})`

interface Amount {
  readonly pattern: RegExp
  readonly answers: (match: readonly string[]) => Readonly<Partial<Record<AmountId, number>>>
}

const METRES = 'm|metres?|meters?'
const AMOUNTS: readonly Amount[] = [
  { pattern: new RegExp(`\\b${NUMBER} hours?\\b`), answers: m => ({ session: numberOf(m[1] ?? '') * 60 }) },
  { pattern: new RegExp(`\\b${NUMBER} min(?:ute)?s?\\b`), answers: m => ({ session: numberOf(m[1] ?? '') }) },
  { pattern: /\b(?:an|one) hour and a half\b/, answers: () => ({ session: 90 }) },
  { pattern: /\bthree quarters of an hour\b/, answers: () => ({ session: 45 }) },
  { pattern: /\bhalf an hour\b/, answers: () => ({ session: 30 }) },
  { pattern: /(?<!\w )\ban hour\b/, answers: () => ({ session: 60 }) },
  {
    pattern: new RegExp(`\\b(?:between |from )?${NUMBER} ?(?:${METRES})? ?(?:and|to|-|–) ?${NUMBER} ?(?:${METRES})\\b`),
    answers: m => ({ nearest: numberOf(m[1] ?? ''), farthest: numberOf(m[2] ?? '') }),
  },
  {
    pattern: new RegExp(`\\b${NUMBER} times slower\\b`),
    answers: m => ({ slower: numberOf(m[1] ?? '') }),
  },
]

const escaped = (text: string) => text.replaceAll(/[.()+?[\]{}|\\^$]/g, String.raw`\$&`)

/** A phrase as a pattern: a star for an ending, `#` for a number, a hyphen or a space alike. */
const asPattern = (phrase: string): string =>
  escaped(phrase)
    .replaceAll('*', String.raw`\p{L}*`)
    .replaceAll('#', NUMBER.replace('(', '(?:'))
    .replaceAll(/[ -]/g, '[ -]')

interface Entry {
  readonly question: ChoiceId
  readonly option: string
  readonly pattern: RegExp
}

/** Longer phrases first, so that the night sky is not just a night. */
const ENTRIES: readonly Entry[] = (Object.entries(LEXICON) as [ChoiceId, Readonly<Record<string, string>>][]).flatMap(
  ([question, options]) =>
    Object.entries(options).map(([option, phrases]) => ({
      question,
      option,
      pattern: new RegExp(
        `(?<!\\p{L})(?:${phrases
          .split(', ')
          .sort((a, b) => b.length - a.length)
          .map(asPattern)
          .join('|')})(?!\\p{L}|'s\\b)`,
        'gu',
      ),
    })),
)

const questionOf = (id: string) => QUESTIONS.find(q => q.id === id)

/** "Not a portrait", "never sits still", "without bars": said, and denied. */
const isDenied = (before: string): boolean =>
  /(?:\b(?:not|never|no|without|instead of|diving for|catching|hunting|eating|feeding on|isn't|aren't|doesn't|don't))(?: (?:a|an|the|any|in))? $/.test(
    before,
  )

/** A word inside a longer one that was taken for something of the same question: "night" in "night sky". */
const isInside = (a: { at: number; words: string }, b: { at: number; words: string }): boolean =>
  a !== b && a.at >= b.at && a.at + a.words.length <= b.at + b.words.length && a.words.length < b.words.length

/**
 * @example
 * readSentence('ducks over the pond, my first month').answers // { what: 'bird', hands: 'first-days' }
 */
export const readSentence = (text: string): Sentence => {
  const plain = text.toLowerCase().replaceAll('’', "'")
  const matches = ENTRIES.flatMap(({ question, option, pattern }) =>
    [...plain.matchAll(pattern)].map(m => ({ question, option, words: m[0], at: m.index })),
  )
  const kept = matches.filter(
    m => !isDenied(plain.slice(0, m.at)) && !matches.some(other => isInside(m, other) && other.question === m.question),
  )
  const heard: Heard[] = []
  const unsure: string[] = []
  const answers: Record<string, string | number | readonly string[]> = {}
  for (const question of new Set(kept.map(m => m.question))) {
    const of = kept.filter(m => m.question === question)
    const strong = of.filter(m => !WEAK.has(`${m.question} ${m.option}`))
    const said = strong.length > 0 ? strong : of
    const options = [...new Set(said.map(m => m.option))]
    const isMany = questionOf(question)?.kind === 'many'
    if (!isMany && options.length > 1) {
      unsure.push(question)
      continue
    }
    answers[question] = isMany ? options : (options[0] ?? '')
    for (const m of said) heard.push({ question, answer: m.option, words: m.words })
  }
  for (const { pattern, answers: read } of AMOUNTS) {
    const match = pattern.exec(plain)
    if (!match) continue
    for (const [id, value] of Object.entries(read(match)))
      if (!(id in answers) && Number.isFinite(value)) {
        answers[id] = value
        heard.push({ question: id, answer: value, words: match[0].trim() })
      }
  }
  return { answers, heard, unsure }
}
