'use client'

import { TextField } from '@mui/material'
import { useState } from 'react'
import { type FocusTest as Test, LENS_TEST_FORMAT } from '@/core/lens-tests/schema'
import type { TestableView } from '@/server/lens-tests'
import { Choice } from '@/ui/Choice'
import { useLensOnBody } from '../LensOnBody'
import { madeRulersOf } from '../made'
import { PicturesTest } from '../PicturesTest'
import { usePictures } from '../use-pictures'
import { troubleWords } from './focus-words'
import { Typography } from '@/ui/elements'

/** Ten pictures of the ruler, refocused each time; again with another setting where that is asked for. */
export const FocusTest = ({ testable, first }: { testable: TestableView; first: string | undefined }) => {
  const [setting, setSetting] = useState(0)
  const [distance, setDistance] = useState('')
  const pictures = usePictures('rulers', { setting })
  const chosen = useLensOnBody(testable, first)
  const { body, lens, unit, focalMm } = chosen
  if (!body || !lens) return null
  const good = pictures.taken.flatMap(t => (t.found?.kind === 'focus' ? [{ ...t, offset: t.found.offset }] : []))
  const metres = Number(distance.replace(',', '.')) || Math.max(0.6, (focalMm * 20) / 1000)
  const testOf = (): Test => ({
    format: LENS_TEST_FORMAT,
    kind: 'focus',
    lens: lens.id,
    body: body.id,
    firmware: body.firmware,
    ...(unit ? { unit } : {}),
    focalMm: good.find(t => t.facts.focalMm !== undefined)?.facts.focalMm ?? focalMm,
    fNumber: good.find(t => t.facts.fNumber !== undefined)?.facts.fNumber ?? lens.widest,
    distance: metres,
    on: new Date().toISOString().slice(0, 10),
    pictures: good.map(t => ({
      name: t.name.slice(0, 120),
      setting: t.setting,
      offset: Number(t.offset.toFixed(3)),
    })),
  })
  const settings = body.adjustment?.steps ?? []
  return (
    <PicturesTest
      title="Does the lens focus where it should"
      how="Print the ruler, lean it back by 45° beside its field, and focus on the field ten times, from alternate sides, aperture wide open, camera on a tripod."
      sheet="ruler"
      about="JPEGs of the ruler, as the camera made them."
      testable={testable}
      chosen={chosen}
      pictures={pictures}
      made={madeRulersOf(body.id, lens.id, setting)}
      used={good.length}
      testOf={testOf}
      tell={t => (
        <>
          {t.name}
          {body.adjustment && `, set to ${t.setting > 0 ? '+' : ''}${t.setting}`}:{' '}
          <b>
            {t.found?.kind === 'focus'
              ? `${Math.abs(t.found.offset).toFixed(1)} mm ${t.found.offset < 0 ? 'in front' : 'behind'}`
              : t.found
                ? troubleWords(t.found.why)
                : t.trouble}
          </b>
        </>
      )}
      settings={
        <>
          <TextField
            size="small"
            label="Distance (m)"
            value={distance}
            placeholder={metres.toFixed(2)}
            onChange={e => setDistance(e.target.value)}
            slotProps={{ htmlInput: { inputMode: 'decimal' }, inputLabel: { shrink: true } }}
            sx={{ width: 'var(--field-number)' }}
          />
          {body.adjustment ? (
            <Choice
              label={`${body.adjustment.label} is set to`}
              value={settings.some(s => s.steps === setting) ? setting : 0}
              onChange={value => setSetting(Number(value))}
              sx={{ minWidth: 'var(--field)' }}
              options={settings.map(s => ({ id: s.steps, name: s.label }))}
            />
          ) : (
            <Typography variant="body2">
              This body has no such adjustment; what is found is good to know, or to send in.
            </Typography>
          )}
        </>
      }
    />
  )
}
