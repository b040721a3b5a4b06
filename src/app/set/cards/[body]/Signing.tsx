'use client'

import { Alert, Button, Checkbox, FormControlLabel } from '@mui/material'
import { useEffect, useRef, useState } from 'react'
import type { CardView, CheckView } from '@/server/cards'
import { useLocal } from '@/ui/local'
import { usePeople } from '@/ui/people'
import { MenuPath } from '@/ui/pieces'
import { When } from '@/ui/When'
import { SaysElse, type Tell } from './SaysElse'
import { Box, Typography } from '@/ui/elements'

/** Whether walks are timed on this device; they are until somebody says otherwise. */
const TIMED = 'coherion.walks-timed'

/** That it is signed, where nobody can miss it: at the head of the card. */
export const Signed = ({ card }: { card: CardView }) => {
  const { signed, standard, unit } = card
  const line = useRef<HTMLDivElement>(null)
  const at = signed?.holds && signed.version === standard.version ? signed.at : undefined
  const seen = useRef(at)
  useEffect(() => {
    if (at !== undefined && at !== seen.current) line.current?.scrollIntoView({ block: 'center' })
    seen.current = at
  }, [at])
  if (at === undefined || !signed) return null
  return (
    <Alert ref={line} severity="success" role="status" className="no-print" sx={{ my: 1.5 }}>
      {unit?.tag ?? 'It'} is set and proved: signed by {signed.by ?? 'somebody'} for version {signed.version},{' '}
      <When at={at} />.
    </Alert>
  )
}

/** The proof on the body itself, and the signature; shown once everything is set. */
export const Signing = ({
  card,
  isSigning,
  onSign,
  onTold,
}: {
  card: CardView
  /** It was signed and the server has not said so yet. */
  isSigning: boolean
  onSign: (timed: boolean) => void
  onTold: Tell
}) => {
  const { person } = usePeople()
  const [timing, setTimed] = useLocal(TIMED)
  const timed = timing !== 'no'
  const [proved, setProved] = useState<ReadonlySet<string>>(new Set())
  const [isAgain, setAgain] = useState(false)
  const isProved = card.proofs.every(p => proved.has(p.id))
  if (card.signed?.holds && card.signed.version === card.standard.version && !isAgain)
    return (
      <Box component="section" aria-label="Signed" className="no-print" sx={{ mt: 3 }}>
        {card.checks.length > 0 && <Checks checks={card.checks} onTold={onTold} />}
        <Button variant="outlined" onClick={() => setAgain(true)}>
          Prove and sign again
        </Button>
      </Box>
    )
  return (
    <Box component="section" aria-label="Prove and sign" className="no-print" sx={{ mt: 4 }}>
      {card.signed && !isAgain && (
        <Typography sx={{ mb: 2 }}>
          Signed by {card.signed.by ?? 'somebody'} for version {card.signed.version}, <When at={card.signed.at} />.
          {!card.signed.holds && ' It may have been touched since, so that it has to be proved again.'}
        </Typography>
      )}
      {card.checks.length > 0 && <Checks checks={card.checks} onTold={onTold} />}
      <Typography variant="h2">Prove it on the camera</Typography>
      <Box sx={{ mt: 1 }}>
        {card.proofs.map(p => (
          <FormControlLabel
            key={p.id}
            sx={{ display: 'flex', minHeight: 'var(--touch)', mr: 0 }}
            control={
              <Checkbox
                checked={proved.has(p.id)}
                onChange={e => {
                  const next = new Set(proved)
                  if (e.target.checked) next.add(p.id)
                  else next.delete(p.id)
                  setProved(next)
                }}
              />
            }
            label={p.words}
          />
        ))}
      </Box>
      <Button
        variant="contained"
        size="large"
        sx={{ mt: 2 }}
        disabled={!isProved || !person || isSigning}
        onClick={() => onSign(timed)}
      >
        {person ? `Sign as ${person.name}` : 'Sign'}
      </Button>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
        {isSigning && 'Signed here; it counts as soon as the server has it.'}
        {!person
          ? 'Say who you are at the top of the page; a signature needs a name.'
          : isProved
            ? ''
            : 'Try each of these first; what fails leads back to its step.'}
      </Typography>
      <FormControlLabel
        sx={{ minHeight: 'var(--touch)' }}
        control={<Checkbox size="small" checked={timed} onChange={e => setTimed(e.target.checked ? 'yes' : 'no')} />}
        label={<Typography variant="body2">count how long this walk took, so that the next card can say</Typography>}
      />
    </Box>
  )
}

/** The few settings likeliest to have drifted: looked at instead of all of them. */
const Checks = ({ checks, onTold }: { checks: readonly CheckView[]; onTold: Tell }) => {
  const [seen, setSeen] = useState<ReadonlySet<string>>(new Set())
  return (
    <Box component="section" aria-label="Likeliest to have drifted" sx={{ mb: 4 }}>
      <Typography variant="h2">Look at these {checks.length}</Typography>
      <Typography variant="body2" color="textSecondary">
        They matter most and were seen longest ago. One that says something else leads to the whole walk.
      </Typography>
      {checks.map(c => (
        <Box key={c.settingId} sx={{ py: 1.25, borderBottom: 1, borderColor: 'divider' }}>
          <MenuPath path={c.path} />
          <Typography>
            {c.setting}: <b>{c.says}</b>
          </Typography>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mt: 0.5, alignItems: 'center' }}>
            <Button
              variant="outlined"
              disabled={seen.has(c.settingId)}
              onClick={() => {
                setSeen(new Set([...seen, c.settingId]))
                onTold(c.settingId, c.option, `${c.setting} says ${c.says}`)
              }}
            >
              {seen.has(c.settingId) ? 'Seen' : 'It says so'}
            </Button>
            <SaysElse
              options={c.options.filter(o => o.id !== c.option)}
              onTold={(option, label) => onTold(c.settingId, option, `${c.setting} says ${label}`)}
            />
          </Box>
        </Box>
      ))}
    </Box>
  )
}
