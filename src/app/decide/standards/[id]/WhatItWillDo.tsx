import type { EffectView } from '@/server/standard-effect'
import { NotReckoned } from '@/ui/NotReckoned'
import { Box, Typography } from '@/ui/elements'

const changed = (before: number, after: number): string =>
  `${after.toFixed(2)}${Math.abs(after - before) < 0.005 ? ', as before' : `, ${before.toFixed(2)} before`}`

/** Which bodies and units change when a version is approved, in how many steps, and what is lost or won by it. */
export const WhatItWillDo = ({ effect: e }: { effect: EffectView }) => {
  const isFirst = e.against === undefined
  const bodies = e.bodies.filter(b => b.steps > 0 || b.mustsLost.length > 0 || b.mustsWon.length > 0)
  return (
    <Box sx={{ mt: 1 }}>
      <Typography>
        {isFirst
          ? `It is the first version: ${e.units} units are set from factory defaults, ${e.steps} steps in all.`
          : bodies.length === 0
            ? `No body has to be set differently from version ${e.against}.`
            : `Against version ${e.against}, ${e.units} units of ${bodies.length} models have to be set again, ${e.steps} steps in all. ${e.noticed} targets change in a way a body can notice.`}
      </Typography>
      <Typography sx={{ mt: 0.5 }}>
        Agreement of the bodies {isFirst ? e.agreementAfter.toFixed(2) : changed(e.agreementBefore, e.agreementAfter)}.
      </Typography>
      <NotReckoned failed={e.failed} sx={{ mt: 1 }} />
      <Box
        component="table"
        sx={{
          mt: 1.5,
          borderCollapse: 'collapse',
          width: '100%',
          '& td, & th': {
            textAlign: 'left',
            py: 0.75,
            pr: 1.5,
            borderBottom: 1,
            borderColor: 'divider',
            verticalAlign: 'top',
          },
        }}
      >
        <thead>
          <tr>
            {['Body', 'Units', 'Steps each', 'Agreement', 'Musts'].map(h => (
              <Typography key={h} component="th" variant="body2" color="textSecondary">
                {h}
              </Typography>
            ))}
          </tr>
        </thead>
        <tbody>
          {bodies.map(b => (
            <tr key={b.body}>
              <Typography variant="strong" component="td">
                {b.model}
              </Typography>
              <Typography component="td" variant="body2">
                {b.units.length ? b.units.join(', ') : 'none'}
              </Typography>
              <Typography component="td" variant="value">
                {b.steps}
              </Typography>
              <Typography component="td" variant="value">
                {isFirst ? b.agreementAfter.toFixed(2) : changed(b.agreementBefore, b.agreementAfter)}
              </Typography>
              <td>
                {b.mustsLost.length > 0 && (
                  <Typography variant="body2" color="error">
                    lost: {b.mustsLost.join(', ')}
                  </Typography>
                )}
                {b.mustsWon.length > 0 && <Typography variant="body2">won: {b.mustsWon.join(', ')}</Typography>}
              </td>
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  )
}
