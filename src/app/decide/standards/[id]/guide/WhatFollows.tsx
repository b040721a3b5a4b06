'use client'

import { Alert, Button, Link, Tab, Tabs } from '@mui/material'
import { useCallback, useDeferredValue, useMemo, useState } from 'react'
import { accept } from '@/core/guide/accept'
import { type Answered, answersOn, type Proposal, tipsFor } from '@/core/guide/guide'
import { type MindChange, mindChangesOn } from '@/core/guide/mind'
import type { TopicId } from '@/core/guide/schools'
import { type HouseGuide, knowledgeOf } from '@/core/guide/house'
import { contradictions } from '@/core/guide/incompatible'
import type { Answers } from '@/core/guide/questions'
import { effectiveTargets, layered, type Layer, type Standard } from '@/core/standards'
import { withAdvice, withoutGuidance, withRescue } from '@/core/standards/guidance'
import { dimension } from '@/core/vocabulary/dimensions'
import { sameValue } from '@/core/vocabulary/distance'
import type { CalledOn } from '@/server/guide'
import { GivesWay } from '@/ui/GivesWay'
import { refusedIn } from './answers'
import { AdviceList, FindingList, RescueList } from './Tips'
import { TopicItem } from './TopicItem'
import { ViewLink } from '@/ui/links'
import { Wrap } from '@/ui/pieces'
import type { Edit } from './Questions'
import { Box, Typography } from '@/ui/elements'

/** Three kinds of answer, kept apart: what is set, how to shoot, what to do when it goes wrong. */
type Kind = 'settings' | 'shooting' | 'wrong'

export const WhatFollows = ({
  standard: now,
  layer: layerNow,
  edit,
  house,
  called,
}: {
  standard: Standard
  layer: Layer
  edit: Edit | undefined
  house: HouseGuide
  called: CalledOn
}) => {
  const [kind, setKind] = useState<Kind>('settings')
  // What was clicked shows at once; what follows from it comes with the next frame.
  const standard = useDeferredValue(now)
  const layer = standard.layers.find(l => l.id === layerNow.id) ?? layerNow
  const answers: Answers = useMemo(() => standard.answers ?? {}, [standard.answers])
  const knowledge = useMemo(() => knowledgeOf(house), [house])
  const setting = useMemo(() => {
    const bare = { ...standard, layers: standard.layers.map(l => (l.id === layer.id ? { ...l, targets: [] } : l)) }
    return { knowledge, below: new Map(effectiveTargets(bare).map(t => [t.dimension, t.value])) }
  }, [standard, layer.id, knowledge])
  // What was accepted on one question decides what fits beside it on the next.
  const taken = useMemo(
    () =>
      Object.fromEntries(
        answersOn(answers, setting).flatMap(t => {
          const proposal = takenOf(t, layer)
          return proposal ? [[t.id, proposal.id] as const] : []
        }),
      ),
    [answers, setting, layer],
  )
  const topics = useMemo(() => answersOn(answers, { ...setting, taken }), [answers, setting, taken])
  const changes = useCallback((id: TopicId) => mindChangesOn(id, answers, setting), [answers, setting])
  const tips = useMemo(() => tipsFor(answers, { knowledge, taken }), [answers, knowledge, taken])
  const kept = new Set([...(layer.advice ?? []), ...(layer.rescues ?? [])].map(k => k.id))
  const advice = (id: string) => tips.advice.find(a => a.id === id)
  const keepOne = (s: Standard, id: string): Standard => {
    const a = advice(id)
    if (a) return withAdvice(s, layer.id, { id, title: a.title, text: a.text, source: a.source })
    const r = tips.rescues.find(x => x.id === id)
    return r
      ? withRescue(s, layer.id, { id, symptom: r.symptom, remedies: r.remedies.map(m => ({ ...m })), source: r.source })
      : s
  }
  const keeping = {
    isKept: (id: string) => kept.has(id),
    onKeep:
      edit &&
      ((id: string, isKept: boolean) =>
        edit(`guide: ${isKept ? 'taken out' : 'kept'} ${advice(id)?.title ?? id}`, s =>
          isKept ? withoutGuidance(s, layer.id, id) : keepOne(s, id),
        )),
  }
  const [adviceIds, rescueIds] = [tips.advice.map(a => a.id), tips.rescues.map(r => r.id)]
  const findings = (layer.advice ?? []).filter(a => !adviceIds.includes(a.id))
  const keepAll = (ids: readonly string[]) => {
    const open = ids.filter(id => !kept.has(id))
    if (!edit || open.length < 2) return null
    return (
      <Button
        variant="outlined"
        onClick={() => edit(`guide: ${open.length} kept`, s => open.reduce((now, id) => keepOne(now, id), s))}
      >
        Keep all {open.length}
      </Button>
    )
  }
  return (
    <Box component="section" aria-label="Proposals">
      <Typography variant="h2">For {layer.name}</Typography>
      {contradictions(effectiveTargets(standard)).map(c => (
        <Alert key={c.dimensions.join()} severity="warning" sx={{ mt: 1 }}>
          These do not go together: {c.words}
        </Alert>
      ))}
      <Tabs
        value={kind}
        onChange={(_, next: Kind) => setKind(next)}
        aria-label="What the guide says"
        variant="scrollable"
        allowScrollButtonsMobile
        sx={{ borderBottom: 1, borderColor: 'divider' }}
      >
        <Tab value="settings" label={`Settings (${topics.length})`} />
        <Tab value="shooting" label={`How to shoot (${tips.advice.length})`} />
        <Tab value="wrong" label={`When it goes wrong (${tips.rescues.length})`} />
      </Tabs>
      {kind === 'settings' && (
        <>
          <FindingList findings={findings} {...keeping} />
          <Settings standard={standard} layer={layer} topics={topics} edit={edit} changes={changes} />
        </>
      )}
      {kind === 'shooting' && (
        <>
          <Head
            words="What no setting does. What you keep stands on the wall sheet and on the cards."
            action={keepAll(adviceIds)}
          />
          <FindingList findings={findings} {...keeping} />
          <AdviceList advice={tips.advice} {...keeping} />
        </>
      )}
      {kind === 'wrong' && (
        <>
          <Head
            words="Two or three things to try, in the words of the bodies in hand. What you keep stands on the cards."
            action={keepAll(rescueIds)}
          />
          <RescueList rescues={tips.rescues} called={called} {...keeping} />
        </>
      )}
    </Box>
  )
}

const Head = ({ words, action }: { words: React.ReactNode; action: React.ReactNode }) => (
  <Wrap sx={{ alignItems: 'center', mt: 2 }}>
    <Typography color="textSecondary" sx={{ flex: 1, minWidth: 'var(--field)' }}>
      {words}
    </Typography>
    {action}
  </Wrap>
)

/** The answer to a topic that the layer holds now, whichever it is. */
const takenOf = (topic: Answered, layer: Layer): Proposal | undefined =>
  [...topic.proposals, ...topic.others].find(
    p =>
      p.targets.length > 0 &&
      p.targets.every(t => {
        const there = layer.targets.find(x => x.dimension === t.dimension)
        return there && sameValue(dimension(t.dimension), there.value, t.value)
      }),
  )

const Settings = ({
  standard,
  layer,
  topics,
  edit,
  changes,
}: {
  standard: Standard
  layer: Layer
  topics: readonly Answered[]
  edit: Edit | undefined
  changes: (topic: TopicId) => readonly MindChange[]
}) => {
  const refused = refusedIn(standard)
  const taken = new Map(topics.map(t => [t.id, takenOf(t, layer)?.id]))
  const open = topics.filter(t => !refused.includes(t.id) && !taken.get(t.id) && t.proposals[0].targets.length > 0)
  // Where a must below is relaxed, somebody is asked why.
  const relaxing = useMemo(
    () =>
      new Set([
        ...layered(standard).withheld.map(w => w.target.dimension),
        ...layer.targets.flatMap(t => (t.relaxes ? [t.dimension] : [])),
      ]),
    [standard, layer],
  )
  const writes = (t: Answered, id: string) =>
    [...t.proposals, ...t.others].some(p => p.targets.some(x => x.dimension === id))
  return (
    <>
      <Head
        words={
          <>
            What goes into the draft. Why the guide says so, and rules of your own:{' '}
            <Link component={ViewLink} href="/decide/guide" color="inherit">
              the guide’s reasoning
            </Link>
            .
          </>
        }
        action={
          edit &&
          open.length > 0 && (
            <Button
              variant="outlined"
              onClick={() =>
                edit(`guide: ${open.length} proposals accepted`, s =>
                  open.reduce((now, t) => accept(now, layer.id, t.id, t.proposals[0]), s),
                )
              }
            >
              Accept all {open.length} that are open
            </Button>
          )
        }
      />
      {topics.map(t => (
        <TopicItem
          key={t.id}
          topic={t}
          taken={taken.get(t.id)}
          isRefused={refused.includes(t.id)}
          layerId={layer.id}
          edit={edit}
          changes={changes}
        >
          {edit && [...relaxing].some(id => writes(t, id)) && (
            <GivesWay
              document={standard}
              layer={layer}
              edit={edit}
              concerns={id => writes(t, id)}
              what="what you accepted"
            />
          )}
        </TopicItem>
      ))}
    </>
  )
}
