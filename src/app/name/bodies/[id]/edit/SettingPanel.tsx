'use client'

import { Button, TextField } from '@mui/material'
import {
  askAgain,
  confirmGuesses,
  editSetting,
  isPinnable,
  menuPath,
  moveSettings,
  pagesOf,
  restSaysNothing,
  type Setting,
  turnedRound,
  withCounts,
  withPin,
} from '@/core/bodies'
import type { Reading } from '@/core/propose/propose'
import { isOffered } from '@/core/propose/review'
import { dimension } from '@/core/vocabulary/dimensions'
import { valueWords } from '@/core/vocabulary/words'
import { Choice } from '@/ui/Choice'
import { Eyebrow, MenuPath, Wrap } from '@/ui/pieces'
import { AboutPicker } from './AboutPicker'
import { NOTHING_WORDS, readingName, UNNAMED_WORDS } from './reading-words'
import type { Editor } from './use-editor'
import { Proposal } from './Proposal'
import { CountsField } from './CountsField'
import { OptionRow } from './OptionRow'
import { Pinned } from './Pinned'
import { Box, Typography } from '@/ui/elements'

/** Values told in a proposal before the rest is counted. */
const MOST_VALUES = 3

const valuesText = (setting: Setting, reading: Reading): string => {
  const told = setting.options.flatMap((o, i) => {
    const means = reading.means[i] ?? {}
    const values = Object.entries(means).map(([id, v]) =>
      valueWords(dimension(id), v, c => (reading.control?.id === c ? reading.control.label : c)),
    )
    return values.length ? [`${o.label} = ${values.join(' + ')}`] : []
  })
  const more = told.length > MOST_VALUES ? `; ${told.length - MOST_VALUES} more` : ''
  return told.slice(0, MOST_VALUES).join('; ') + more
}

/** What the setting in focus means: proposals to accept with one key, and every option with its meaning. */
export const SettingPanel = ({
  editor,
  setting,
  selected,
  readings,
  problem,
  onAccept,
  onNothing,
  onUnnamed,
  onAbout,
}: {
  editor: Editor
  setting: Setting | undefined
  selected: readonly string[]
  readings: readonly Reading[]
  problem: string
  onAccept: (reading: Reading) => void
  onNothing: () => void
  onUnnamed: () => void
  onAbout: (dimension: string) => void
}) => {
  const { form, edit } = editor
  if (selected.length > 1)
    return (
      <Box component="aside" aria-label="Selected settings">
        <Typography variant="h2">{selected.length} settings</Typography>
        <Typography sx={{ my: 1 }}>Moved, removed and marked together.</Typography>
        <Choice
          fullWidth
          label="Move to page"
          value=""
          onChange={value => {
            const page = pagesOf(form)[Number(value)]
            if (page)
              edit(`moved ${selected.length} settings`, b => moveSettings(b, selected, { ...page, index: 1000 }))
          }}
          size="medium"
          options={pagesOf(form).map((p, i) => ({
            id: i,
            name: `${form.menu.tabs.find(t => t.id === p.tab)?.label} › ${p.label}`,
          }))}
        />
        <Button sx={{ mt: 1 }} onClick={onNothing}>
          Nothing to do with focus
        </Button>
      </Box>
    )
  if (!setting)
    return (
      <Box component="aside" aria-label="Setting">
        <Typography color="textSecondary">
          Choose a setting to see what it means. Press ? for the keys of this view.
        </Typography>
      </Box>
    )
  return (
    <Box component="aside" aria-label="Setting" sx={{ minWidth: 0 }}>
      <Typography variant="h2">{setting.label}</Typography>
      <MenuPath path={menuPath(form, setting)} />
      {setting.undecided && (
        <Box sx={{ mt: 2 }}>
          <Eyebrow component="h3">Proposals</Eyebrow>
          {problem && <Typography color="error">{problem}</Typography>}
          {readings.map((r, i) => (
            <Proposal key={`${r.dimensions.join()}-${i}`} type="button" onClick={() => onAccept(r)}>
              <Typography variant="value" component="kbd" sx={{ fontWeight: 'fontWeightMedium' }}>
                {i + 1}
              </Typography>
              <span>
                <Typography variant="strong" component="span" sx={{ display: 'block' }}>
                  {readingName(r)}
                  <Typography component="span" variant="body2" color="textSecondary">
                    {' '}
                    {i > 0
                      ? ''
                      : isOffered(r)
                        ? `${r.certainty} · Enter`
                        : r.isEitherWay
                          ? 'direction unknown: choose by number'
                          : 'unsure: choose by number'}
                    {r.isGuess ? ' · amounts guessed' : ''}
                  </Typography>
                </Typography>
                <Typography component="span" variant="value" sx={{ display: 'block', overflowWrap: 'anywhere' }}>
                  {valuesText(setting, r)}
                </Typography>
                <Typography component="span" variant="body2" color="textSecondary" sx={{ display: 'block' }}>
                  Why: {r.because.join('; ')}.{r.control && ` Adds the control “${r.control.label}”.`}
                </Typography>
              </span>
            </Proposal>
          ))}
          <Proposal type="button" onClick={onNothing}>
            <Typography variant="value" component="kbd" sx={{ fontWeight: 'fontWeightMedium' }}>
              0
            </Typography>
            <span>{NOTHING_WORDS}</span>
          </Proposal>
          <Proposal type="button" onClick={onUnnamed}>
            <Typography variant="value" component="kbd" sx={{ fontWeight: 'fontWeightMedium' }}>
              9
            </Typography>
            <span>{UNNAMED_WORDS}</span>
          </Proposal>
          {setting.options.some(o => Object.keys(o.means).length > 0) && (
            <Button
              size="small"
              sx={{ mt: 1 }}
              onClick={() => edit(`the rest of “${setting.label}” says nothing`, b => restSaysNothing(b, setting.id))}
            >
              The other options say nothing about focus
            </Button>
          )}
          <Box sx={{ mt: 1.5 }}>
            <AboutPicker label="This setting is about … (m)" onPick={onAbout} />
          </Box>
        </Box>
      )}
      {!setting.undecided && (
        <Wrap sx={{ mt: 1 }}>
          <Button
            size="small"
            onClick={() => edit(`asked again what “${setting.label}” means`, b => askAgain(b, setting.id))}
          >
            Ask again
          </Button>
          {setting.options.some(o => o.guessed?.length) && (
            <Button
              size="small"
              onClick={() => edit(`confirmed the amounts of “${setting.label}”`, b => confirmGuesses(b, setting.id))}
            >
              The guessed amounts are right
            </Button>
          )}
          {setting.options.some(o => o.guessed?.length) && (
            <Button
              size="small"
              onClick={() => edit(`turned “${setting.label}” round`, b => turnedRound(b, setting.id))}
            >
              It runs the other way
            </Button>
          )}
        </Wrap>
      )}
      <Box sx={{ mt: 2 }}>
        <Eyebrow component="h3">Options</Eyebrow>
        {setting.options.map(o => (
          <OptionRow key={o.id} form={form} setting={setting} option={o} edit={edit} />
        ))}
      </Box>
      {!setting.undecided && isPinnable(setting) && (
        <Pinned
          form={form}
          setting={setting}
          onPin={pin => edit(`“${setting.label}” set anyway`, b => withPin(b, setting.id, pin))}
        />
      )}
      <CountsField
        label="Counts"
        everywhere="everywhere"
        counts={setting.counts}
        onChange={(counts, words) =>
          edit(`“${setting.label}” counts ${words}`, b => editSetting(b, setting.id, s => withCounts(s, counts)))
        }
      />
      <TextField
        key={`${setting.id}-since`}
        size="small"
        label="Since firmware"
        defaultValue={setting.since ?? ''}
        sx={{ mt: 2, width: 'var(--field-short)' }}
        helperText="empty: always there"
        onBlur={e => {
          const since = e.target.value.trim()
          if (since === (setting.since ?? '') || (since && !/^\d+(\.\d+){0,3}$/.test(since))) return
          edit(`“${setting.label}” since ${since || 'ever'}`, b =>
            editSetting(b, setting.id, s => ({ ...s, since: since || undefined })),
          )
        }}
      />
    </Box>
  )
}
