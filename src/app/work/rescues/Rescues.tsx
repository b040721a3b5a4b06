'use client'

import { Button, TextField } from '@mui/material'
import { useEffect, useMemo, useState } from 'react'
import { type Remedy, remediesFor } from '@/core/rescues/rescue'
import type { Situation } from '@/core/rescues/situation'
import { findSymptoms, SYMPTOM_IDS, SYMPTOMS } from '@/core/rescues/symptoms'
import { keepThisPage } from '@/offline/keep-page'
import type { RescueHand } from '@/server/rescues'
import { Choice } from '@/ui/Choice'
import { useAddress, useGoTo } from '@/ui/address'
import { BackLink, TallLink } from '@/ui/links'
import { MenuPath, Page, PlainList, Section, Wrap } from '@/ui/pieces'
import { ThumbPad } from '@/ui/ThumbPad'
import { useFetched } from '@/ui/use-fetched'
import { useHappen } from '../jobs/use-happen'
import { Box, Typography } from '@/ui/elements'

/** What is going wrong, and what to do: this second, on this body, at home. Reckoned on the device. */
export const Rescues = ({ hand: asOpened }: { hand: RescueHand }) => {
  const { params, set } = useAddress()
  // A page that was kept shows what was known when it was; what is known by now comes as soon as there is network.
  const asked = new URLSearchParams(
    ['standard', 'for', 'job', 'scene'].flatMap(name => (params.get(name) ? [[name, params.get(name) ?? '']] : [])),
  )
  asked.set('body', asOpened.body.id)
  if (asOpened.unit !== undefined) asked.set('unit', asOpened.unit)
  const { value: now } = useFetched<RescueHand>({ address: `/api/v1/rescues?${asked}` })
  const hand = now ?? asOpened
  const [typed, setTyped] = useState('')
  const symptom = SYMPTOM_IDS.find(id => id === params.get('symptom'))
  const situation = useMemo(
    (): Situation => ({
      means: hand.means,
      keys: hand.keys,
      says: new Set(hand.says),
      scene: hand.scene?.facts,
      asked: hand.asked,
    }),
    [hand],
  )
  const remedies = useMemo(() => (symptom ? remediesFor(symptom, situation) : []), [symptom, situation])
  useEffect(() => keepThisPage(), [])
  const job = params.get('job')
  const found = findSymptoms(typed)
  const likely = SYMPTOM_IDS.filter(id => params.get('likely')?.split(',').includes(id))
  const inOrder = [...likely, ...SYMPTOM_IDS.filter(id => !likely.includes(id))]
  const [first, ...others] = remedies
  return (
    <Page>
      {job && (
        <BackLink to="/work/now" more={{ job }}>
          Now and next
        </BackLink>
      )}
      {symptom ? (
        <>
          <Button onClick={() => set({ symptom: undefined })} sx={{ mb: 1 }}>
            Something else
          </Button>
          <Typography variant="h1">{SYMPTOMS[symptom].label}</Typography>
          <Camera hand={hand} />
          {first && (
            <Box role="status" sx={{ mt: 2, maxWidth: 'var(--line)' }}>
              <Typography sx={{ fontSize: '1.35rem', fontWeight: 'fontWeightMedium' }}>{first.now}</Typography>
            </Box>
          )}
          {first && <What remedy={first} hand={hand} />}
          {first && <Used remedy={first} symptom={symptom} hand={hand} />}
          {others.length > 0 && (
            <Section title="Or it is this">
              <PlainList component="ol" sx={{ maxWidth: 'var(--line)' }}>
                {others.map(r => (
                  <Box component="li" key={r.id} sx={{ py: 1.5, borderBottom: 1, borderColor: 'divider' }}>
                    <Typography variant="strong" sx={{ display: 'block' }}>
                      {r.now}
                    </Typography>
                    <What remedy={r} hand={hand} />
                    <Used remedy={r} symptom={symptom} hand={hand} />
                  </Box>
                ))}
              </PlainList>
            </Section>
          )}
          <Typography variant="body2" color="textSecondary" sx={{ mt: 3, maxWidth: 'var(--line)' }}>
            Common practice, no published source. Where lens and body are switched between AF and manual, the maker’s
            manual goes first; never look at the sun through an optical finder.
          </Typography>
        </>
      ) : (
        <>
          <Typography variant="h1">What is going wrong?</Typography>
          <Camera hand={hand} />
          <TextField
            size="small"
            label="In your words"
            value={typed}
            onChange={e => setTyped(e.target.value)}
            onKeyDown={e => {
              if (e.key === 'Enter' && found[0]) set({ symptom: found[0] })
            }}
            sx={{ my: 2, width: '100%', maxWidth: 'var(--field-long)' }}
          />
          {found.length === 0 && (
            <Typography role="status" sx={{ mb: 1 }}>
              No word of that is known here. Which of these is nearest?
            </Typography>
          )}
          <Box
            component="ul"
            aria-label="Symptoms"
            sx={{
              listStyle: 'none',
              p: 0,
              m: 0,
              display: 'grid',
              gap: 1,
              gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr', md: 'repeat(3, 1fr)' },
            }}
          >
            {(typed.trim() !== '' && found.length ? found : inOrder).map(id => (
              <li key={id}>
                <ThumbPad type="button" onClick={() => set({ symptom: id })}>
                  <Typography variant="strong">{SYMPTOMS[id].label}</Typography>
                  {likely.includes(id) && (
                    <Typography variant="body2" color="textSecondary">
                      likely here
                    </Typography>
                  )}
                </ThumbPad>
              </li>
            ))}
          </Box>
        </>
      )}
    </Page>
  )
}

/** On a job: that this helped is counted for its scene, and comes up in the debrief. */
const Used = ({ remedy, symptom, hand }: { remedy: Remedy; symptom: string; hand: RescueHand }) => {
  const { params } = useAddress()
  const [job, scene] = [params.get('job'), params.get('scene')]
  return job && scene ? <UsedAt job={job} scene={scene} remedy={remedy} symptom={symptom} unit={hand.unit} /> : null
}

const UsedAt = ({
  job,
  scene,
  remedy,
  symptom,
  unit,
}: {
  job: string
  scene: string
  remedy: Remedy
  symptom: string
  unit: string | undefined
}) => {
  const { happen, kept } = useHappen(job)
  const times = kept.happened.filter(
    h =>
      h.what.kind === 'rescued' &&
      h.what.rule === remedy.id &&
      h.what.scene === scene &&
      !kept.takenBack.includes(h.id),
  ).length
  return (
    <Wrap sx={{ alignItems: 'center', mt: 1 }}>
      <Button
        variant="outlined"
        sx={{ minHeight: 'var(--touch)' }}
        onClick={() =>
          happen({ kind: 'rescued', scene, symptom, rule: remedy.id, ...(unit === undefined ? {} : { unit }) })
        }
      >
        This helped
      </Button>
      {times > 0 && (
        <Typography role="status" variant="body2">
          Counted {times === 1 ? 'once' : `${times} times`} for this scene.
        </Typography>
      )}
    </Wrap>
  )
}

const FROM: Readonly<Record<RescueHand['from'], (hand: RescueHand) => string>> = {
  unit: () => 'By what this camera is known to be set to.',
  standard: hand =>
    `By what “${hand.standard?.name ?? ''}” sets on it${hand.unit ? '; nothing is known of this camera itself' : ''}.`,
  factory: () => 'By how it left the factory.',
}

/** Which camera it is about, and where what it is set to comes from. */
const Camera = ({ hand }: { hand: RescueHand }) => {
  const go = useGoTo()
  return (
    <Wrap sx={{ mt: 1.5, gap: 1.5, alignItems: 'center' }}>
      <Choice
        label="Body"
        value={hand.body.id}
        onChange={value => go({ body: value, unit: undefined })}
        sx={{ minWidth: 'var(--field-short)' }}
        options={hand.bodies}
      />
      {hand.units.length > 0 && (
        <Choice
          label="Camera"
          value={hand.unit ?? ''}
          onChange={value => go({ body: hand.body.id, unit: value || undefined })}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          sx={{ minWidth: 'var(--field-number)' }}
          none="any"
          options={hand.units.map(u => ({ id: u.id, name: u.tag }))}
        />
      )}
      <Typography variant="body2" color="textSecondary">
        {FROM[hand.from](hand)}
      </Typography>
    </Wrap>
  )
}

const SURE: Readonly<Record<Remedy['sure'], string>> = {
  so: '',
  may: 'It may be: ',
  unknown: 'If it is set so, which nobody knows: ',
}

/** A cause that says itself that it only may be so. */
const SAYS_MAY = /\bmay\b/

/** The key that a rule stands on, as the body calls it. */
const KEY_OF: Readonly<Record<string, string>> = {
  'stays-background/preset': 'range.preset',
  'lets-go-crossed/freeze': 'trigger.stop',
  'wrong-eye/cycle': 'subject.cycle',
  'press-does-nothing/thumb': 'trigger.start',
  'press-does-nothing/holds': 'trigger.start',
}

/** Why it is, what to change on this body, and what to change at home. */
const What = ({ remedy, hand }: { remedy: Remedy; hand: RescueHand }) => {
  const on = remedy.change && hand.changes[remedy.id]
  const key = hand.keyNames[KEY_OF[remedy.id] ?? '']
  return (
    <Box sx={{ mt: 0.5, maxWidth: 'var(--line)' }}>
      {key !== undefined && (
        <Typography>
          On the {hand.body.name}: <strong>{key}</strong>.
        </Typography>
      )}
      <Typography color="textSecondary">
        {remedy.sure === 'may' && SAYS_MAY.test(remedy.cause) ? '' : SURE[remedy.sure]}
        {remedy.cause} {remedy.why}
        {remedy.isLikely && hand.scene && ` Likely at ${hand.scene.name}.`}
      </Typography>
      {remedy.change && on && (
        <Box sx={{ mt: 1 }}>
          <Typography variant="body2" color="textSecondary">
            Change now: {remedy.change.words}
            {remedy.isOtherwise && hand.standard && `. So ${hand.standard.name} asks; it is set to something else.`}
          </Typography>
          {on.key !== undefined && (
            <Typography>
              Press <strong>{on.key}</strong>
              {on.option === undefined ? '' : `, until it says ${on.option}`}.
            </Typography>
          )}
          <Typography variant="strong">
            {on.setting}
            {on.option === undefined ? '' : `: ${on.option}`}
          </Typography>{' '}
          <MenuPath path={on.path} />
          {on.quick !== undefined && <Typography variant="body2">Or {on.quick} presses by the quick way.</Typography>}
          {hand.standard && (
            <Typography variant="body2">
              <TallLink to={`/decide/standards/${hand.standard.id}`} more={{ target: remedy.change.dimension }}>
                At home: in {hand.standard.name}
              </TallLink>
            </Typography>
          )}
        </Box>
      )}
    </Box>
  )
}
