'use client'

import { Button, LinearProgress } from '@mui/material'
import type { FleetFigures, GivenUp, Help } from '@/core/level/report'
import { gapWords } from '@/core/numeric/gap'
import type { Concordance } from '@/core/resolve/concordance'
import { refText } from '@/core/standards'
import { dimension } from '@/core/vocabulary/dimensions'
import { inSentence, valueWords } from '@/core/vocabulary/words'
import { useGoTo } from '@/ui/address'
import { AlignmentMark } from '@/ui/AlignmentMark'
import { Facts, Section } from '@/ui/pieces'
import { Trouble } from '@/ui/Trouble'
import type { LevelView } from '@/workers/fleet'
import { lambdaWords } from './LevelSlider'
import { useSend } from '@/ui/use-send'
import { Box, Typography } from '@/ui/elements'

const MOST_SPREADS = 6
const MOST_GIVEN_UP = 4
const MOST_HELPS = 5
/** The others stand at nothing, as a rule. */
const MOST_BACK = 20

const change = (before: number, after: number): string => `${before.toFixed(3)} → ${after.toFixed(3)}`
const share = (gain: number): string => (gain < 0.0005 ? 'nothing' : `${(100 * gain).toFixed(1)} %`)

const figures = (now: FleetFigures, then: FleetFigures): string =>
  `agreement ${change(now.agreement, then.agreement)}, alike ${change(now.alike, then.alike)}`

/** What levelling does to the fleet: figures, what each body gives up, who holds the others back, what would help. */
export const LevelPanel = ({
  concordance,
  view,
  isFailed,
  reference,
  isDraft,
  drafted,
}: {
  concordance: Concordance
  view: LevelView | undefined
  /** Nothing is being reckoned; why is said above the table. */
  isFailed: boolean
  /** The standard in hand, as the address names it. */
  reference: string
  isDraft: boolean
  /** The version that is being worked on, where it is another one. */
  drafted: number | undefined
}) => {
  if (!view)
    return (
      <Box sx={{ mt: 1 }}>
        <Typography variant="h2">Alike</Typography>
        <Typography color="textSecondary" sx={{ my: 1 }}>
          {isFailed
            ? 'The bodies could not be levelled; the reason stands above the table.'
            : `Reading what ${concordance.columns.length} bodies can do …`}
        </Typography>
        {!isFailed && <LinearProgress aria-label="Levelling the bodies" />}
      </Box>
    )
  const { report } = view
  const modelOf = (id: string) => concordance.columns.find(c => c.id === id)?.model ?? id
  return (
    <Box>
      <Typography variant="h2">Alike {report.after.alike.toFixed(2)}</Typography>
      <Typography sx={{ mt: 1 }}>
        1 minus the mean distance between two bodies, each target counting by its weight. Here{' '}
        {lambdaWords(view.lambdaHundredths)}. {gapWords(report.gap)}
      </Typography>
      <Facts
        facts={[
          { name: 'alike', value: change(report.before.alike, report.after.alike) },
          { name: 'agreement', value: change(report.before.agreement, report.after.agreement) },
        ]}
      />
      <Typography variant="body2" color="textSecondary">
        From each body at its best to where the slider stands. No must that a body can hold is given up for being alike.
      </Typography>
      {drafted === undefined ? (
        <Keep
          view={view}
          stored={concordance.standard.lambdaHundredths}
          reference={reference}
          label={isDraft ? 'Keep it in the draft' : 'Keep it in a new draft'}
        />
      ) : (
        <LevelTheDraft id={concordance.standard.id} version={drafted} />
      )}
      {view.progress < 1 && (
        <LinearProgress
          variant="determinate"
          value={100 * view.progress}
          aria-label="Reckoning who holds the others back"
          sx={{ mt: 2 }}
        />
      )}
      <Section level={3} title="What each body gives up">
        {report.bodies.every(b => b.givesUp.length === 0) && (
          <Typography variant="body2">Nothing: every body is at its best.</Typography>
        )}
        {report.bodies
          .filter(b => b.givesUp.length > 0)
          .map(b => (
            <Box key={b.body} sx={{ mt: 1 }}>
              <Typography variant="strong">
                {modelOf(b.body)}, agreement {change(b.agreementBefore, b.agreementAfter)}
              </Typography>
              {b.givesUp.slice(0, MOST_GIVEN_UP).map(g => (
                <GivenUpLine key={g.dimension} given={g} />
              ))}
              {b.givesUp.length > MOST_GIVEN_UP && (
                <Typography variant="body2" color="textSecondary">
                  and {b.givesUp.length - MOST_GIVEN_UP} more
                </Typography>
              )}
            </Box>
          ))}
      </Section>
      {report.spreads.length > 0 && (
        <Section level={3} title="Spread, before and after">
          {report.spreads.slice(0, MOST_SPREADS).map(s => (
            <Typography key={s.dimension} variant="body2">
              {dimension(s.dimension).label}: widest {change(s.before?.largest ?? 0, s.after?.largest ?? 0)}, mean{' '}
              {change(s.before?.mean ?? 0, s.after?.mean ?? 0)}
            </Typography>
          ))}
        </Section>
      )}
      {view.without.length > 0 && (
        <Section level={3} title="Who holds the others back">
          <Typography variant="body2" color="textSecondary">
            What the others would gain if they need not care for one, and its own part in it.
          </Typography>
          <Facts
            facts={view.without
              .slice(0, MOST_BACK)
              .map(w => ({ name: `without ${modelOf(w.body)}`, value: `${share(w.gain)}; ${figures(w.now, w.then)}` }))}
          />
        </Section>
      )}
      {view.progress === 1 && (
        <Section level={3} title="What would help most">
          {view.helps.length === 0 && (
            <Typography variant="body2">
              No single update or replacement among the bodies in hand would help.
            </Typography>
          )}
          {view.helps.slice(0, MOST_HELPS).map((h, i) => (
            <Typography
              key={`${h.body} ${h.change.kind}`}
              variant="body2"
              sx={{ fontWeight: i === 0 ? 650 : 400, mt: 0.5 }}
            >
              {helpWords(h, modelOf)}: {share(h.gain)}; {figures(h.now, h.then)}.
            </Typography>
          ))}
          {view.helps.some(h => h.change.kind === 'update') && (
            <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
              Firmware: only with a full battery and the maker’s own file and instructions.
            </Typography>
          )}
        </Section>
      )}
    </Box>
  )
}

const helpWords = (h: Help, modelOf: (id: string) => string): string =>
  h.change.kind === 'update'
    ? `${modelOf(h.body)} on firmware ${h.change.firmware}`
    : `${modelOf(h.change.by)} in place of ${modelOf(h.body)}`

const GivenUpLine = ({ given: g }: { given: GivenUp }) => {
  const d = dimension(g.dimension)
  const words = (x: GivenUp['after']) => (x.value === undefined ? 'nothing' : valueWords(d, x.value))
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline', mt: 0.25 }}>
      <AlignmentMark grade={g.after.grade} distance={g.after.distance} bare />
      <Typography variant="body2">
        {inSentence(d.label)}: {words(g.before)} → {words(g.after)}
      </Typography>
    </Box>
  )
}

/** Another version is being worked on: it may ask for something else, so that it has to be levelled itself. */
const LevelTheDraft = ({ id, version }: { id: string; version: number }) => {
  const goTo = useGoTo()
  return (
    <Button variant="outlined" sx={{ mt: 1.5 }} onClick={() => goTo({ standard: refText({ id, version }) })}>
      Level version {version}, which is being drafted
    </Button>
  )
}

/** Keeps the position in the draft of the standard, from where it goes onto the cards once it is approved. */
const Keep = ({
  view,
  stored,
  reference,
  label,
}: {
  view: LevelView
  stored: number
  reference: string
  label: string
}) => {
  const goTo = useGoTo()
  const { send, problem } = useSend()
  if (view.lambdaHundredths === stored) return null
  const keep = async () => {
    const sent = await send<{ id: string; version: number }>(
      'PUT',
      `/api/v1/standards/${encodeURIComponent(reference)}/level`,
      { level: view.level ?? null },
    )
    if (sent.ok) goTo({ standard: `${sent.value.id}@${sent.value.version}`, level: undefined })
  }
  return (
    <Box sx={{ mt: 1.5 }}>
      <Button variant="contained" onClick={() => void keep()}>
        {label}
      </Button>
      <Trouble words={problem} />
    </Box>
  )
}
