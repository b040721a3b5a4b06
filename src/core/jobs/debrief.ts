import { RULES } from '../rescues/rules'
import { SYMPTOM_IDS, SYMPTOMS } from '../rescues/symptoms'
import type { JobFacts } from './facts'
import type { Happened } from './standing'
import type { Planned } from './replan'

/** What a job taught: rescues by scene, what to write into the standard, who was missing what, what changed on the day. */

export interface RescueUsed {
  readonly scene: string
  readonly sceneName: string
  readonly symptom: string
  readonly label: string
  readonly times: number
  readonly by: readonly string[]
}

/** Something to write into a standard, since it was needed again and again. */
export interface ToWrite {
  readonly standard: string
  readonly name: string
  readonly dimension: string
  readonly words: string
  readonly times: number
  readonly why: string
}

export interface Debrief {
  readonly rescues: readonly RescueUsed[]
  readonly toWrite: readonly ToWrite[]
  readonly missed: readonly { readonly who: string; readonly words: string; readonly at: string }[]
  readonly notes: readonly {
    readonly scene: string | undefined
    readonly words: string
    readonly by: string | undefined
    readonly at: string
  }[]
  readonly changes: readonly { readonly words: string; readonly by: string | undefined; readonly at: string }[]
  readonly scenes: { readonly done: number; readonly dropped: number; readonly open: number }
}

/** Once is chance; what is needed this often over a job belongs into the standard. */
const OFTEN = 2

export const debriefOf = (facts: JobFacts, planned: Planned, happened: readonly Happened[]): Debrief => {
  const { standing, plan } = planned
  const sceneName = (id: string | undefined) => standing.scenes.find(s => s.id === id)?.name ?? id ?? ''
  const personName = (id: string | undefined) => facts.people.find(p => p.id === id)?.name ?? id ?? 'somebody'
  const tagOf = (id: string) => facts.units.find(u => u.id === id)?.tag ?? id
  const used = happened.flatMap(h => (h.what.kind === 'rescued' ? [{ ...h.what, by: h.by }] : []))
  const grouped = new Map<string, typeof used>()
  for (const u of used) grouped.set(`${u.scene} ${u.symptom}`, [...(grouped.get(`${u.scene} ${u.symptom}`) ?? []), u])
  const rescues = [...grouped.values()].flatMap((all): RescueUsed[] => {
    const [first] = all
    if (!first) return []
    const id = SYMPTOM_IDS.find(s => s === first.symptom)
    return [
      {
        scene: first.scene,
        sceneName: sceneName(first.scene),
        symptom: first.symptom,
        label: id ? SYMPTOMS[id].label : first.symptom,
        times: all.length,
        by: [...new Set(all.map(u => personName(u.by)))],
      },
    ]
  })
  const wanted = new Map<string, ToWrite>()
  for (const u of used) {
    const rule = RULES.find(r => r.id === u.rule)
    const there = plan.stations.filter(s => s.scene.id === u.scene)
    // The camera may be in other hands by now, or nowhere: what the scene is set to is the same.
    const { setUp } = there.find(s => s.unit?.id === u.unit) ?? there[0] ?? {}
    if (!rule?.change || !setUp || setUp.isGuided) continue
    const key = `${setUp.standard} ${rule.change.dimension} ${rule.change.words}`
    const before = wanted.get(key)
    wanted.set(key, {
      standard: setUp.standard,
      name: setUp.name,
      dimension: rule.change.dimension,
      words: rule.change.words,
      times: (before?.times ?? 0) + 1,
      why: rule.why,
    })
  }
  const said = (h: Happened): string | undefined => {
    switch (h.what.kind) {
      case 'moved':
        return `${sceneName(h.what.scene)} was moved to ${h.what.at}.`
      case 'dropped':
        return `${sceneName(h.what.scene)} was dropped.`
      case 'restored':
        return `${sceneName(h.what.scene)} was played after all.`
      case 'failed':
        return `${tagOf(h.what.unit)} failed.`
      case 'mended':
        return `${tagOf(h.what.unit)} was back.`
      case 'done':
      case 'rescued':
      case 'missed':
      case 'noted':
      case 'printed':
        return undefined
    }
  }
  return {
    rescues: rescues.toSorted((a, b) => b.times - a.times),
    toWrite: [...wanted.values()].filter(w => w.times >= OFTEN).toSorted((a, b) => b.times - a.times),
    missed: happened.flatMap(h =>
      h.what.kind === 'missed' ? [{ who: personName(h.what.who), words: h.what.words, at: h.at }] : [],
    ),
    notes: happened.flatMap(h =>
      h.what.kind === 'noted'
        ? [
            {
              scene: h.what.scene === undefined ? undefined : sceneName(h.what.scene),
              words: h.what.words,
              by: h.by && personName(h.by),
              at: h.at,
            },
          ]
        : [],
    ),
    changes: happened.flatMap(h => {
      const words = said(h)
      return words === undefined ? [] : [{ words, by: h.by && personName(h.by), at: h.at }]
    }),
    scenes: {
      done: standing.scenes.filter(s => s.isDone && !s.isDropped).length,
      dropped: standing.scenes.filter(s => s.isDropped).length,
      open: standing.scenes.filter(s => !s.isDone && !s.isDropped).length,
    },
  }
}
