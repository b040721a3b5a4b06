'use client'

import { Alert, Button } from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import { distanceWords } from '@/core/lenses/distance'
import { type Lens, lensWarnings, turnsAgainst } from '@/core/lenses/schema'
import { BEGINNING, sceneText } from '@/core/optics/scene'
import { linkTo } from '@/ui/address'
import type { LastChange } from '@/server/lenses'
import { LimiterDrawing } from '@/ui/LimiterDrawing'
import { Facts, Page } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { LinkButton } from '@/ui/links'
import { useUnits } from '@/ui/units'
import { UnitsSwitch } from '@/ui/UnitsSwitch'
import { When } from '@/ui/When'
import { apertureWords, focalWords, turnWords } from '../lens-words'
import { useSend } from '@/ui/use-send'
import { Box, Typography } from '@/ui/elements'

/** @example '+5 (2026-10-04; measured on 10 pictures: 1.4 mm in front with it; firmware 2.1)' */
const offsetWords = ({ steps, on, firmware, millimetres, pictures }: Lens['offsets'][number]): string => {
  const measured =
    millimetres === undefined
      ? undefined
      : `measured on ${pictures ?? 'some'} pictures: ${Math.abs(millimetres).toFixed(1)} mm ${millimetres < 0 ? 'in front' : 'behind'} with it`
  const known = [on, measured, firmware && `firmware ${firmware}`].filter(Boolean).join('; ')
  return `${steps > 0 ? '+' : ''}${steps}${known ? ` (${known})` : ''}`
}

/** One lens: its facts, its ranges drawn to scale, and what people who change systems should mind. */
export const LensView = ({
  lens,
  others,
  last,
  units: owned,
  bodyNames,
  revision,
}: {
  lens: Lens
  revision: number
  others: readonly Lens[]
  last: LastChange | undefined
  units: readonly { readonly tag: string; readonly serial: string; readonly owner: string; readonly notes: string }[]
  bodyNames: Readonly<Record<string, string>>
}) => {
  const router = useRouter()
  const params = useSearchParams()
  const [units] = useUnits()
  const { send, problem } = useSend()
  const warnings = lensWarnings(lens)
  const isAgainst = turnsAgainst(others).has(lens.id)
  const { stabiliser, bestAperture } = lens
  const takeBack = () => send('POST', `/api/v1/lenses/${lens.id}/restore`, { revision })
  const putAway = async () => {
    const sent = await send('PATCH', `/api/v1/lenses/${lens.id}`, { archived: true, revision })
    if (sent.ok) router.push(linkTo('/name/lenses', params))
  }
  return (
    <Page>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', justifyContent: 'space-between', gap: 2 }}>
        <Box>
          <Typography color="textSecondary">{lens.maker}</Typography>
          <Typography variant="h1">{lens.model}</Typography>
          {lens.about && <Typography sx={{ mt: 1, maxWidth: 'var(--narrow)' }}>{lens.about}</Typography>}
        </Box>
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}>
          <UnitsSwitch />
          <LinkButton
            to="/decide/optics"
            more={{
              scene: sceneText({ ...BEGINNING, lens: lens.id, focalMm: lens.focalMm.to, fNumber: lens.maxAperture.to }),
            }}
          >
            On the Optics desk
          </LinkButton>
          <LinkButton to={`/name/lenses/${lens.id}/edit`}>Edit</LinkButton>
        </Box>
      </Box>
      <Trouble words={problem} sx={{ mt: 2 }} />
      {warnings.map(w => (
        <Alert key={w.where + w.words} severity="warning" sx={{ mt: 2 }}>
          {w.where}: {w.words}
        </Alert>
      ))}
      {isAgainst && (
        <Alert severity="info" sx={{ mt: 2 }}>
          The ring of this lens turns against most of the others here: it {turnWords(lens)}. Whoever comes from another
          system turns the wrong way at first.
        </Alert>
      )}
      <Box component="section" sx={{ mt: 4 }}>
        <Typography variant="h2">How near and far it focuses</Typography>
        <Typography color="textSecondary" sx={{ mb: 2 }}>
          Drawn in dioptres, as the lens travels. Distances count from the sensor plane mark on the body, not from the
          front of the lens.
        </Typography>
        <LimiterDrawing lens={lens} units={units} />
      </Box>
      <Box component="section" sx={{ mt: 4 }}>
        <Typography variant="h2">Facts</Typography>
        <Facts
          facts={[
            { name: 'focal length', value: focalWords(lens) },
            { name: 'widest aperture', value: apertureWords(lens) },
            ...(lens.mount ? [{ name: 'mount', value: lens.mount }] : []),
            {
              name: 'closest focus',
              value: `${distanceWords(lens.closest.metres, units)} from the sensor plane${lens.closest.feet === undefined ? '' : ` (printed: ${lens.closest.metres} m, ${lens.closest.feet} ft)`}`,
            },
            ...(lens.magnification === undefined
              ? []
              : [{ name: 'largest magnification', value: `${lens.magnification}, at closest focus` }]),
            ...(lens.frontMetres === undefined
              ? []
              : [
                  {
                    name: 'front of the lens',
                    value: `${distanceWords(lens.frontMetres, units)} from the sensor plane`,
                  },
                ]),
            ...(lens.pupilMagnification === undefined
              ? []
              : [{ name: 'pupil magnification', value: String(lens.pupilMagnification) }]),
            { name: 'focus ring', value: turnWords(lens) },
            { name: 'focusing', value: lens.focusing === 'by-wire' ? 'by wire' : 'mechanical' },
            { name: 'stored distance', value: lens.recall ? 'can be called back on the lens' : 'none on the lens' },
            {
              name: 'stabiliser',
              value: stabiliser
                ? `${stabiliser.modes.join(', ')}${stabiliser.panning ? `; for panning: ${stabiliser.panning}` : ''}`
                : 'none',
            },
            {
              name: 'sharpest at',
              value: bestAperture
                ? `f/${bestAperture.fNumber}${bestAperture.on ? ` (${bestAperture.on})` : ''}`
                : 'not tested yet',
            },
            ...(lens.offsets.length
              ? lens.offsets.map(o => ({
                  name: `AF offset on ${bodyNames[o.id] ?? o.id}${o.unit ? ` ${o.unit}` : ''}`,
                  value: offsetWords(o),
                }))
              : [{ name: 'AF offset', value: 'not tested yet' }]),
            ...owned.map(u => ({
              name: u.tag,
              value: [`serial ${u.serial}`, u.owner, u.notes].filter(Boolean).join(', '),
            })),
          ]}
        />
        {last && (
          <Typography variant="body2" color="textSecondary">
            Last changed <When at={last.at} />
            {last.person && ` by ${last.person}`}: {last.what}.{' '}
            <Button size="small" onClick={() => void takeBack()}>
              Take it back
            </Button>
          </Typography>
        )}
        <Button onClick={() => void putAway()}>Put this lens away</Button>
      </Box>
    </Page>
  )
}
