import type { Problem } from '../reading/problem'
import { findDimension } from '../vocabulary/dimensions'
import { statementsOf } from '../vocabulary/parts'
import type { ControlAssignment } from '../vocabulary/values'
import { availability } from './availability'
import { accepts } from './control-functions'
import { compareVersions, isThere } from './firmware'
import { inMenuOrder } from './menu'
import { type Body, factoryState, type Rule } from './schema'
import { groupsOf, search, searchInput, SearchTooLargeError } from './search'
import { bodyAt, parseForm, versionsOf } from './versions'

/** What may be spent on one profile, all its firmware together, in the work of the search; about a second. */
const MOST_EFFORT = 1_000_000

/** What is left to spend on one profile, and what could not be proven with it. */
export interface Effort {
  left: number
  readonly unproven: Problem[]
}

export const newEffort = (left: number = MOST_EFFORT): Effort => ({ left, unproven: [] })

export interface CheckOptions {
  /** The firmware of the form that is looked at; the first one where not given. */
  readonly running?: string
  /** One for the whole profile. */
  readonly effort?: Effort
}

/**
 * What a profile says that cannot be true. An empty list means that the profile can be resolved, as far as its rules
 * can be searched: what is not proven in reasonable time is told in `effort` and refuses nothing.
 */
export const checkBody = (
  body: Body,
  file: string,
  { running = body.firmware.from, effort = newEffort() }: CheckOptions = {},
): readonly Problem[] => {
  const problem = (path: string, value: string, expected: string): Problem => ({ file, path, value, expected })
  const structural = [
    ...references(body, problem),
    ...controls(body, problem),
    ...positions(body, problem),
    ...meanings(body, problem),
    ...(running === body.firmware.from ? evidence(body, problem) : []),
  ]
  if (structural.length) return structural
  const circle = ruleCircle(body)
  if (circle)
    return [
      problem(
        'rules',
        circle.settings.join(' > '),
        `the rules run in a circle: ${circle.rules.map(quoted).join(', then ')}`,
      ),
    ]
  return [
    ...tooNew(body, running, problem),
    ...defaults(body, problem),
    ...unreachable(body, problem, running, effort),
    ...updates(body, file, effort),
  ]
}

/** Updates come in order, later than the first firmware, and each leads to a profile that is right in itself. */
const updates = (body: Body, file: string, effort: Effort): readonly Problem[] =>
  body.updates.flatMap((u, i) => {
    const path = `updates.${i}`
    const former = body.updates[i - 1]?.id ?? body.firmware.from
    if (compareVersions(u.id, former) <= 0 || compareVersions(u.id, body.firmware.to) > 0)
      return [{ file, path, value: u.id, expected: `expected a version after ${former} and up to ${body.firmware.to}` }]
    const form = parseForm(body, u.id, file)
    const problems = form.ok ? checkBody(form.value, file, { running: u.id, effort }) : form.problems
    return problems.map(p => ({ ...p, path: `${path} (firmware ${u.id}), ${p.path}` }))
  })

type Say = (path: string, value: string, expected: string) => Problem

const quoted = (r: Rule): string => `“${r.words}”`

const duplicates = (ids: readonly string[]): readonly string[] => [
  ...new Set(ids.filter((id, i) => ids.indexOf(id) !== i)),
]

/** Everything that points somewhere points at something. */
const references = (body: Body, say: Say): readonly Problem[] => {
  const found: Problem[] = []
  const unique = (path: string, ids: readonly string[]) => {
    for (const id of duplicates(ids)) found.push(say(path, id, 'expected every id only once'))
  }
  unique(
    'settings',
    body.settings.map(s => s.id),
  )
  unique(
    'controls',
    body.controls.map(c => c.id),
  )
  unique(
    'rules',
    body.rules.map(r => r.id),
  )
  unique(
    'menu.tabs',
    body.menu.tabs.map(t => t.id),
  )
  const settings = new Map(body.settings.map(s => [s.id, s]))
  const tabs = new Map(body.menu.tabs.map(t => [t.id, t]))
  const needOption = (path: string, settingId: string, optionIds: readonly string[]) => {
    const setting = settings.get(settingId)
    if (!setting) found.push(say(path, settingId, 'expected the id of a setting of this body'))
    else
      for (const id of optionIds)
        if (!setting.options.some(o => o.id === id))
          found.push(say(path, id, `expected an option of ${setting.id}: ${setting.options.map(o => o.id).join(', ')}`))
  }
  body.settings.forEach((s, i) => {
    unique(
      `settings.${i}.options`,
      s.options.map(o => o.id),
    )
    needOption(`settings.${i}.default`, s.id, [s.default])
    const tab = tabs.get(s.at.tab)
    if (!tab)
      found.push(say(`settings.${i}.at.tab`, s.at.tab, `expected a tab of the menu: ${[...tabs.keys()].join(', ')}`))
    else if (s.at.page > tab.pages.length)
      found.push(
        say(
          `settings.${i}.at.page`,
          String(s.at.page),
          `expected at most ${tab.pages.length}, the pages of ${tab.label}`,
        ),
      )
  })
  body.rules.forEach((r, i) => {
    r.when.forEach((c, k) => needOption(`rules.${i}.when.${k}`, c.setting, c.is))
    const options = r.then.effect === 'forced' ? [r.then.option] : r.then.effect === 'excludes' ? r.then.options : []
    needOption(`rules.${i}.then`, r.then.setting, options)
  })
  body.pins?.forEach((p, i) => {
    needOption(`pins.${i}.setting`, p.setting, [])
    if (settings.has(p.setting)) needOption(`pins.${i}.option`, p.setting, [p.option])
  })
  const stored = { 'slots.stores': body.slots.stores, 'slots.keys.stores': body.slots.keys?.stores ?? [] }
  for (const [at, stores] of Object.entries(stored))
    if (stores !== 'everything') stores.forEach((id, i) => needOption(`${at}.${i}`, id, []))
  const { columns, rows } = body.coverage
  body.coverage.sensitive.forEach((p, i) => {
    if (p.column > columns || p.row > rows)
      found.push(
        say(`coverage.sensitive.${i}`, `${p.column}, ${p.row}`, `expected a point within ${columns} × ${rows}`),
      )
  })
  return found
}

/** What pictures tell speaks of settings and options that the body has, with any of its firmware. */
const evidence = (body: Body, say: Say): readonly Problem[] => {
  const settings = versionsOf(body).flatMap(v => bodyAt(body, v).settings)
  const options = new Set(settings.flatMap(s => s.options.map(o => `${s.id} ${o.id}`)))
  return (body.evidence ?? []).flatMap((e, i) => {
    if (!settings.some(s => s.id === e.setting))
      return [say(`evidence.${i}.setting`, e.setting, 'expected the id of a setting of this body')]
    if (!options.has(`${e.setting} ${e.option}`))
      return [say(`evidence.${i}.option`, e.option, `expected an option of ${e.setting}`)]
    const isCompared = e.sign === 'at-least' || e.sign === 'at-most'
    return isCompared && !Number.isFinite(Number(e.value))
      ? [say(`evidence.${i}.value`, e.value, 'expected a number to compare with')]
      : []
  })
}

/** Functions sit only where the body lets them. */
const controls = (body: Body, say: Say): readonly Problem[] => {
  const found: Problem[] = []
  const byId = new Map(body.controls.map(c => [c.id, c]))
  body.controls.forEach((c, i) => {
    if (c.functions.length === 0)
      found.push(say(`controls.${i}.functions`, c.id, 'expected at least one function that this control accepts'))
  })
  const assignment = (path: string, dimensionId: string, value: unknown) => {
    if (findDimension(dimensionId)?.kind !== 'assign') return
    const { control: controlId } = value as ControlAssignment
    const control = byId.get(controlId)
    if (!control) found.push(say(path, controlId, `expected a control of this body: ${[...byId.keys()].join(', ')}`))
    else if (!accepts(control, dimensionId))
      found.push(
        say(
          path,
          controlId,
          `expected a control that accepts ${dimensionId}; ${control.label} accepts ${control.functions.join(', ')}`,
        ),
      )
  }
  body.settings.forEach((s, i) =>
    s.options.forEach((o, k) =>
      Object.entries(o.means).forEach(([d, value]) => assignment(`settings.${i}.options.${k}.means.${d}`, d, value)),
    ),
  )
  body.fixed.forEach((f, i) =>
    Object.entries(f.means).forEach(([d, value]) => assignment(`fixed.${i}.means.${d}`, d, value)),
  )
  return found
}

const positions = (body: Body, say: Say): readonly Problem[] => {
  const at = (s: Body['settings'][number]) => `${s.at.tab}, page ${s.at.page}, row ${s.at.row}`
  return duplicates(body.settings.map(at)).map(place => {
    const who = body.settings.filter(s => at(s) === place).map(s => s.label)
    return say('settings', who.join(' and '), `expected one setting in each menu row; both stand at ${place}`)
  })
}

/** An option says one thing on each channel: an area that names who chooses does not name somebody else beside it. */
const meanings = (body: Body, say: Say): readonly Problem[] =>
  body.settings.flatMap((s, i) =>
    s.options.flatMap((o, k) => {
      const channels = Object.entries(o.means).flatMap(([id, value]) => statementsOf(id, value).map(st => st.channel))
      return duplicates(channels).map(channel =>
        say(
          `settings.${i}.options.${k}.means`,
          `${s.label}: ${o.label}`,
          `expected ${channel} to be stated once, in the area or beside it`,
        ),
      )
    }),
  )

/**
 * A circle of rules in which a setting can grey itself out by way of others: nobody can say what then holds.
 * Rules that only force each other are no circle; where they contradict, an option is unreachable.
 */
const ruleCircle = (body: Body): { settings: readonly string[]; rules: readonly Rule[] } | undefined => {
  const edges = body.rules
    .filter(r => r.then.effect !== 'excludes')
    .flatMap(rule => rule.when.map(c => ({ from: c.setting, to: rule.then.setting, rule })))
  const label = (id: string) => body.settings.find(s => s.id === id)?.label ?? id
  for (const greying of edges.filter(e => e.rule.then.effect === 'unavailable')) {
    const path = pathBetween(edges, greying.to, greying.from)
    if (!path) continue
    const circle = [greying, ...path]
    return { settings: [greying.from, ...circle.map(e => e.to)].map(label), rules: circle.map(e => e.rule) }
  }
  return undefined
}

interface Edge {
  readonly from: string
  readonly to: string
  readonly rule: Rule
}

/** The shortest way along the edges, or undefined where there is none. */
const pathBetween = (edges: readonly Edge[], from: string, to: string): readonly Edge[] | undefined => {
  const arrivedBy = new Map<string, readonly Edge[]>([[from, []]])
  const queue = [from]
  for (let at = queue.shift(); at !== undefined; at = queue.shift()) {
    const path = arrivedBy.get(at) ?? []
    if (at === to) return path
    for (const edge of edges)
      if (edge.from === at && !arrivedBy.has(edge.to)) {
        arrivedBy.set(edge.to, [...path, edge])
        queue.push(edge.to)
      }
  }
  return undefined
}

/** A factory default has to be there as soon as its setting is. */
const tooNew = (body: Body, running: string, say: Say): readonly Problem[] =>
  body.settings.flatMap((s, i) => {
    const begins = s.since !== undefined && compareVersions(s.since, running) > 0 ? s.since : running
    const since = s.options.find(o => o.id === s.default)?.since
    if (isThere(since, begins)) return []
    const there = s.options.filter(o => isThere(o.since, begins)).map(o => o.id)
    return [
      say(
        `settings.${i}.default`,
        s.default,
        `expected an option that is there with firmware ${begins}${there.length ? `: ${there.join(', ')}` : ''}; this one came with ${since}`,
      ),
    ]
  })

const defaults = (body: Body, say: Say): readonly Problem[] => {
  const state = factoryState(body)
  return availability(body, state).broken.map(r =>
    say(
      `settings.${body.settings.findIndex(s => s.id === r.then.setting)}.default`,
      state[r.then.setting] ?? '',
      `the factory defaults break the rule ${quoted(r)}`,
    ),
  )
}

/**
 * Options that no state of the body can ever reach. What is not proven within the effort is noted, and the rest of the
 * profile is looked at all the same.
 */
const unreachable = (body: Body, say: Say, running: string, effort: Effort): readonly Problem[] => {
  const settings = inMenuOrder(body)
  const free = settings.map(s => s.options.map((_, o) => o))
  const input = searchInput({ settings, rules: body.rules, domains: free, known: factoryState(body), terms: [] })
  const groups = groupsOf(input)
  const reached = reachedNearby(body, settings)
  const found: Problem[] = []
  const unproven: string[] = []
  settings.forEach((setting, i) => {
    const group = groups.find(g => g.settings.includes(i))
    if (!group?.rules.length) return
    setting.options.forEach((option, o) => {
      // Stryker disable next-line ConditionalExpression: what is proven already is searched for once more, which takes time
      if (reached.has(`${i} ${o}`)) return
      const domains = free.map((all, k) => (k === i ? [o] : all))
      const path = `settings.${body.settings.findIndex(s => s.id === setting.id)}.options.${o}`
      try {
        if (effort.left <= 0) throw new SearchTooLargeError([])
        const state = search({ ...input, domains, usable: [i] }, [group], effort.left, work => (effort.left -= work))
        if (state) {
          for (const k of group.settings) if ((state.choice[k] ?? -1) >= 0) reached.add(`${k} ${state.choice[k]}`)
          return
        }
        const rules = group.rules.filter(l => l.members.includes(i)).map(l => l.rule)
        found.push(
          say(
            path,
            `${setting.label}: ${option.label}`,
            `no way to reach this option; see the rules ${rules.map(quoted).join(', ')}`,
          ),
        )
      } catch (error) {
        if (!(error instanceof SearchTooLargeError)) throw error
        unproven.push(`${setting.label}: ${option.label}`)
      }
    })
  })
  if (unproven.length) effort.unproven.push(say(`rules (firmware ${running})`, '', unprovenWords(unproven)))
  return found
}

const MOST_NAMED = 4

const unprovenWords = (options: readonly string[]): string => {
  const more = options.length - MOST_NAMED
  const named = options.slice(0, MOST_NAMED).join(', ') + (more > 0 ? ` and ${more} more` : '')
  return `the rules tie so many settings together that it could not be proven within ${MOST_EFFORT.toLocaleString('en')} steps whether ${named} can be reached`
}

/** Options that stand beside the factory defaults as they are: proof enough, without a search. */
const reachedNearby = (body: Body, settings: readonly Body['settings'][number][]): Set<string> => {
  const factory = factoryState(body)
  const reached = new Set<string>()
  settings.forEach((s, i) =>
    s.options.forEach((option, o) => {
      const { broken, unavailable } = availability(body, { ...factory, [s.id]: option.id })
      if (broken.length === 0 && !unavailable.has(s.id)) reached.add(`${i} ${o}`)
    }),
  )
  return reached
}
