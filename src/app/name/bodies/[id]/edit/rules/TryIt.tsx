'use client'

import { Button } from '@mui/material'
import { useState } from 'react'
import { availability, type Body, factoryState, inMenuOrder, type State } from '@/core/bodies'
import { Choice } from '@/ui/Choice'
import { Box, Typography } from '@/ui/elements'

/** Set values and see what greys out or is forced, and by which rule. */
export const TryIt = ({ body }: { body: Body }) => {
  const [tried, setTried] = useState<State>({})
  const state = { ...factoryState(body), ...tried }
  const bound = inMenuOrder(body).filter(s =>
    body.rules.some(r => r.then.setting === s.id || r.when.some(c => c.setting === s.id)),
  )
  const { unavailable, broken } = judge(body, state)
  return (
    <Box component="section" aria-label="Try it">
      <Typography variant="h2">Try it</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        Set something and see what it does to the rest. Only settings that a rule speaks of are here.
      </Typography>
      {bound.length === 0 && <Typography>No rule binds anything yet.</Typography>}
      {bound.map(s => {
        const greyed = unavailable.get(s.id) ?? []
        const forced = broken.filter(r => r.then.setting === s.id)
        return (
          <Box key={s.id} sx={{ py: 0.75 }}>
            <Choice
              fullWidth
              label={s.label}
              value={state[s.id] ?? s.default}
              disabled={greyed.length > 0}
              onChange={value => setTried({ ...tried, [s.id]: value })}
              options={s.options.map(o => ({ id: o.id, name: o.label }))}
            />
            {greyed.map(r => (
              <Typography key={r.id} variant="body2" color="textSecondary">
                Greyed out: {r.words}
              </Typography>
            ))}
            {forced.map(r => (
              <Typography key={r.id} variant="body2" color="error">
                {r.then.effect === 'forced'
                  ? `The body changes this to ${s.options.find(o => r.then.effect === 'forced' && o.id === r.then.option)?.label ?? ''}: `
                  : 'Cannot be chosen: '}
                {r.words}
              </Typography>
            ))}
          </Box>
        )
      })}
      {Object.keys(tried).length > 0 && <Button onClick={() => setTried({})}>Back to the defaults</Button>}
    </Box>
  )
}

/** Rules that run in a circle cannot be judged; how far the profile is says which. */
const judge = (body: Body, state: State): Pick<ReturnType<typeof availability>, 'unavailable' | 'broken'> => {
  try {
    return availability(body, state)
  } catch (error) {
    if (!(error instanceof RangeError)) throw error
    return { unavailable: new Map(), broken: [] }
  }
}
