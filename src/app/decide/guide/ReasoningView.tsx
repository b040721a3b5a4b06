'use client'

import { Button, MenuItem, TextField } from '@mui/material'
import { Fragment, useDeferredValue, useMemo, useState } from 'react'
import type { HouseGuide, HouseRule } from '@/core/guide/house'
import { schoolsIn } from '@/core/guide/schools'
import { Eyebrow, Page, Wrap } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import { OwnRule } from './OwnRule'
import { matching, type RuleGroup, type RuleLine, ruleGroups } from './rules'
import { useHouse } from './use-house'
import { FileButton } from '@/ui/FileButton'
import { Box, Typography } from '@/ui/elements'

/** All rules of the guide in words: to be read, searched, switched off, replaced and added to. */
export const ReasoningView = ({ house: stored, revision }: { house: HouseGuide; revision: number }) => {
  const { house, isBusy, problem, change, take } = useHouse(stored, revision)
  const [words, setWords] = useState('')
  const wanted = useDeferredValue(words)
  const groups = useMemo(() => ruleGroups(house), [house])
  const shown = useMemo(() => matching(groups, wanted), [groups, wanted])
  const count = groups.reduce((n, g) => n + g.rules.length, 0)
  const found = shown.reduce((n, g) => n + g.rules.length, 0)
  return (
    <Page>
      <Wrap sx={{ alignItems: 'center' }}>
        <Typography variant="h1" sx={{ flex: 1, minWidth: 'var(--field)' }}>
          The guide’s reasoning
        </Typography>
        <FileButton
          label="Take from a file"
          name="House rules from a file"
          accept=".json,application/json"
          disabled={isBusy}
          onFiles={([file]) => file && void take(file)}
        />
        <Button
          component="a"
          download="guide-of-the-house.json"
          href={`data:application/json,${encodeURIComponent(JSON.stringify(house, null, 2))}`}
        >
          House rules as a file
        </Button>
      </Wrap>
      <Typography color="textSecondary" sx={{ mt: 0.5, maxWidth: 'var(--line)' }}>
        On each question the rules that hold are added up for every school; the one with the most comes first. What a
        lead switches off, replaces or adds counts in this house at once, for every standard that is drafted.
      </Typography>
      <Trouble words={problem} sx={{ mt: 1 }} />
      <TextField
        size="small"
        label="Search the rules"
        value={words}
        onChange={e => setWords(e.target.value)}
        sx={{ mt: 2, width: { xs: '100%', sm: 360 } }}
      />
      <Typography role="status" variant="body2" color="textSecondary" sx={{ mt: 0.5 }}>
        {wanted ? `${found} of ${count} rules` : `${count} rules`}
        {house.off.length ? `, ${house.off.length} switched off here` : ''}
        {house.rules.length ? `, ${house.rules.length} of your own` : ''}.
      </Typography>
      {shown.map(g => (
        <Group
          key={g.id}
          group={g}
          house={house}
          isBusy={isBusy}
          isOpen={wanted !== ''}
          change={(what, next) => void change(what, next)}
        />
      ))}
    </Page>
  )
}

type Change = (what: string, next: HouseGuide) => void

const Group = ({
  group: g,
  house,
  isBusy,
  isOpen,
  change,
}: {
  group: RuleGroup
  house: HouseGuide
  isBusy: boolean
  isOpen: boolean
  change: Change
}) => {
  const [opened, setOpened] = useState(false)
  const [writing, setWriting] = useState<{ readonly replaces: string | undefined }>()
  const { topic } = g
  const own = g.rules.filter(r => r.isOwn).length
  const off = g.rules.filter(r => house.off.includes(r.id)).length
  const addRule = (rule: HouseRule) => {
    change(`rule added: ${rule.id}`, { ...house, rules: [...house.rules, rule] })
    setWriting(undefined)
  }
  const isShown = isOpen || opened
  const form = topic && writing && (
    <OwnRule
      key={writing.replaces}
      topic={topic}
      replaces={writing.replaces}
      taken={house.rules.map(r => r.id)}
      onAdd={addRule}
      onCancel={() => setWriting(undefined)}
    />
  )
  return (
    <Box component="section" aria-label={g.title} sx={{ borderTop: 1, borderColor: 'divider', mt: 2, pt: 1.5 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}>
        <Typography variant="h2" sx={{ flex: 1, minWidth: 'var(--field)' }}>
          {g.title}
        </Typography>
        {topic && <Held topic={topic} house={house} isBusy={isBusy} change={change} />}
        <Button size="small" aria-expanded={isShown} onClick={() => setOpened(o => !o)} disabled={isOpen}>
          {g.rules.length} rules{own ? `, ${own} your own` : ''}
          {off ? `, ${off} off` : ''}
        </Button>
      </Box>
      {isShown && (
        <>
          {g.rules.map(r => (
            <Fragment key={r.id}>
              <Rule
                rule={r}
                isOff={house.off.includes(r.id)}
                isReplaced={house.rules.some(x => x.replaces === r.id && x.id !== r.id)}
                isBusy={isBusy}
                onSwitch={() =>
                  change(
                    `rule ${house.off.includes(r.id) ? 'on' : 'off'}: ${r.id}`,
                    house.off.includes(r.id)
                      ? { ...house, off: house.off.filter(id => id !== r.id) }
                      : { ...house, off: [...house.off, r.id] },
                  )
                }
                onRemove={() =>
                  change(`rule removed: ${r.id}`, { ...house, rules: house.rules.filter(x => x.id !== r.id) })
                }
                onReplace={topic && (() => setWriting({ replaces: r.id }))}
              />
              {writing?.replaces === r.id && form}
            </Fragment>
          ))}
          {writing && writing.replaces === undefined && form}
          {topic && !writing && (
            <Button sx={{ mt: 1 }} onClick={() => setWriting({ replaces: undefined })}>
              Add a rule of your own
            </Button>
          )}
        </>
      )}
    </Box>
  )
}

const OPEN = 'open'

/** “We are thumb people”: said once, and then argued with. */
const Held = ({
  topic,
  house,
  isBusy,
  change,
}: {
  topic: NonNullable<RuleGroup['topic']>
  house: HouseGuide
  isBusy: boolean
  change: Change
}) => {
  const names = new Map<string, string>()
  for (const [id, s] of Object.entries(schoolsIn(topic)))
    if (![...names.values()].includes(s.name)) names.set(id, s.name)
  if (names.size < 2) return null
  return (
    <TextField
      select
      size="small"
      label="The house holds"
      value={house.holds[topic] ?? OPEN}
      disabled={isBusy}
      onChange={e => {
        const { [topic]: _, ...holds } = house.holds
        const school = e.target.value
        change(school === OPEN ? `no school held: ${topic}` : `school held: ${names.get(school) ?? school}`, {
          ...house,
          holds: school === OPEN ? holds : { ...holds, [topic]: school },
        })
      }}
      sx={{ minWidth: 'var(--field)' }}
    >
      <MenuItem value={OPEN}>what fits best</MenuItem>
      {[...names].map(([id, name]) => (
        <MenuItem key={id} value={id}>
          {name}
        </MenuItem>
      ))}
    </TextField>
  )
}

const Rule = ({
  rule: r,
  isOff,
  isReplaced,
  isBusy,
  onSwitch,
  onRemove,
  onReplace,
}: {
  rule: RuleLine
  isOff: boolean
  isReplaced: boolean
  isBusy: boolean
  onSwitch: () => void
  onRemove: () => void
  onReplace: (() => void) | undefined
}) => {
  const isGone = isOff || isReplaced
  return (
    <Box
      component="article"
      aria-label={r.id}
      sx={{ py: 1, display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'flex-start' }}
    >
      <Box sx={{ flex: 1, minWidth: 'var(--field)', color: isGone ? 'text.secondary' : undefined }}>
        <Eyebrow component="h3">{r.isOwn ? `Your own · ${r.says}` : r.says}</Eyebrow>
        <Typography sx={{ textDecoration: isGone ? 'line-through' : undefined }}>{r.because}</Typography>
        <Typography variant="body2" color="textSecondary">
          When: {r.when}. Source: {r.source}.{isReplaced ? ' Replaced by a rule of your own.' : ''}
          {isOff ? ' Switched off in this house.' : ''}
        </Typography>
      </Box>
      {r.isOwn ? (
        <Button size="small" disabled={isBusy} onClick={onRemove}>
          Remove
        </Button>
      ) : (
        <>
          <Button size="small" disabled={isBusy} aria-pressed={isOff} onClick={onSwitch}>
            {isOff ? 'Switch on' : 'Switch off'}
          </Button>
          {onReplace && !isGone && (
            <Button size="small" disabled={isBusy} onClick={onReplace}>
              Replace
            </Button>
          )}
        </>
      )}
    </Box>
  )
}
