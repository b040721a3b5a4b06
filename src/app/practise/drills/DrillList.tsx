'use client'

import { useState } from 'react'
import { THUMB_CAUTION } from '@/core/cautions/cautions'
import { DRILL_IDS, DRILLS, heldMinutes, standingOf } from '@/core/drills/drills'
import { handsOf } from '@/core/drills/hands'
import { SCHOOLS } from '@/core/functions/schools'
import type { DrillHand } from '@/server/drills'
import { Choice } from '@/ui/Choice'
import { useGoTo } from '@/ui/address'
import { CautionNote, Page, PlainList, RowLink, Wrap } from '@/ui/pieces'
import { ofDrill, usePractice } from './use-practice'
import { standingWords } from './words'
import { Whose } from './Whose'
import { Typography } from '@/ui/elements'

/** What can be drilled, with how whoever practises here does by now. */
export const DrillList = ({ hand }: { hand: Pick<DrillHand, 'body' | 'bodies' | 'standard' | 'school'> }) => {
  const { tries, person } = usePractice()
  const go = useGoTo()
  const [today] = useState(() => new Date().toISOString().slice(0, 10))
  const held = heldMinutes(tries, today)
  const hands = handsOf(tries)
  return (
    <Page>
      <Typography variant="h1">Drills</Typography>
      <Typography sx={{ mt: 0.5, mb: 2, maxWidth: 'var(--line)' }}>
        Until the hands do it unasked. A minute now and then does more than an hour at once.
      </Typography>
      <Wrap sx={{ mb: 2, gap: 1.5 }}>
        <Whose />
        <Choice
          label="On which body"
          value={hand.body.id}
          onChange={value => go({ body: value })}
          sx={{ minWidth: 'var(--field)' }}
          options={hand.bodies}
        />
      </Wrap>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        Keys as {hand.standard ? `“${hand.standard.name}” sets them` : 'they are from the factory'}, with{' '}
        {SCHOOLS[hand.school].label}.
      </Typography>
      <PlainList component="ul" sx={{ maxWidth: 'var(--line)' }}>
        {DRILL_IDS.map(id => (
          <li key={id}>
            <RowLink to={`/practise/drills/${id}`} more={{ body: hand.body.id }}>
              <span>
                <Typography component="span" variant="strong" sx={{ display: 'block' }}>
                  {DRILLS[id].label}
                </Typography>
                <Typography component="span" sx={{ display: 'block' }}>
                  {DRILLS[id].about}
                </Typography>
                <Typography component="span" variant="body2" color="textSecondary">
                  {standingWords(id, standingOf(ofDrill(tries, id)))}
                </Typography>
              </span>
            </RowLink>
          </li>
        ))}
      </PlainList>
      {person && (
        <Typography sx={{ mt: 2, maxWidth: 'var(--line)' }}>
          {hands
            ? `${person.name}’s hands wander by ${hands.degrees.toFixed(2)}°, by ${hands.track} tries of tracking; Rehearsal and the Optics desk can reckon with that.`
            : 'Three tries of tracking, and Rehearsal can reckon with these hands.'}{' '}
          {held > 0 && `A thumb button was held for ${held.toFixed(1)} minutes in drills today.`}
        </Typography>
      )}
      <div style={{ marginTop: 16, maxWidth: 'var(--line)' }}>
        <CautionNote caution={THUMB_CAUTION} />
      </div>
    </Page>
  )
}
