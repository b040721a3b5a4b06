'use client'

import { Alert, Button } from '@mui/material'
import { useState } from 'react'
import type { Example, FieldThatDiffers, Found } from '@/core/audit/by-example'
import type { Setting } from '@/core/bodies'
import { Choice } from '@/ui/Choice'
import { DropFiles } from '@/ui/DropFiles'
import { readNotes } from '@/ui/metadata'
import { PlainList, Wrap } from '@/ui/pieces'
import { Reading } from '@/ui/Reading'
import { Trouble } from '@/ui/Trouble'
import { useStoppable } from '@/ui/use-stoppable'
import { Box, Typography } from '@/ui/elements'

interface Taken {
  readonly name: string
  readonly fields: Readonly<Record<string, string>>
  readonly option: string
}

/** More examples say no more. */
const MOST = 40
/** Fields that are shown before somebody asks for the rest. */
const SHOWN = 6

const picturesOfEach = (n: number): string => `${n} more ${n === 1 ? 'picture' : 'pictures'} of each option`

/** What can be said of the fields that were found, and what would tell more. */
const foundWords = (clear: number, wants: number): string => {
  if (clear === 0)
    return 'Only fields differ that change from picture to picture anyway: none of them is to be trusted without more examples.'
  const more = wants > 0 ? ` ${picturesOfEach(wants)} would tell it from chance.` : ''
  return clear === 1
    ? `One field goes with the options.${more}`
    : `${clear} fields go with the options.${more || ' More pictures leave fewer; or choose the one that reads right.'}`
}

/** Pictures taken with different options of one setting, and the fields in which they differ. */
export const ByExample = ({
  setting,
  find,
  isBusy,
  onField,
}: {
  setting: Setting
  find: (examples: readonly Example[]) => Found
  isBusy: boolean
  /** @returns whether it was kept */
  onField: (field: FieldThatDiffers) => Promise<boolean>
}) => {
  const { during, isBusy: isReading, trouble, stop } = useStoppable()
  const [taken, setTaken] = useState<readonly Taken[]>([])
  const [progress, setProgress] = useState({ done: 0, of: 0 })
  const [isAll, setAll] = useState(false)
  const [kept, setKept] = useState('')
  const add = (files: readonly File[]) =>
    during(async signal => {
      const fresh = files.slice(0, MOST - taken.length)
      const found: Taken[] = []
      setKept('')
      setProgress({ done: 0, of: fresh.length })
      await readNotes(
        fresh,
        undefined,
        fields => {
          const name = fresh[found.length]?.name ?? ''
          // Most people drop them in the order of the menu.
          const option = setting.options[(taken.length + found.length) % setting.options.length]?.id ?? ''
          found.push({ name, fields: Object.fromEntries(fields), option })
          setProgress({ done: found.length, of: fresh.length })
        },
        signal,
      ).finally(() => setTaken([...taken, ...found]))
    })
  const labelOf = (id: string) => setting.options.find(o => o.id === id)?.label ?? id
  const { fields, sure, wants } = find(
    taken.map(t => ({ option: t.option, label: labelOf(t.option), fields: t.fields })),
  )
  const shown = isAll ? fields : fields.filter((f, i) => f.doubt === undefined && i < SHOWN)
  const clear = fields.filter(f => f.doubt === undefined)
  const silent = taken.filter(t => Object.keys(t.fields).length === 0)
  return (
    <Box sx={{ mt: 2 }}>
      {isReading ? (
        <Reading progress={progress} onStop={stop} />
      ) : (
        <DropFiles
          label={taken.length > 0 ? 'Add more pictures' : 'Choose the pictures'}
          accept="image/*,.heic,.heif,.avif,.tif,.tiff,.dng,.raw"
          about={`Three with each of two options of ${setting.label} tell it from chance; everything else as it was.`}
          onFiles={files => void add(files)}
        />
      )}
      <Trouble words={trouble} sx={{ mt: 1 }} />
      <PlainList component="ul" sx={{ mt: 1.5, maxWidth: 'var(--line)' }}>
        {taken.map((t, i) => (
          <Wrap component="li" key={t.name + i} sx={{ alignItems: 'center', mb: 1 }}>
            <Typography sx={{ flex: '1 1 var(--field)', overflowWrap: 'anywhere' }}>{t.name} was taken with</Typography>
            <Choice
              label={`Option of ${t.name}`}
              value={t.option}
              onChange={value => setTaken(taken.map((x, k) => (k === i ? { ...x, option: value } : x)))}
              sx={{ flex: '1 1 var(--field)' }}
              options={setting.options.map(o => ({ id: o.id, name: o.label }))}
            />
            <Button color="inherit" size="small" onClick={() => setTaken(taken.filter((_, k) => k !== i))}>
              Take away
            </Button>
          </Wrap>
        ))}
      </PlainList>
      {silent.length > 0 && (
        <Alert severity="warning" sx={{ maxWidth: 'var(--line)' }}>
          {silent.map(t => t.name).join(', ')}: no metadata can be read. A picture as it came from the camera has it;
          what was sent by a messenger often has not.
        </Alert>
      )}
      {taken.length > 1 && fields.length === 0 && (
        <Alert severity="info" sx={{ maxWidth: 'var(--line)' }}>
          {new Set(taken.map(t => t.option)).size < 2
            ? 'All are of one option: tell which was taken with another.'
            : 'No field says one thing with one option and another with the other. This camera may not write this setting down.'}
        </Alert>
      )}
      {fields.length > 0 && (
        <>
          <Typography sx={{ maxWidth: 'var(--line)' }}>{foundWords(clear.length, wants)}</Typography>
          <PlainList component="ul" sx={{ mt: 1, maxWidth: 'var(--wide)' }}>
            {shown.map(f => (
              <Box component="li" key={f.field} sx={{ py: 1, borderBottom: 1, borderColor: 'divider' }}>
                <Wrap sx={{ alignItems: 'center' }}>
                  <Box sx={{ flex: '1 1 var(--field-long)' }}>
                    <Typography variant="value" component="span">
                      {f.field}
                    </Typography>
                    <Typography variant="body2" sx={{ overflowWrap: 'anywhere' }}>
                      {f.values.map(v => `${labelOf(v.option)}: “${v.value}”`).join('; ')}
                    </Typography>
                    {f.doubt && (
                      <Typography variant="body2" color="textSecondary">
                        {f.doubt}
                      </Typography>
                    )}
                  </Box>
                  <Button
                    variant={f.field === sure ? 'contained' : 'outlined'}
                    disabled={isBusy}
                    onClick={() => void onField(f).then(ok => ok && setKept(f.field))}
                  >
                    This field tells it
                  </Button>
                </Wrap>
              </Box>
            ))}
          </PlainList>
          {!isAll && shown.length < fields.length && (
            <Button onClick={() => setAll(true)}>Show all {fields.length} fields that differ</Button>
          )}
        </>
      )}
      {kept && (
        <Alert severity="success" sx={{ mt: 1, maxWidth: 'var(--line)' }}>
          {kept} tells of {setting.label} from now on.
        </Alert>
      )}
    </Box>
  )
}
