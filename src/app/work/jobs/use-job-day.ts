'use client'

import { useEffect, useMemo, useState } from 'react'
import { type JobFacts, type Model, withWalks } from '@/core/jobs/facts'
import { type Needed, neededWalks, pairsText, type Scope } from '@/core/jobs/needed'
import { unpackFacts } from '@/core/jobs/packed'
import { planThrough } from '@/core/jobs/replan'
import type { Job } from '@/core/jobs/job'
import type { Happened } from '@/core/jobs/standing'
import type { JobView, SentView } from '@/server/jobs'
import { sendJson } from '@/ui/send'
import { useFetched } from '@/ui/use-fetched'
import { together } from './kept'
import { useHappen } from './use-happen'

/** A view as the page brought it. */
export const useSentView = (sent: SentView): JobView =>
  useMemo(() => ({ ...sent, facts: unpackFacts(sent.facts) }), [sent])

type Walks = Pick<Model, 'walks' | 'rests' | 'rows'>

/** Asked for at the same time: two for each of the two that a small server works on at once. */
const AT_ONCE = 4

const keyOf = (n: Needed): string => `${n.model} ${n.setUps.join(' ')} ${pairsText(n.pairs)}`

/** Better walks than the rough ones, asked for one after the other while a plan is looked at. */
const useBetterWalks = (job: Job, facts: JobFacts, happened: readonly Happened[], scope: Scope | 'none') => {
  const [found, setFound] = useState<ReadonlyMap<string, { readonly model: string; readonly walks: Walks }>>(new Map())
  const [given, setGiven] = useState<ReadonlySet<string>>(new Set())
  const needed = useMemo(
    () => (scope === 'none' ? [] : neededWalks(planThrough(job, facts, happened).plan, facts, scope)),
    [scope, job, facts, happened],
  )
  const next = needed.filter(n => !found.has(keyOf(n)) && !given.has(keyOf(n))).slice(0, AT_ONCE)
  const asked = JSON.stringify(next)
  useEffect(() => {
    const all = JSON.parse(asked) as readonly Needed[]
    if (all.length === 0) return undefined
    const stop = new AbortController()
    const ask = async (n: Needed) => {
      const query = new URLSearchParams({ model: n.model, setUps: n.setUps.join(' '), pairs: pairsText(n.pairs) })
      const sent = await sendJson<Walks>('GET', `/api/v1/jobs/${job.id}/walks?${query}`, undefined, stop.signal)
      return [keyOf(n), sent.ok ? { model: n.model, walks: sent.value } : undefined] as const
    }
    void Promise.all(all.map(ask)).then(answers => {
      if (stop.signal.aborted) return
      setFound(known => new Map([...known, ...answers.flatMap(([k, v]) => (v ? [[k, v] as const] : []))]))
      // Without network the rough ones do.
      setGiven(known => new Set([...known, ...answers.flatMap(([k, v]) => (v ? [] : [k]))]))
    })
    return () => stop.abort()
  }, [job.id, asked])
  const better = useMemo(
    () => needed.reduce((all, n) => withBetter(all, found.get(keyOf(n))), facts),
    [needed, facts, found],
  )
  return {
    facts: better,
    done: needed.filter(n => found.has(keyOf(n))).length,
    of: needed.length,
    isWorking: next.length > 0,
  }
}

const withBetter = (facts: JobFacts, found: { readonly model: string; readonly walks: Walks } | undefined): JobFacts =>
  found ? withWalks(facts, found.model, found.walks) : facts

/** A job on this device: planned here, whatever the network does. @param better walks that are asked for meanwhile */
export const useJobDay = (
  { job, facts: known, happened: asOpened }: Pick<JobView, 'job' | 'facts' | 'happened'>,
  better: Scope | 'none',
) => {
  const { kept, ...happen } = useHappen(job.id)
  const happened = useMemo(() => together(asOpened, kept), [asOpened, kept])
  const { facts, ...walks } = useBetterWalks(job, known, happened, better)
  const planned = useMemo(() => planThrough(job, facts, happened), [job, facts, happened])
  return { facts, happened, planned, walks, ...happen }
}

/** All that decides what cameras are set to, as text. */
const leadsTo = ({ setUps, setUpOf, models, units, lenses }: JobFacts): string =>
  JSON.stringify([setUps, setUpOf, models.map(m => [m.id, m.fits]), units, lenses])

/** A page that was kept shows what was known when it was; what is known by now comes as soon as there is network. */
export const useFreshView = (sent: SentView): { readonly view: JobView; readonly isExact: boolean } => {
  const asOpened = useSentView(sent)
  const { value: fresh } = useFetched<JobView>({ address: `/api/v1/jobs/${asOpened.job.id}/plan` })
  return useMemo(() => {
    if (!fresh) return { view: asOpened, isExact: true }
    // Walks that were worked out stay while what they lead to is the same.
    const isSame = fresh.revision === asOpened.revision && leadsTo(fresh.facts) === leadsTo(asOpened.facts)
    return { view: isSame ? { ...fresh, facts: asOpened.facts } : fresh, isExact: isSame }
  }, [fresh, asOpened])
}
