'use client'

import { Alert, Button } from '@mui/material'
import { CLOCK_TOLERANCE_MS } from '@/core/kit/late'
import { type KeptEntry, sendWaiting } from '@/offline/outbox'
import { When } from '@/ui/When'
import type { useCard } from './use-card'
import { KeptLink } from '@/ui/links'
import { Typography } from '@/ui/elements'

type Live = ReturnType<typeof useCard>

const offBy = (ms: number): string => {
  const minutes = Math.round(Math.abs(ms) / 60_000)
  const words =
    minutes < 120
      ? `${minutes} minutes`
      : minutes < 2880
        ? `${Math.round(minutes / 60)} hours`
        : `${Math.round(minutes / 1440)} days`
  return `${words} ${ms > 0 ? 'fast' : 'slow'}`
}

/** What a person has to know of the card beside its steps: what waits, what others did, what became of the card. */
export const Notices = ({ live }: { live: Live }) => {
  const { card, isAway, problem, remarks, clockAheadMs } = live
  const { standard } = card
  return (
    <>
      {isAway && (
        <Alert
          severity="warning"
          sx={{ mt: 1 }}
          action={
            <Button color="inherit" onClick={() => void sendWaiting().then(live.refresh)}>
              Send now
            </Button>
          }
        >
          The server does not answer. The card goes on as it is; what you tick is kept on this device and sent as soon
          as there is network.
        </Alert>
      )}
      {problem && (
        <Alert severity="warning" sx={{ mt: 1 }}>
          {problem} This is the card as it was last.
        </Alert>
      )}
      {standard.newer !== undefined && (
        <Alert
          severity="info"
          sx={{ mt: 1 }}
          className="no-print"
          action={
            <Button
              color="inherit"
              component={KeptLink}
              to={`/set/cards/${card.body.id}`}
              more={{
                standard: standard.id,
                ...(card.unit ? { unit: card.unit.id } : {}),
              }}
            >
              Open version {standard.newer}
            </Button>
          }
        >
          Version {standard.newer} of {standard.name} is in force; this card is for version {standard.version}. What is
          ticked here counts for it as well.
        </Alert>
      )}
      {standard.newer === undefined && standard.state === 'retired' && (
        <Alert severity="info" sx={{ mt: 1 }} className="no-print">
          {standard.name} was retired: nobody has to set it any more. What you tick is still kept with the unit.
        </Alert>
      )}
      {live.hasNewProfile && (
        <Alert severity="info" sx={{ mt: 1 }} className="no-print" onClose={live.seeNewProfile}>
          The profile of {card.body.model} was changed since you opened this card, and the steps were worked out again.
          What was ticked is kept.
        </Alert>
      )}
      {Math.abs(clockAheadMs) > CLOCK_TOLERANCE_MS && (
        <Alert severity="info" sx={{ mt: 1 }} className="no-print">
          The clock of this device is {offBy(clockAheadMs)}. What you do is written down at the right time all the same.
        </Alert>
      )}
      {remarks.map(r => (
        <Alert
          key={r.place}
          severity="warning"
          sx={{ mt: 1 }}
          className="no-print"
          onClose={() => live.putAway(r.place)}
        >
          <RemarkWords entry={r} />
        </Alert>
      ))}
    </>
  )
}

/** What became of something that was done here, seen with what others did. */
const RemarkWords = ({ entry: { words, made, remark } }: { entry: KeptEntry }) => {
  const who = remark?.by ?? 'somebody'
  const what = (
    <>
      <b>{words}</b> (<When at={made} />)
    </>
  )
  const others = remark?.when !== undefined && (
    <>
      {who}, <When at={remark.when} />
    </>
  )
  switch (remark?.outcome) {
    case 'was-so':
      return (
        <Typography variant="body2">
          {what}: somebody did that before you, and theirs stands ({others}).
        </Typography>
      )
    case 'overruled':
      return (
        <Typography variant="body2">
          {what} does not count any more, because of what came after: {remark.words} ({others}). It is kept in the life
          of the unit.
        </Typography>
      )
    case 'kept':
      return (
        <Typography variant="body2">
          {what}: the card does not ask for it any more. It is kept as what the unit was set to.
        </Typography>
      )
    case 'refused':
    case undefined:
      return (
        <Typography variant="body2">
          {what} was not taken: {remark?.words ?? 'the server gave no reason.'}
        </Typography>
      )
  }
}
