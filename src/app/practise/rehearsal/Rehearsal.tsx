'use client'

import { Button, LinearProgress, TextField } from '@mui/material'
import { useMemo, useState } from 'react'
import { SCHOOL_IDS, type SchoolId, SCHOOLS } from '@/core/functions/schools'
import { prepare } from '@/core/rehearsal/rehearse'
import { type SweepId, SWEEPS } from '@/core/rehearsal/runs'
import { handsOf } from '@/core/drills/hands'
import { type Hands, HANDS, type HandFigures, setUpOf } from '@/core/rehearsal/set-up'
import { findDimension } from '@/core/vocabulary/dimensions'
import { inSentence } from '@/core/vocabulary/words'
import type { RehearsalView, RehearsedSide } from '@/server/rehearsal'
import { Choice } from '@/ui/Choice'
import { useAddress, useGoTo } from '@/ui/address'
import { Page, Section, Wrap } from '@/ui/pieces'
import { WorkerTrouble } from '@/ui/worker'
import { Results, SweepTable } from './Results'
import { KeepScene } from './KeepScene'
import { SceneEditor } from './SceneEditor'
import { Stage } from './Stage'
import { usePassages, useRehearsal, wrongIn } from './use-rehearsal'
import { usePractice } from '../drills/use-practice'
import { Box, Typography } from '@/ui/elements'

/** Somebody's own hands, as an address says it. */
const OWN = 'own'

const HAND_WORDS: Readonly<Record<Hands, string>> = {
  'first-month': 'first month',
  practised: 'practised',
  'very-steady': 'very steady',
}

const amount = (text: string | null, otherwise: number): number => {
  const n = Number((text ?? '').replace(',', '.'))
  return text && n > 0 && n < 3000 ? n : otherwise
}

/** Would these settings hold? A passage, one or two set-ups, and many runs of them. */
export const Rehearsal = ({ view }: { view: RehearsalView }) => {
  const { first, second, bodies, standards } = view
  const { params, set } = useAddress()
  const house = useMemo(() => view.scenes.map(s => s.passage), [view.scenes])
  const { all, typedOf, isOwn, change, reset } = usePassages(house)
  const [seed, setSeed] = useState(1)
  const [isEditing, setEditing] = useState(false)
  const passage = all.find(p => p.id === params.get('passage')) ?? all[5] ?? all[0]
  const { tries, person } = usePractice()
  const own = useMemo(() => handsOf(tries), [tries])
  const isOwnHands = params.get('hands') === OWN && own !== undefined
  const kind = HANDS.find(h => h === params.get('hands')) ?? 'practised'
  const hands: Hands | HandFigures = isOwnHands && own ? own : kind
  const lens = view.lenses.find(l => l.id === params.get('lens'))
  const focalMm = amount(params.get('mm'), lens?.focalMm ?? 135)
  const fNumber = amount(params.get('f'), lens?.fNumber ?? 2.8)
  const closestMetres = lens?.closestMetres
  const schoolIn = (name: string) => SCHOOL_IDS.find(s => s === params.get(name))
  const across: SweepId = (Object.keys(SWEEPS) as SweepId[]).find(s => s === params.get('across')) ?? 'hold'
  const down: SweepId = (Object.keys(SWEEPS) as SweepId[]).find(s => s === params.get('down')) ?? 'response'
  const [school, otherSchool] = [schoolIn('school'), schoolIn('otherSchool')]
  const sides = useMemo(() => {
    const made = (side: RehearsedSide, school: SchoolId) => ({
      ...setUpOf(side.means, side.facts, { focalMm, fNumber, closestMetres }, hands, school),
      name: `${side.name}, ${SCHOOLS[school].label}`,
    })
    const one = made(first, school ?? first.school)
    const other = second ?? (otherSchool ? first : undefined)
    return other ? [one, made(other, otherSchool ?? other.school)] : [one]
  }, [first, second, hands, focalMm, fNumber, closestMetres, school, otherSchool])
  const setUps = sides.map(s => s.setUp)
  const prepared = useMemo(() => (passage && sides[0] ? prepare(passage, sides[0].setUp) : undefined), [passage, sides])
  if (!passage || !prepared || !sides[0]) return null
  const typed = typedOf(passage.id) ?? passage
  return (
    <Page>
      <Typography variant="h1">Rehearsal</Typography>
      <Typography sx={{ mt: 0.5, mb: 2, maxWidth: 'var(--line)' }}>
        Would these settings hold? A passage, played many times by a model of camera, lens and hands. It compares; what
        it says in figures is no promise.
      </Typography>
      <Choices
        view={view}
        passages={all}
        passage={passage.id}
        hands={isOwnHands ? OWN : kind}
        own={own && person ? `${person.name}’s own` : undefined}
        lens={{ focalMm, fNumber }}
        chosenLens={lens?.id}
        school={school ?? first.school}
        otherSchool={otherSchool}
        set={set}
        bodies={bodies}
        standards={standards}
      />
      <Button size="small" aria-expanded={isEditing} onClick={() => setEditing(!isEditing)} sx={{ mt: 1 }}>
        Change the scene{isOwn(passage.id) ? ' (changed by you)' : ''}
      </Button>
      {isEditing && (
        <SceneEditor
          key={`${passage.id} ${isOwn(passage.id)}`}
          passage={typed}
          wrong={wrongIn(typed)}
          isOwn={isOwn(passage.id)}
          onPassage={change}
          onReset={() => reset(passage.id)}
          house={
            <KeepScene
              typed={typed}
              isUsable={wrongIn(typed).length === 0}
              stored={view.scenes.find(s => s.passage.id === passage.id)}
              onKept={id => {
                reset(passage.id)
                setEditing(false)
                set({ passage: id })
              }}
            />
          }
        />
      )}
      <Section title="One passage">
        <Stage prepared={prepared} seed={seed} onSeed={setSeed} />
        {sides[0].assumed.length > 0 && (
          <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
            Not said by this body, and assumed:{' '}
            {sides[0].assumed.map(id => inSentence(findDimension(id)?.label ?? id)).join(', ')}.
          </Typography>
        )}
      </Section>
      <Many names={sides.map(s => s.name)} passage={passage} setUps={setUps} across={across} down={down} set={set} />
    </Page>
  )
}

type SetAddress = ReturnType<typeof useAddress>['set']

const Many = ({
  names,
  passage,
  setUps,
  across,
  down,
  set,
}: {
  names: readonly string[]
  passage: Parameters<typeof useRehearsal>[0]
  setUps: Parameters<typeof useRehearsal>[1]
  across: SweepId
  down: SweepId
  set: SetAddress
}) => {
  const { answer, trouble, retry } = useRehearsal(passage, setUps, across, down)
  const [first] = setUps
  const pick = (name: 'across' | 'down', label: string, value: SweepId) => (
    <Choice
      label={label}
      value={value}
      onChange={value => set({ [name]: value })}
      sx={{ minWidth: 'var(--field)' }}
      options={(Object.keys(SWEEPS) as SweepId[]).map(id => ({ id, name: SWEEPS[id].label }))}
    />
  )
  return (
    <>
      <Section title="Many passages">
        <WorkerTrouble trouble={trouble} retry={retry} />
        {answer ? (
          <Results names={names} summaries={answer.summaries.slice(0, names.length)} />
        ) : (
          !trouble && <LinearProgress aria-label="Passages played" sx={{ maxWidth: 'var(--narrow)' }} />
        )}
      </Section>
      <Section title="What would have to change">
        <Typography variant="body2" sx={{ mb: 1.5, maxWidth: 'var(--line)' }}>
          Of 100 frames those that are sharp, for {names[0]}, with two settings turned and all else as it is.
        </Typography>
        <Wrap sx={{ mb: 2 }}>
          {pick('across', 'Across', across)}
          {pick('down', 'Down', down)}
        </Wrap>
        {first && <SweepTable cells={answer?.cells ?? []} across={across} down={down} setUp={first} />}
      </Section>
    </>
  )
}

const Choices = ({
  view: { first, second, lenses },
  chosenLens,
  passages,
  passage,
  hands,
  own,
  lens,
  school,
  otherSchool,
  set,
  bodies,
  standards,
}: {
  view: RehearsalView
  passages: readonly { readonly id: string; readonly name: string }[]
  passage: string
  hands: string
  /** What somebody's own hands are called, where their drills measured them. */
  own: string | undefined
  lens: { readonly focalMm: number; readonly fNumber: number }
  chosenLens: string | undefined
  school: SchoolId
  otherSchool: SchoolId | undefined
  set: SetAddress
  bodies: RehearsalView['bodies']
  standards: RehearsalView['standards']
}) => {
  const go = useGoTo()
  const choice = (
    label: string,
    value: string,
    options: readonly { readonly id: string; readonly name: string }[],
    onValue: (value: string) => void,
    none?: string,
  ) => (
    <Choice
      label={label}
      value={value}
      onChange={onValue}
      slotProps={{ select: { displayEmpty: none !== undefined }, inputLabel: { shrink: true } }}
      // The names of scenes are the longest.
      sx={{ flex: `1 1 var(--field${label === 'Scene' ? '' : '-short'})`, maxWidth: { sm: 'var(--field-long)' } }}
      none={none}
      options={options}
    />
  )
  const schools = SCHOOL_IDS.map(id => ({ id, name: SCHOOLS[id].label }))
  const figure = (label: string, name: 'mm' | 'f', value: number) => (
    <TextField
      key={`${name} ${value}`}
      size="small"
      label={label}
      defaultValue={value}
      onBlur={e => set({ [name]: e.target.value })}
      onKeyDown={e => e.key === 'Enter' && set({ [name]: (e.target as HTMLInputElement).value })}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      sx={{ width: 'var(--field-number)' }}
    />
  )
  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Wrap>
        {choice('Scene', passage, passages, id => set({ passage: id }))}
        {choice('Body', first.body, bodies, id => go({ body: id }))}
        {choice('School', school, schools, id => set({ school: id }))}
        {choice(
          'Hands',
          hands,
          [...HANDS.map(id => ({ id, name: HAND_WORDS[id] })), ...(own === undefined ? [] : [{ id: OWN, name: own }])],
          id => set({ hands: id }),
        )}
        {choice(
          'Lens',
          chosenLens ?? '',
          lenses,
          id => set({ lens: id || undefined, mm: undefined, f: undefined }),
          'any',
        )}
        {figure('Focal, mm', 'mm', lens.focalMm)}
        {figure('f-number', 'f', lens.fNumber)}
      </Wrap>
      <Wrap>
        {choice(
          'Against another standard',
          second?.standard === first.standard ? '' : (second?.standard ?? ''),
          standards,
          id => go({ against: id || undefined }),
          'the same',
        )}
        {choice(
          'On another body',
          second?.body === first.body ? '' : (second?.body ?? ''),
          bodies,
          id => go({ beside: id || undefined }),
          'the same',
        )}
        {choice(
          'With another school',
          otherSchool ?? '',
          schools,
          id => set({ otherSchool: id || undefined }),
          'the same',
        )}
      </Wrap>
    </Box>
  )
}
