'use client'

import { Tab, Tabs } from '@mui/material'
import { DISPUTED } from '@/core/guide/guide'
import { TOPICS } from '@/core/guide/schools'
import type { StandardHeading } from '@/server/catalogue'
import type { Selections, SideBySide } from '@/server/comparison'
import { useGoTo } from '@/ui/address'
import { NotReckoned } from '@/ui/NotReckoned'
import { Page } from '@/ui/pieces'
import { type Choice, StandardSelect, Pick, schoolChoices, BodiesSelect } from './choosing'
import { TwoSelections } from './TwoSelections'
import { TwoStandards } from './TwoStandards'
import { Box, Typography } from '@/ui/elements'

type Shown =
  | { readonly kind: 'standards'; readonly before: string; readonly after: string; readonly comparison: SideBySide }
  | {
      readonly kind: 'schools'
      readonly topic: string
      readonly one: string
      readonly other: string
      readonly comparison: SideBySide
    }
  | {
      readonly kind: 'bodies'
      readonly left: readonly string[]
      readonly right: readonly string[]
      readonly selections: Selections
    }

/** Everything the address may say about a comparison; what is not said anew goes. */
const NOTHING = {
  before: undefined,
  after: undefined,
  topic: undefined,
  one: undefined,
  other: undefined,
  left: undefined,
  right: undefined,
}

/** Two standards or two schools on the bodies in hand, or the standard in hand on two selections of bodies. */
export const CompareView = ({
  standards,
  bodies,
  shown,
}: {
  standards: readonly StandardHeading[]
  bodies: readonly Choice[]
  shown: Shown
}) => {
  const goTo = useGoTo()
  const half = Math.ceil(bodies.length / 2)
  const ids = (some: readonly Choice[]) => some.map(b => b.id).join(',')
  const begin = {
    standards: {},
    schools: { topic: DISPUTED[0] },
    bodies: { left: ids(bodies.slice(0, half)), right: ids(bodies.slice(half)) },
  }
  return (
    <Page>
      <Typography variant="h1">Compare</Typography>
      <Tabs
        value={shown.kind}
        onChange={(_, kind: Shown['kind']) => goTo({ ...NOTHING, ...begin[kind] })}
        variant="scrollable"
        allowScrollButtonsMobile
        aria-label="What is compared"
        sx={{ borderBottom: 1, borderColor: 'divider', mb: 2 }}
      >
        <Tab value="standards" label="Two standards" />
        <Tab value="schools" label="Two schools" />
        <Tab value="bodies" label="Two selections of bodies" />
      </Tabs>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, mb: 2 }}>
        {shown.kind === 'standards' && (
          <>
            <StandardSelect
              label="This"
              value={shown.before}
              standards={standards}
              onChange={before => goTo({ before, after: shown.after })}
            />
            <StandardSelect
              label="against"
              value={shown.after}
              standards={standards}
              onChange={after => goTo({ before: shown.before, after })}
            />
          </>
        )}
        {shown.kind === 'schools' && (
          <>
            <Pick
              label="On"
              value={shown.topic}
              choices={DISPUTED.map(id => ({ id, label: TOPICS[id].question }))}
              onChange={topic => goTo({ ...NOTHING, topic })}
            />
            <Pick
              label="This school"
              value={shown.one}
              choices={schoolChoices(shown.topic)}
              onChange={one => goTo({ one, other: shown.other })}
            />
            <Pick
              label="against"
              value={shown.other}
              choices={schoolChoices(shown.topic)}
              onChange={other => goTo({ one: shown.one, other })}
            />
          </>
        )}
        {shown.kind === 'bodies' && (
          <>
            <BodiesSelect label="These bodies" value={shown.left} bodies={bodies} onChange={left => goTo({ left })} />
            <BodiesSelect
              label="against these"
              value={shown.right}
              bodies={bodies}
              onChange={right => goTo({ right })}
            />
          </>
        )}
      </Box>
      <NotReckoned
        failed={shown.kind === 'bodies' ? shown.selections.failed : shown.comparison.failed}
        sx={{ mt: 2 }}
      />
      {shown.kind === 'bodies' ? (
        <TwoSelections selections={shown.selections} />
      ) : (
        <TwoStandards comparison={shown.comparison} />
      )}
    </Page>
  )
}
