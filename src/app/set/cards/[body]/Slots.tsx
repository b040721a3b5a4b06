'use client'

import { MenuItem, TextField } from '@mui/material'
import { slotsText } from '@/core/kit/slots'
import type { CardView } from '@/server/cards'
import { useGoTo } from '@/ui/address'
import { When } from '@/ui/When'
import { KeptLink } from '@/ui/links'
import { Box, Typography } from '@/ui/elements'

const NOTHING = ''

/** What goes into which memory slot: chosen for one card or for several in one walk. */
export const Slots = ({ card, slots }: { card: CardView; slots: NonNullable<CardView['slots']> }) => {
  const goTo = useGoTo()
  const wish = (slot: string, standard: string) => {
    const rest = slots.asked.filter(w => w.slot !== slot && w.standard !== standard)
    const next = standard === NOTHING ? rest : [...rest, { slot, standard }]
    goTo({ slots: next.length ? slotsText(next) : undefined })
  }
  return (
    <Box component="section" aria-label="Memory slots" className="no-print" sx={{ mt: 5 }}>
      <Typography variant="h2">Memory slots</Typography>
      <Typography variant="body2" color="textSecondary">
        Store this standard in a slot once it is set; or several standards in one walk, at most {slots.most}.
      </Typography>
      {slots.leaves.length > 0 && (
        <Typography variant="body2" sx={{ mt: 1 }}>
          Slots of this body do not keep {slots.leaves.join(', ')}: these stay as they were set last.
        </Typography>
      )}
      {slots.slots.map(s => (
        <Box
          key={s.name}
          sx={{
            display: 'flex',
            flexWrap: 'wrap',
            gap: 1.5,
            alignItems: 'center',
            py: 1,
            borderBottom: 1,
            borderColor: 'divider',
          }}
        >
          <Box sx={{ flex: 1, minWidth: 'var(--field-short)' }}>
            <Typography variant="value" sx={{ fontWeight: 'fontWeightMedium' }}>
              {s.name}
            </Typography>
            <Typography variant="body2" color="textSecondary">
              {s.holds ? (
                <>
                  holds {s.holds.standard}, version {s.holds.version}, {s.holds.by ?? 'somebody'},{' '}
                  <When at={s.holds.at} />
                </>
              ) : (
                'not known what it holds'
              )}
            </Typography>
          </Box>
          <TextField
            select
            size="small"
            label={`Store in ${s.name}`}
            value={slots.asked.find(w => w.slot === s.name)?.standard ?? NOTHING}
            onChange={e => wish(s.name, e.target.value)}
            sx={{ minWidth: 'var(--field)' }}
            slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          >
            <MenuItem value={NOTHING}>leave it</MenuItem>
            {slots.standards.map(x => (
              <MenuItem key={x.id} value={x.id} sx={{ minHeight: 'var(--touch)' }}>
                {x.name}
              </MenuItem>
            ))}
          </TextField>
        </Box>
      ))}
      {slots.stops.length > 1 && <Stops card={card} slots={slots} />}
    </Box>
  )
}

/** The stops of the walk, each a card of its own, in the order that takes the fewest presses. */
const Stops = ({ card, slots }: { card: CardView; slots: NonNullable<CardView['slots']> }) => {
  const text = slotsText(slots.asked)
  return (
    <Box sx={{ mt: 2 }}>
      <Typography variant="h3">In this order</Typography>
      <Box component="ol" aria-label="Stops" sx={{ m: 0, pl: 3 }}>
        {slots.stops.map(s => (
          <Box component="li" key={s.slot} sx={{ py: 0.75 }}>
            <Typography component="span">
              {s.isHere ? (
                <b>{s.standard.name}</b>
              ) : (
                <KeptLink
                  to={`/set/cards/${card.body.id}`}
                  more={{
                    standard: s.standard.id,
                    ...(card.unit ? { unit: card.unit.id } : {}),
                    slots: text,
                  }}
                  style={{ color: 'inherit' }}
                >
                  {s.standard.name}
                </KeptLink>
              )}{' '}
              into {s.slot}
            </Typography>
            <Typography component="span" variant="body2" color="textSecondary">
              {s.isStored
                ? ', stored'
                : `, ${s.steps} ${s.steps === 1 ? 'step' : 'steps'}, ${s.presses} presses${s.isHere ? ', this card' : ''}`}
            </Typography>
          </Box>
        ))}
      </Box>
    </Box>
  )
}
