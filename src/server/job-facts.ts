import 'server-only'
import type { Body } from '@/core/bodies'
import { bodyCautions, standardCautions } from '@/core/cautions/cautions'
import {
  findPerson,
  type JobFacts,
  type LensFact,
  type Model,
  SECONDS_PER_CARD_ROW,
  type SetUp,
  type UnitFact,
  withWalks,
} from '@/core/jobs/facts'
import { guidedStandard, toldOf } from '@/core/jobs/guided'
import type { Job, Scene } from '@/core/jobs/job'
import { type Needed, type Pair, type Scope } from '@/core/jobs/needed'
import type { Happened } from '@/core/jobs/standing'
import { everyPair, joinedWalks, type PairWalk, type SetTo, type Walks } from '@/core/jobs/walks'
import type { Known } from '@/core/kit/known'
import { focusRangesOf } from '@/core/lenses/schema'
import { type Context, contextText, effectiveTargets, relevantContext, scopesOf, type Standard } from '@/core/standards'
import type { UnitRow } from '@/db/units'
import { share } from '@/pool/documents'
import type { FitOnBody } from '@/pool/job-fits'
import { work } from '@/pool/pool'
import { readCarriers } from './carriers'
import { formOf, listLenses, readBody, readStandard, type Revised, units as listUnits } from './catalogue'
import { database } from './database'
import { readLives } from './lives'
import { listPeople } from './people'
import { RequestError } from './problems'
import { remember } from './remember'
import { work as inPool } from './working'
import { allWorkedOut, whyNot, workedOut } from './worked-out'

/** What has to be known of cameras, lenses and people to plan a job. */

/** A set-up with what it is resolved from. */
interface Prepared {
  readonly setUp: SetUp
  readonly standard: Revised<Standard>
  readonly context: Context
}

/** Different set-ups in one job; what is beyond is left to be set by hand. */
const MOST_OF_A_JOB = 60
/** Of a session where the standard has none. @source common practice, no published source */
const USUAL_SESSION = { shootingShare: 0.5, followingShare: 0.6 }

const prepared = (key: string, standard: Revised<Standard>, ref: string, context: Context): Prepared => {
  const { document } = standard
  const plan = document.controls
  const session = plan?.session ?? USUAL_SESSION
  const isGuided = ref.startsWith('guide')
  return {
    standard,
    context,
    setUp: {
      key,
      standard: ref,
      name: document.name,
      for: contextText(context),
      isGuided,
      shooting: session.shootingShare,
      following: session.followingShare,
      cautions: standardCautions(effectiveTargets(document, context)).map(({ title, words }) => ({ title, words })),
    },
  }
}

/** Everybody whose own layers may count: whoever covers something, and whoever is there. */
const peopleOf = (job: Job, people: JobFacts['people']): readonly string[] => [
  ...new Set(
    [...job.people, ...job.scenes.flatMap(s => s.covers.map(c => c.person))].flatMap(
      p => findPerson(people, p)?.id ?? [],
    ),
  ),
]

/** The guide makes the same of the same words. */
const guided = remember<Standard>('guided scenes', 2000)
const told = remember<JobFacts['told'][string]>('told scenes', 2000)

const standardOrNone = async (ref: string): Promise<Revised<Standard> | undefined> => {
  try {
    return await readStandard(ref)
  } catch (error) {
    if (error instanceof RequestError && error.status === 404) return undefined
    throw error
  }
}

/** The set-ups of a job, and which of them each scene and person needs. */
const setUpsOf = async (job: Job, people: JobFacts['people']) => {
  const found = new Map<string, Prepared>()
  const setUpOf: Record<string, Record<string, string>> = {}
  const lost: Record<string, string> = {}
  const there = peopleOf(job, people)
  // Most scenes of a day share a few standards.
  const named = [...new Set(job.scenes.flatMap(s => s.standard ?? []))]
  const standards = new Map(await Promise.all(named.map(async ref => [ref, await standardOrNone(ref)] as const)))
  const standardOf = (scene: Scene): { readonly ref: string; readonly standard: Revised<Standard> } => {
    if (scene.standard !== undefined) {
      const standard = standards.get(scene.standard)
      if (standard) return { ref: scene.standard, standard }
      lost[scene.id] = scene.standard
    }
    const document = guided.getOr(JSON.stringify(scene), () => guidedStandard(scene))
    // Scenes that the guide answers alike are set alike.
    const ref = `guide ${JSON.stringify(document.layers[0]?.targets ?? [])}`
    return { ref, standard: { document, stamp: ref } }
  }
  for (const scene of job.scenes) {
    const { ref, standard } = standardOf(scene)
    const keys: Record<string, string> = {}
    for (const person of ['', ...there]) {
      const asked: Context = { scenes: [scene.name], ...(person ? { people: [person] } : {}) }
      const context = relevantContext(standard.document, asked)
      const own = [...found.values()].find(
        p => p.standard.stamp === standard.stamp && contextText(p.context) === contextText(context),
      )
      const text = contextText(context)
      const key = own?.setUp.key ?? (ref.startsWith('guide') ? `guide:${scene.id}` : `${ref}${text ? `|${text}` : ''}`)
      if (!own && found.size >= MOST_OF_A_JOB) continue
      if (!own) found.set(key, prepared(key, standard, ref.startsWith('guide') ? `guide:${scene.id}` : ref, context))
      keys[person] = key
    }
    setUpOf[scene.id] = keys
  }
  return { all: [...found.values()], setUpOf, lost }
}

/** What a unit still owes for a set-up: what it is not known to be set to, row by row. */
const owedOf = (
  known: Known,
  { setUp, standard }: Prepared,
  { asked, state }: FitOnBody,
): UnitFact['owed'][string] | undefined => {
  const { id, version } = standard.document
  if (!setUp.isGuided && [...known.slots.values()].some(s => s.standard === id && s.version === version))
    return undefined
  const unknown = asked.filter(s => known.facts.get(s) === undefined)
  const other = asked.filter(s => known.facts.get(s) !== undefined && known.facts.get(s)?.option !== state[s])
  const rows = unknown.length + other.length
  if (rows === 0) return undefined
  const words = [
    ...(other.length ? [`${other.length} ${other.length === 1 ? 'row differs' : 'rows differ'}`] : []),
    ...(unknown.length ? [`of ${unknown.length} nobody knows`] : []),
  ]
  return { minutes: Math.max(1, Math.round((rows * SECONDS_PER_CARD_ROW) / 60)), why: `${words.join(', ')}.` }
}

interface OnModel {
  readonly id: string
  readonly body: Revised<Body>
  readonly form: Body
  readonly firmware: string
}

const modelsOf = async (units: readonly UnitRow[]): Promise<readonly OnModel[]> => {
  const all = new Map<string, { body: string; firmware: string }>()
  for (const u of units) if (u.body_id) all.set(`${u.body_id} ${u.firmware}`, { body: u.body_id, firmware: u.firmware })
  return Promise.all(
    [...all].map(async ([id, { body: bodyId, firmware }]) => {
      const body = await readBody(bodyId)
      return { id, body, form: formOf(body, firmware), firmware }
    }),
  )
}

const asked = ({ body, firmware }: OnModel, setUps: readonly Prepared[]) => ({
  body: share(body.document),
  firmware,
  setUps: setUps.map(s => ({ key: s.setUp.key, standard: share(s.standard.document), context: s.context })),
})

type BestWalks = Omit<Walks, 'keys'>

/** The best walks; each is kept by itself, so that one set-up more, or another page, asks for no other again. */
const walksOf = async (
  model: OnModel,
  setUps: readonly Prepared[],
  pairs: readonly Pair[] = everyPair(setUps.length),
): Promise<BestWalks> => {
  const of = asked(model, setUps)
  const digests = of.setUps.map(s => [s.standard.digest, contextText(s.context)].join(' '))
  const keptBy = pairs.map(([from, to]) => [
    'job walk',
    of.body.digest,
    of.firmware,
    digests[from] ?? '',
    digests[to] ?? '',
  ])
  const answers = allWorkedOut<PairWalk>(keptBy, missing =>
    work('jobWalks', { ...of, pairs: pairs.filter((_, i) => missing.includes(i)) }, { isForAll: true }),
  )
  return joinedWalks(
    of.setUps.map(s => s.key),
    pairs,
    await Promise.all(answers),
  )
}

/** How each set-up does on a model; a text says why it cannot be reckoned. One set-up more asks for no other again. */
const fitsOf = async (
  model: OnModel,
  setUps: readonly Prepared[],
): Promise<ReadonlyMap<string, FitOnBody | string>> => {
  const of = asked(model, setUps)
  const keptBy = of.setUps.map(s => ['job fit', of.body.digest, of.firmware, s.standard.digest, contextText(s.context)])
  const answers = allWorkedOut<FitOnBody>(keptBy, missing =>
    work('jobFits', { ...of, setUps: of.setUps.filter((_, i) => missing.includes(i)) }, { isForAll: true }),
  )
  const fits = await Promise.all(answers.map(answer => answer.catch(textOrThrow)))
  return new Map(fits.map((fit, i) => [of.setUps[i]?.key ?? '', fit]))
}

/** Of one standard; what is beyond is worked out when a job asks for it. */
const MOST_CONTEXTS = 12

/** For whom a scene may ask for a standard: for one person or nobody, by a scene's own layer or without. */
const contextsOf = ({ layers }: Standard): readonly Context[] => {
  const { people = [], scenes = [] } = scopesOf(layers)
  return [undefined, ...people]
    .flatMap(person =>
      [undefined, ...scenes].map((scene): Context => ({
        ...(person === undefined ? {} : { people: [person] }),
        ...(scene === undefined ? {} : { scenes: [scene] }),
      })),
    )
    .slice(0, MOST_CONTEXTS)
}

/** How a standard does on every model of the kit, whoever it is for; a job that asks for it finds it done. */
export const fitStandard = async (standard: Revised<Standard>): Promise<void> => {
  const { id } = standard.document
  const asked = contextsOf(standard.document).map(context =>
    prepared(`${id} ${contextText(context)}`, standard, id, context),
  )
  const withBodies = (await listUnits()).filter(u => u.body_id !== null)
  for (const model of await modelsOf(withBodies)) await fitsOf(model, asked)
}

const textOrThrow = (error: unknown): string => {
  const why = whyNot(error)
  if (why === undefined) throw error
  return why
}

/** Walks in the order of the menu, between what the set-ups were found to set. */
const roughWalksOf = ({ body, firmware }: OnModel, fits: ReadonlyMap<string, FitOnBody | string>): Promise<Walks> => {
  const all = [...fits].flatMap(([key, f]): SetTo[] =>
    typeof f === 'string' ? [] : [{ key, state: f.state, asked: f.asked }],
  )
  const of = { body: share(body.document), firmware, all }
  return workedOut<Walks>(['rough job walks', of.body.digest, firmware, JSON.stringify(all)], () =>
    work('jobRoughly', of, { isForAll: true }),
  )
}

const NO_WALKS: Walks = { walks: {}, rests: {}, rows: [], keys: [] }

const orNone = async <W extends BestWalks>(walks: Promise<W>): Promise<W | Walks> => {
  try {
    return await walks
  } catch (error) {
    if (whyNot(error) === undefined) throw error
    return NO_WALKS
  }
}

const lensFacts = async (rows: readonly UnitRow[]): Promise<readonly LensFact[]> =>
  (await listLenses()).map(lens => ({
    id: lens.id,
    maker: lens.maker,
    name: `${lens.maker} ${lens.model}`,
    tags: rows.filter(u => u.lens_id === lens.id).map(u => u.tag),
    ranges: focusRangesOf(lens).map(r => ({
      label: r.label,
      near: r.near.metres === 'infinity' ? 10_000 : r.near.metres,
      far: r.far.metres === 'infinity' ? null : r.far.metres,
    })),
    testedOn: [...new Set(lens.offsets.map(o => o.id))],
  }))

/** Set-ups and models are read anew for each job, and worked out once for what they say. */
const gather = async (job: Job) => {
  const [people, rows, carriers] = await Promise.all([listPeople(), listUnits(), readCarriers()])
  const units = rows.filter(u => u.body_id !== null)
  const [{ all, setUpOf, lost }, models, lives] = await Promise.all([
    setUpsOf(job, people),
    modelsOf(units),
    database().then(db => readLives(db)),
  ])
  return { people, rows, units, carriers, all, setUpOf, lost, models, lives }
}

/** Everything to plan a job with; walks are rough, which is quick. */
export const readJobFacts = async (job: Job): Promise<JobFacts> => {
  const { people, rows, units, carriers, all, setUpOf, lost, models, lives } = await gather(job)
  const found = new Map<string, ReadonlyMap<string, FitOnBody | string>>()
  const made = await Promise.all(
    models.map(async (model): Promise<Model> => {
      const { id, form } = model
      const fits = await fitsOf(model, all)
      found.set(id, fits)
      return {
        id,
        body: form.id,
        maker: form.maker,
        name: `${form.maker} ${form.model}`,
        slots: form.slots.names,
        isWhole: form.slots.stores === 'everything',
        cautions: bodyCautions(form).map(({ title, words }) => ({ title, words })),
        fits: Object.fromEntries([...fits].map(([key, f]) => [key, typeof f === 'string' ? f : f.fit])),
        ...(await orNone(roughWalksOf(model, fits))),
      }
    }),
  )
  const facts = await Promise.all(
    units.map(async (u): Promise<UnitFact> => {
      const model = models.find(m => m.id === `${u.body_id ?? ''} ${u.firmware}`)
      const known = model && (await lives.knownOf(u, model.body, u.firmware))
      const owed = all.flatMap(s => {
        const fit = model && found.get(model.id)?.get(s.setUp.key)
        const rest = known && fit && typeof fit !== 'string' && owedOf(known, s, fit)
        return rest ? [[s.setUp.key, rest] as const] : []
      })
      return {
        id: u.id,
        tag: u.tag,
        model: `${u.body_id ?? ''} ${u.firmware}`,
        owner: u.owner,
        hiredUntil: u.hired_until,
        carriedBy: carriers.filter(c => c.units.includes(u.id)).map(c => c.id),
        owed: Object.fromEntries(owed),
      }
    }),
  )
  return {
    people: people.map(({ id, name }) => ({ id, name })),
    setUps: all.map(s => s.setUp),
    setUpOf,
    told: Object.fromEntries(job.scenes.map(s => [s.id, told.getOr(JSON.stringify(s), () => toldOf(s))])),
    models: made,
    units: facts,
    lenses: await lensFacts(rows),
    lost,
  }
}

/** Whoever asked for walks before. */
let before: Promise<unknown> = Promise.resolve()

/** One after the other, with others' questions in between: what one takes to read is short, and what twenty take is not. */
const inTurn = <T>(read: () => Promise<T>): Promise<T> => {
  const mine = before.then(() => new Promise(go => setImmediate(go))).then(read)
  before = mine.catch(() => undefined)
  return mine
}

/** What walks of a job are between, and on what. @param only the model that is asked for, where it is one */
const walkable = async (job: Job, only?: string) => {
  const [people, rows] = await Promise.all([listPeople(), listUnits()])
  const units = rows.filter(u => u.body_id !== null && (only === undefined || only === `${u.body_id} ${u.firmware}`))
  const [{ all }, models] = await Promise.all([setUpsOf(job, people), modelsOf(units)])
  return { all, models }
}

const walksAmong = (
  { all, models }: Awaited<ReturnType<typeof walkable>>,
  { model: modelId, setUps, pairs }: Asking,
): Promise<BestWalks> | undefined => {
  const model = models.find(m => m.id === modelId)
  // A standard may have gone meanwhile; the others keep their places.
  const there = setUps.filter(key => all.some(s => s.setUp.key === key))
  const asked = there.flatMap(key => all.find(s => s.setUp.key === key) ?? [])
  const place = (i: number) => there.indexOf(setUps[i] ?? '')
  const isThere = ([from, to]: Pair) => from >= 0 && to >= 0 && from !== to
  // Each once, however often it is asked for.
  const wanted = pairs && [
    ...new Map(
      pairs
        .map(([from, to]): Pair => [place(from), place(to)])
        .filter(isThere)
        .map(pair => [pair.join('-'), pair] as const),
    ).values(),
  ]
  return model && orNone(walksOf(model, asked, wanted))
}

/** All of them, where nobody says which. */
type Asking = Pick<Needed, 'model' | 'setUps'> & Partial<Needed>

/** The same with the best walks of what the plan needs. */
export const readExactFacts = async (job: Job, happened: readonly Happened[], scope: Scope): Promise<JobFacts> => {
  const [rough, known] = await Promise.all([readJobFacts(job), walkable(job)])
  const needed = await inPool('jobNeeds', { job, facts: rough, happened, scope })
  const found = await Promise.all(needed.map(async n => ({ model: n.model, walks: await walksAmong(known, n) })))
  return found.reduce((facts, { model, walks }) => (walks ? withWalks(facts, model, walks) : facts), rough)
}

/**
 * The best walks of one model between some set-ups of a job.
 *
 * @returns undefined where the job has no such model
 */
export const readWalks = async (job: Job, asking: Asking): Promise<BestWalks | undefined> =>
  walksAmong(await inTurn(() => walkable(job, asking.model)), asking)
