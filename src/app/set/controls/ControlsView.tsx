'use client'

import { Alert, Button, LinearProgress } from '@mui/material'
import { useCallback, useMemo } from 'react'
import type { Body } from '@/core/bodies'
import type { FleetBody } from '@/core/controls/cells'
import { storedMaps } from '@/core/controls/fleet'
import type { FunctionId } from '@/core/functions/functions'
import { movedTo } from '@/core/controls/moves'
import { type Plan, planFor, type StoredMap, withMaps, withPin, withSchool, withSchoolOn } from '@/core/functions/plan'
import { SCHOOL_IDS, type SchoolId, SCHOOLS } from '@/core/functions/schools'
import { withPlan } from '@/core/controls/targets'
import { gapWords } from '@/core/numeric/gap'
import { ownLayers, refText } from '@/core/standards'
import { dimension } from '@/core/vocabulary/dimensions'
import { PLACES } from '@/core/vocabulary/places'
import type { Shooter } from '@/server/controls'
import type { StandardView } from '@/server/standards'
import { linkTo, useAddress } from '@/ui/address'
import { isForTheFingers } from '@/core/vocabulary/fingers'
import { DraftButtons, StatusProblem } from '@/ui/DraftStatus'
import { GivesWay } from '@/ui/GivesWay'
import { describeStandardChanges } from '@/core/standards/compare'
import { MergeNotice } from '@/ui/MergeNotice'
import { Page, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { PrintButton } from '@/ui/PrintButton'
import { LinkButton } from '@/ui/links'
import { useStandardDraft } from '@/ui/standard-draft'
import { SidePanel } from '@/ui/SidePanel'
import { WorkerTrouble } from '@/ui/worker'
import { VersionMark } from '@/ui/versions'
import { BodyMap, presses } from './BodyMap'
import { CostPanel } from './CostPanel'
import type { EditPlan } from './edit-plan'
import { PlanPanel } from './PlanPanel'
import { SchoolSelect } from './SchoolSelect'
import { Relearning } from './Relearning'
import { ThumbLoad } from './ThumbLoad'
import { useMaps } from './use-maps'
import { Box, Typography } from '@/ui/elements'

/** What the fingers do on every body in hand: the school, the maps, what they cost, and how long the thumb holds. */
export const ControlsView = ({
  view,
  hands,
  shooters,
}: {
  view: StandardView
  hands: string
  shooters: readonly Shooter[]
}) => {
  const bodies = useMemo(() => JSON.parse(hands) as readonly FleetBody[], [hands])
  const { version } = view.document
  const addressOf = useCallback(
    (v: number, rest: URLSearchParams) =>
      linkTo('/set/controls', rest, { standard: refText({ id: view.id, version: v }) }),
    [view.id],
  )
  const { draft, isDraft, open, beginDraft, problem } = useStandardDraft(view, addressOf)
  const { document, edit } = draft
  const { params: address, set } = useAddress()
  const asked = SCHOOL_IDS.find(s => s === address.get('school'))
  // A school is only looked at in the address; a draft has its own once one was chosen in it.
  const plan = useMemo<Plan>(() => {
    const own = document.controls ?? planFor(asked ?? 'thumb-start')
    return asked && !isDraft ? withSchool(own, asked) : own
  }, [document.controls, asked, isDraft])
  const { shown, best, problems, isBusy, trouble, retry } = useMaps(plan, bodies)
  const layer = ownLayers(document)[0]
  const explained = shown?.bodies.find(b => b.body.id === address.get('body'))

  const change = useCallback<EditPlan>((what, f) => edit(what, s => ({ ...s, controls: f(plan) })), [edit, plan])
  const choose = (school: SchoolId) => {
    if (isDraft) {
      change(`school ${SCHOOLS[school].label}`, p => withSchool(p, school))
      set({ school: undefined })
    } else set({ school })
  }
  const keep = (maps: readonly StoredMap[], house: Plan['house']) => {
    if (layer) edit('control maps', s => withPlan(s, layer.id, withMaps(plan, maps, house)))
  }
  const move = (body: Body, f: FunctionId, control: string | undefined) => {
    if (!shown) return
    const maps = storedMaps(shown).map(m => (m.body === body.id ? movedTo(plan, body, m, f, control) : m))
    keep(maps, shown.house)
  }
  const resting = plan.maps.filter(m => !bodies.some(b => b.body.id === m.body)).length

  return (
    <Box sx={{ display: 'flex', alignItems: 'flex-start' }}>
      <Page sx={{ flex: 1, minWidth: 0 }}>
        <Wrap sx={{ alignItems: 'center' }}>
          <Box sx={{ flex: 1, minWidth: 'var(--field)' }}>
            <Typography variant="h1">Controls for {document.name}</Typography>
            <VersionMark version={version} state={view.state} />
          </Box>
          <Box className="no-print" sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
            {isDraft ? (
              <DraftButtons draft={draft} />
            ) : open ? (
              <LinkButton to="/set/controls" more={{ standard: refText({ id: view.id, version: open }) }}>
                Go to version {open}, being worked on
              </LinkButton>
            ) : (
              <Button variant="contained" onClick={() => void beginDraft()}>
                Begin a new draft
              </Button>
            )}
            <PrintButton />
          </Box>
        </Wrap>
        <Trouble words={problem} />
        <WorkerTrouble trouble={trouble} retry={retry} />
        <StatusProblem status={draft.status} />
        <MergeNotice
          draft={draft}
          name={document.name}
          mine={document}
          describe={describeStandardChanges}
          show={() => undefined}
        />
        {problems.map(p => (
          <Alert key={p.words} severity="warning" sx={{ mt: 1 }}>
            {p.words}
          </Alert>
        ))}
        {isDraft && layer && (
          <GivesWay document={document} layer={layer} edit={edit} concerns={isForTheFingers} what="this school" />
        )}
        <Box sx={LAYOUT}>
          <Box sx={{ gridArea: 'school' }}>
            <SchoolSelect plan={plan} onSchool={choose} />
          </Box>
          <Box sx={{ gridArea: 'plan' }} className="no-print">
            <PlanPanel plan={plan} change={isDraft ? change : undefined} />
          </Box>
          <Box sx={{ gridArea: 'maps', minWidth: 0 }}>
            <Box sx={{ height: 4, mb: 1 }}>{isBusy && <LinearProgress aria-label="Looking for the best maps" />}</Box>
            {shown && (
              <Box role="status" sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center', mb: 2 }}>
                <Typography sx={{ flex: 1, minWidth: 'var(--field)' }}>
                  <strong>{presses(shown.cost)}</strong> easy presses an hour on{' '}
                  {bodies.length === 1 ? 'one body' : `${bodies.length} bodies`}.{' '}
                  {best && costWords(shown.cost, best.cost, best.gap)}
                </Typography>
                {isDraft && best && !isKept(plan, best.maps) && (
                  <Button variant="contained" onClick={() => keep(best.maps, best.house)}>
                    {plan.maps.length ? 'Take the best maps' : `Keep these maps in version ${version}`}
                  </Button>
                )}
              </Box>
            )}
            {shown && (
              <Typography variant="body2" color="textSecondary" sx={{ mb: 2 }}>
                At home:{' '}
                {plan.uses
                  .flatMap(u => {
                    const place = shown.house[u.function]
                    return place ? [`${dimension(u.function).label}: ${PLACES[place].label}`] : []
                  })
                  .join(' · ')}
                {resting === 1 && '. The map of one body that is not in hand stays as it is.'}
                {resting > 1 && `. The maps of ${resting} bodies that are not in hand stay as they are.`}
              </Typography>
            )}
            <Box
              sx={{
                display: 'grid',
                gridTemplateColumns: { xs: '1fr', lg: '1fr 1fr' },
                gap: 3,
                '@media print and (min-width: 120mm)': { gridTemplateColumns: '1fr 1fr' },
              }}
            >
              {shown?.bodies.map(m => (
                <BodyMap
                  key={m.body.id}
                  mapped={m}
                  plan={plan}
                  onMove={isDraft ? (f, c) => move(m.body, f, c) : undefined}
                  onPin={isDraft ? (f, c) => change('pins', p => withPin(p, m.body.id, f, c)) : undefined}
                  onSchool={
                    isDraft
                      ? school =>
                          change(`${SCHOOLS[school].label} on ${m.body.model}`, p => withSchoolOn(p, m.body.id, school))
                      : undefined
                  }
                  onExplain={() => set({ body: m.body.id })}
                />
              ))}
            </Box>
          </Box>
        </Box>
        {shown && <Relearning shown={shown} shooters={shooters} />}
        <ThumbLoad plan={plan} shooters={shooters} change={isDraft ? change : undefined} />
      </Page>
      {explained && shown && (
        <Box sx={{ position: 'sticky', top: 0, maxHeight: '100dvh', overflowY: 'auto' }}>
          <SidePanel label="Explanation" onClose={() => set({ body: undefined })}>
            <CostPanel mapped={explained} plan={plan} house={shown.house} />
          </SidePanel>
        </Box>
      )}
    </Box>
  )
}

/** On a phone the maps come before what they were made from. */
const LAYOUT = {
  display: 'grid',
  gridTemplateColumns: { xs: '1fr', md: '300px 1fr' },
  gridTemplateAreas: { xs: '"school" "maps" "plan"', md: '"school maps" "plan maps"' },
  gridTemplateRows: { md: 'auto 1fr' },
  columnGap: 4,
  rowGap: 2,
  mt: 2,
}

const costWords = (cost: number, best: number, gap: number): string => {
  if (cost > best + 0.5) return `The best around the pins costs ${presses(best)}.`
  return gapWords(gap)
}

const isKept = (plan: Plan, maps: readonly StoredMap[]): boolean =>
  maps.every(m => {
    const kept = plan.maps.find(x => x.body === m.body)?.at
    return kept && JSON.stringify(Object.entries(kept).sort()) === JSON.stringify(Object.entries(m.at).sort())
  })
