'use client'

import { Button } from '@mui/material'
import { areasOnSubject, finestHeld, pickedBy } from '@/core/optics/answers/area'
import { angleWords, lengthWords } from '@/core/optics/words'
import { PlainList, Wrap } from '@/ui/pieces'
import { useUnits } from '@/ui/units'
import { useDesk } from '../desk'
import { DeskChoice, Num } from '../fields'
import { Box, Typography } from '@/ui/elements'

/** How far hands wander while they follow something, in degrees. @source from memory, until drills measure it */
const HANDS = [
  { value: '0.6', label: 'a beginner’s' },
  { value: '0.3', label: 'practised' },
  { value: '0.15', label: 'very steady' },
]
const OWN = 'own'

/** Every area of the body on the subject, finest first; each can be laid over it. */
export const AreaMore = () => {
  const { scene, r, change } = useDesk()
  const [units] = useUnits()
  const areas = areasOnSubject(r)
  const best = finestHeld(areas)
  const isListed = HANDS.some(h => Number(h.value) === scene.handsDegrees)
  return (
    <>
      <Wrap sx={{ gap: 1.25, my: 1.5 }}>
        <DeskChoice
          label="Hands"
          value={isListed ? String(scene.handsDegrees) : OWN}
          options={[...HANDS, { value: OWN, label: 'measured' }]}
          onChange={h => change({ handsDegrees: h === OWN ? 0.25 : Number(h) })}
        />
        <Num field="handsDegrees" label="They wander, degrees" />
      </Wrap>
      <PlainList component="ul" aria-label="Areas of this body">
        {areas.map((a, i) => {
          const isLaid = a.area?.width === scene.areaWidth && a.area.height === scene.areaHeight
          return (
            <Box component="li" key={`${a.label} ${i}`}>
              <Button
                size="small"
                color="inherit"
                aria-pressed={isLaid}
                onClick={() => a.area && change({ areaWidth: a.area.width, areaHeight: a.area.height })}
                sx={{
                  display: 'grid',
                  gridTemplateColumns: 'minmax(0, 1.2fr) minmax(0, 1.2fr) minmax(0, 1.5fr)',
                  gap: 1,
                  width: '100%',
                  textAlign: 'left',
                  fontWeight: 'fontWeightRegular',
                  bgcolor: isLaid ? 'own.marigold.wash' : 'transparent',
                }}
              >
                <Typography variant="body2" component="span" sx={a === best ? { fontWeight: 'fontWeightMedium' } : {}}>
                  {a.label}
                  {a === best && ', finest held'}
                </Typography>
                <Typography variant="value" component="span">
                  {lengthWords(a.width, units)} × {lengthWords(a.height, units)}
                </Typography>
                <Typography variant="body2" component="span" color={a.isHeld ? 'textSecondary' : 'error'}>
                  {a.isHeld ? `slack ${angleWords(a.slack)}` : `too fine: ${angleWords(a.slack)}`}
                  {pickedBy(a.area) === 'camera picks' && ', camera picks'}
                </Typography>
              </Button>
            </Box>
          )
        })}
      </PlainList>
    </>
  )
}
