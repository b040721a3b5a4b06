'use client'

import { Alert, Button, TextField } from '@mui/material'
import { useState } from 'react'
import {
  bodyAt,
  compareVersions,
  type Difference,
  formDifferencesBetween,
  formBefore,
  KIND_WORDS,
  versionsOf,
  withUpdate,
} from '@/core/bodies'
import type { Editor } from './use-editor'
import { Box, Typography } from '@/ui/elements'

const isVersion = (text: string) => /^\d+(\.\d+){0,3}$/.test(text)

/** What an update does, sorted by what it means for people who know the former one. */
export const DifferenceList = ({ differences }: { differences: readonly Difference[] }) => {
  const breaking = differences.filter(d => d.breaks)
  const rest = (Object.keys(KIND_WORDS) as Difference['kind'][]).flatMap(kind => {
    const list = differences.filter(d => !d.breaks && d.kind === kind)
    return list.length ? [[kind, list] as const] : []
  })
  return (
    <Box>
      {breaking.length > 0 && (
        <Box sx={{ mt: 1 }}>
          <Typography variant="strong" color="error">
            Breaks: look again wherever this is used
          </Typography>
          {breaking.map(d => (
            <Typography key={d.at.join()} variant="body2">
              {KIND_WORDS[d.kind]}: {d.words}
            </Typography>
          ))}
        </Box>
      )}
      {rest.map(([kind, list]) => (
        <Box key={kind} sx={{ mt: 1 }}>
          <Typography variant="strong">{KIND_WORDS[kind]}</Typography>
          {list.map(d => (
            <Typography key={d.at.join()} variant="body2">
              {d.words}
            </Typography>
          ))}
        </Box>
      ))}
      {differences.length === 0 && <Typography color="textSecondary">Nothing changes yet.</Typography>}
    </Box>
  )
}

/** The firmware versions of a body: each a change set on the one before, and which units run what. */
export const FirmwarePart = ({
  editor,
  units,
}: {
  editor: Editor
  units: readonly { readonly tag: string; readonly firmware: string }[]
}) => {
  const { profile, editProfile, setFirmware, firmware } = editor
  const [version, setVersion] = useState('')
  const versions = versionsOf(profile)
  const newest = versions.at(-1) ?? profile.firmware.from
  const isNew = isVersion(version) && compareVersions(version, newest) > 0
  const runsHere = (v: string, i: number) => {
    const next = versions[i + 1]
    return units.filter(
      u => compareVersions(u.firmware, v) >= 0 && (next === undefined || compareVersions(u.firmware, next) < 0),
    )
  }
  return (
    <Box sx={{ maxWidth: 'var(--line)' }}>
      {versions.map((v, i) => {
        const running = runsHere(v, i)
        const update = profile.updates.find(u => u.id === v)
        return (
          <Box
            key={v}
            component="section"
            aria-label={`Firmware ${v}`}
            sx={{ py: 2, borderBottom: 1, borderColor: 'divider' }}
          >
            <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center' }}>
              <Typography variant="h2">{v}</Typography>
              <Typography color="textSecondary" sx={{ flex: 1 }}>
                {running.length
                  ? `runs on ${running.map(u => `${u.tag} (${u.firmware})`).join(', ')}`
                  : 'no unit runs it'}
              </Typography>
              {firmware === v ? (
                <Typography variant="value">in view</Typography>
              ) : (
                <Button size="small" onClick={() => setFirmware(v)}>
                  Edit this one
                </Button>
              )}
              {update && (
                <Button
                  size="small"
                  onClick={() => {
                    if (firmware === v) setFirmware(profile.firmware.from)
                    editProfile(`removed firmware ${v}`, b => ({ ...b, updates: b.updates.filter(u => u.id !== v) }))
                  }}
                >
                  Remove
                </Button>
              )}
            </Box>
            {update ? (
              <>
                {update.about && <Typography sx={{ mt: 0.5 }}>{update.about}</Typography>}
                <DifferenceList differences={formDifferencesBetween(formBefore(profile, v), bodyAt(profile, v))} />
              </>
            ) : (
              <Typography color="textSecondary">The profile begins here.</Typography>
            )}
          </Box>
        )
      })}
      <Box
        component="form"
        sx={{ display: 'flex', gap: 1.5, mt: 3, alignItems: 'flex-start' }}
        onSubmit={e => {
          e.preventDefault()
          if (!isNew) return
          editProfile(`firmware ${version}`, b => withUpdate(b, version))
          setFirmware(version)
          setVersion('')
        }}
      >
        <TextField
          size="small"
          label="New version"
          value={version}
          onChange={e => setVersion(e.target.value.trim())}
          error={version !== '' && !isNew}
          helperText={
            version !== '' && !isNew ? `expected a version after ${newest}, such as ${newest.split('.')[0]}.9` : ''
          }
        />
        <Button type="submit" variant="outlined" disabled={!isNew}>
          Begin this version
        </Button>
      </Box>
      <Alert severity="info" icon={false} sx={{ mt: 3 }}>
        Update a camera only with a full battery and with the maker’s own file and instructions.
      </Alert>
    </Box>
  )
}
