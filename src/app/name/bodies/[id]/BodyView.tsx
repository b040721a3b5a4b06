'use client'

import { inSentence } from '@/core/vocabulary/words'
import { Button, TextField } from '@mui/material'
import { useRouter, useSearchParams } from 'next/navigation'
import { useState } from 'react'
import type { FriendView } from '@/server/phrasebook'
import { type Body, compareVersions, presentFunctions } from '@/core/bodies'
import { bodyCautions } from '@/core/cautions/cautions'
import { dimension, findDimension } from '@/core/vocabulary/dimensions'
import { PLACES } from '@/core/vocabulary/places'
import { linkTo } from '@/ui/address'
import { CoverageDrawing } from '@/ui/CoverageDrawing'
import { CautionNote, Facts, Page, Section, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { Schematic } from '@/ui/Schematic'
import { BEGINNING, sceneText } from '@/core/optics/scene'
import { KeptLink, LinkButton } from '@/ui/links'
import { FalseFriends } from '@/ui/FalseFriends'
import { MenuTree } from './MenuTree'
import { useSend } from '@/ui/use-send'
import { Box, Typography } from '@/ui/elements'

const FINDER = { optical: 'optical', electronic: 'electronic', 'screen-only': 'none, screen only' } as const

interface UnitFacts {
  readonly id: string
  readonly tag: string
  readonly serial: string
  readonly firmware: string
}

const functionWords = (id: string): string => (id === 'menu' ? 'menu settings' : (findDimension(id)?.label ?? id))

/** The profile of one body: what it is, its controls, its menus in its own words with their meaning, its rules. */
export const BodyView = ({
  body,
  versions,
  firmware,
  units,
  friends,
  revision,
}: {
  body: Body
  revision: number
  versions: readonly string[]
  firmware: string
  units: readonly UnitFacts[]
  friends: readonly FriendView[]
}) => {
  const params = useSearchParams()
  const router = useRouter()
  const putAway = async () => {
    const sent = await send('PUT', `/api/v1/bodies/${body.id}/archived`, { archived: true, revision })
    if (sent.ok) router.push(linkTo('/name/bodies', params))
  }
  const shownFirmware = [...versions].reverse().find(v => compareVersions(v, firmware) <= 0) ?? versions[0]
  const [filter, setFilter] = useState('')
  const { send, problem } = useSend()
  const controlLabel = (id: string) => body.controls.find(c => c.id === id)?.label ?? id
  const { sensor, coverage } = body
  return (
    <Page>
      <Trouble words={problem} sx={{ mb: 2 }} />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', justifyContent: 'space-between', gap: 2 }}>
        <Box>
          <Typography color="textSecondary">{body.maker}</Typography>
          <Typography variant="h1">{body.model}</Typography>
          {body.about && <Typography sx={{ mt: 1, maxWidth: 'var(--narrow)' }}>{body.about}</Typography>}
        </Box>
        <Wrap sx={{ alignItems: 'flex-start' }}>
          <LinkButton to={`/name/bodies/${body.id}/edit`}>Edit</LinkButton>
          <LinkButton to={`/name/bodies/${body.id}/evidence`}>What its pictures tell</LinkButton>
          <LinkButton to="/decide/optics" more={{ scene: sceneText({ ...BEGINNING, body: body.id }) }}>
            On the Optics desk
          </LinkButton>
          <LinkButton to={`/set/cards/${body.id}`} variant="contained">
            Open the card
          </LinkButton>
        </Wrap>
      </Box>

      {versions.length > 1 && (
        <Typography sx={{ mt: 1.5 }}>
          Firmware:{' '}
          {versions.map((v, i) => (
            <span key={v}>
              {i > 0 && ' · '}
              {v === shownFirmware ? (
                <strong>{v}</strong>
              ) : (
                <KeptLink to={`/name/bodies/${body.id}`} more={{ firmware: v }}>
                  {v}
                </KeptLink>
              )}
            </span>
          ))}
        </Typography>
      )}

      <Section title="Mind">
        <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' }, gap: 2 }}>
          {bodyCautions(body).map(c => (
            <CautionNote key={c.id} caution={c} />
          ))}
        </Box>
      </Section>

      {friends.length > 0 && (
        <Section title="False friends">
          <Typography color="textSecondary" sx={{ mb: 1 }}>
            Words of {body.model} that mean something else on another body of the house.
          </Typography>
          <FalseFriends friends={friends} columns={2} />
        </Section>
      )}

      <Section title="Controls">
        <Schematic controls={body.controls} />
        <Box
          component="ol"
          sx={{
            mt: 2,
            pl: 3,
            columnGap: 4,
            display: 'grid',
            gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' },
            rowGap: 1,
          }}
        >
          {body.controls.map(c => (
            <li key={c.id}>
              <Typography variant="strong">{c.label}</Typography>
              <Typography variant="body2" color="textSecondary">
                {PLACES[c.place].label}, {c.holdable ? 'can be held' : 'cannot be held'}. Accepts{' '}
                {presentFunctions(c.functions)
                  .map(f => inSentence(functionWords(f)))
                  .join(', ')}
                .
              </Typography>
            </li>
          ))}
        </Box>
      </Section>

      <Section title="What it is">
        <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '1fr var(--side)' }, gap: 4 }}>
          <Facts
            facts={[
              { name: 'firmware', value: `${body.firmware.from} to ${body.firmware.to}` },
              {
                name: 'sensor',
                value: `${sensor.widthMm} × ${sensor.heightMm} mm, ${((sensor.pixelsWide * sensor.pixelsHigh) / 1e6).toFixed(1)} megapixels`,
              },
              { name: 'finder', value: FINDER[body.viewfinder] },
              {
                name: 'frame rates',
                value: body.frameRates
                  .map(
                    r =>
                      `${r.label}: ${r.framesPerSecond}/s${r.focusBetweenFrames ? '' : ', focus only for the first'}`,
                  )
                  .join('; '),
              },
              {
                name: 'memory',
                value:
                  body.slots.names.length === 0
                    ? 'none'
                    : `${body.slots.names.join(', ')}; ${body.slots.stores === 'everything' ? 'stores everything' : `stores ${body.slots.stores.length} settings`}`,
              },
              ...(body.slots.keys
                ? [{ name: 'sets that keys recall while held', value: String(body.slots.keys.sets) }]
                : []),
              ...units.map(u => ({ name: u.tag, value: `serial ${u.serial}, firmware ${u.firmware}` })),
              ...body.fixed.map(f => ({
                name: Object.keys(f.means)
                  .map(id => inSentence(dimension(id).label))
                  .join(', '),
                value: f.words,
              })),
            ]}
          />
          <Box>
            <CoverageDrawing sensor={sensor} coverage={coverage} />
            <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
              {coverage.columns} × {coverage.rows} points; larger ones see finer. {coverage.note}
            </Typography>
          </Box>
        </Box>
      </Section>

      <Section title="Menus">
        <TextField
          label="Find a setting, an option or a meaning"
          value={filter}
          onChange={e => setFilter(e.target.value)}
          fullWidth
          sx={{ mb: 2, maxWidth: 'var(--narrow)' }}
        />
        <MenuTree body={body} filter={filter} controlLabel={controlLabel} />
      </Section>

      <Section title="Rules">
        {body.rules.length === 0 && <Typography>No setting binds another.</Typography>}
        <Box component="ul" sx={{ pl: 2.5, m: 0, columns: { md: 2 }, columnGap: 4 }}>
          {[...new Set(body.rules.map(r => r.words))].map(words => (
            <Typography key={words} component="li" sx={{ mb: 0.75, breakInside: 'avoid' }}>
              {words}
            </Typography>
          ))}
        </Box>
      </Section>
      <Section title="As a file">
        <Wrap>
          <Button href={`/api/v1/bundle?bodies=${body.id}`}>The profile</Button>
          <Button href={`/api/v1/bodies/${body.id}/menu?as=xlsx`}>Its menu as XLSX</Button>
          <Button href={`/api/v1/bodies/${body.id}/menu?as=csv`}>Its menu as CSV</Button>
          <Button href={`/api/v1/bodies/${body.id}/menu?as=text`}>Its menu as text</Button>
          <Button onClick={() => void putAway()}>Put this body away</Button>
        </Wrap>
      </Section>
    </Page>
  )
}
