'use client'

import { Box, Button, Checkbox, FormControlLabel, MenuItem, Slider, TextField, Typography } from '@mui/material'
import { FUNCTION_IDS, type FunctionId } from '@/core/functions/functions'
import { FINGERS, type Plan, plannedUse, type PlannedUse, usesIn, withoutFunction } from '@/core/functions/plan'
import { SCHOOL_IDS, type SchoolId, SCHOOLS } from '@/core/functions/schools'
import { dimension } from '@/core/vocabulary/dimensions'
import { NumberField } from '@/ui/kinds/fields'

export type EditPlan = (what: string, change: (plan: Plan) => Plan) => void

const FINGER_WORDS = {
  thumb: 'the thumb',
  index: 'the index finger',
  ring: 'the ring finger',
  left: 'the left hand',
} as const

/** The school, which says who starts focusing. */
export const SchoolSelect = ({ plan, onSchool }: { plan: Plan; onSchool: (school: SchoolId) => void }) => (
  <Box>
    <TextField
      select
      fullWidth
      size="small"
      label="School"
      value={plan.school}
      onChange={e => onSchool(e.target.value as SchoolId)}
    >
      {SCHOOL_IDS.map(id => (
        <MenuItem key={id} value={id}>
          {SCHOOLS[id].label}
        </MenuItem>
      ))}
    </TextField>
    <Typography variant="body2" color="textSecondary" sx={{ mt: 0.5 }}>
      {SCHOOLS[plan.school].about}
    </Typography>
  </Box>
)

/** What the fingers should do: the functions and how they are used, and what weighs how much. */
export const PlanPanel = ({
  plan,
  change,
}: {
  plan: Plan
  /** Undefined where nothing can be changed. */
  change: EditPlan | undefined
}) => {
  const schools = [...new Set([plan.school, ...Object.values(plan.schools)])]
  const needed = new Set(schools.flatMap(s => SCHOOLS[s].needs.map(n => n.function)))
  /** Where only bodies with a school of their own use it. */
  const onlyWith = (u: PlannedUse) =>
    usesIn(plan, plan.school).includes(u) ? undefined : schools.find(s => usesIn(plan, s).includes(u))
  const spare = FUNCTION_IDS.filter(f => !plan.uses.some(u => u.function === f))
  const use = (f: FunctionId, next: Partial<PlannedUse>) =>
    change?.(`how ${dimension(f).label} is used`, p => ({
      ...p,
      uses: p.uses.map(u => (u.function === f ? { ...u, ...next } : u)),
    }))
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', gap: 2 }}>
      <Box component="section" aria-label="Functions">
        <Typography variant="h3">Functions</Typography>
        {plan.uses.map(u => (
          <Box
            key={u.function}
            role="group"
            aria-label={dimension(u.function).label}
            sx={{ py: 1, borderBottom: 1, borderColor: 'divider' }}
          >
            <Box sx={{ display: 'flex', alignItems: 'center' }}>
              <Box sx={{ flex: 1 }}>
                <Typography variant="strong">{dimension(u.function).label}</Typography>
                <OnlyWith school={onlyWith(u)} />
              </Box>
              {change && !needed.has(u.function) && (
                <Button
                  size="small"
                  onClick={() => change(`without ${dimension(u.function).label}`, p => withoutFunction(p, u.function))}
                >
                  Leave out
                </Button>
              )}
            </Box>
            {change ? (
              <>
                <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
                  <NumberField
                    label="Uses an hour"
                    value={u.perHour}
                    min={0}
                    onChange={n => use(u.function, { perHour: Math.min(3600, Number(n)) })}
                  />
                  <NumberField
                    label="Seconds each"
                    value={u.secondsEach}
                    min={0}
                    onChange={n => use(u.function, { secondsEach: Math.min(3600, Number(n)) })}
                  />
                </Box>
                <FormControlLabel
                  control={
                    <Checkbox
                      checked={u.withIndexOnShutter}
                      onChange={e => use(u.function, { withIndexOnShutter: e.target.checked })}
                    />
                  }
                  label={<Typography variant="body2">with the index finger on the shutter</Typography>}
                />
              </>
            ) : (
              <Typography variant="body2" color="textSecondary">
                {u.perHour} uses an hour, {u.secondsEach ? `${u.secondsEach} s each` : 'tapped'}
                {u.withIndexOnShutter ? ', index finger on the shutter' : ''}
              </Typography>
            )}
          </Box>
        ))}
        {change && spare.length > 0 && (
          <TextField
            select
            size="small"
            fullWidth
            label="Another function"
            value=""
            sx={{ mt: 1.5 }}
            onChange={e =>
              change(`with ${dimension(e.target.value).label}`, p => ({
                ...p,
                uses: [...p.uses, plannedUse(e.target.value)],
              }))
            }
          >
            {spare.map(f => (
              <MenuItem key={f} value={f}>
                {dimension(f).label}
              </MenuItem>
            ))}
          </TextField>
        )}
      </Box>
      <Slides plan={plan} change={change} />
      <Weight
        label="The same place on every body"
        value={plan.consistency}
        onValue={change && (n => change('what being alike weighs', p => ({ ...p, consistency: n })))}
      />
      <Weight
        label="Stays where it is today"
        value={plan.relearning}
        onValue={change && (n => change('what relearning weighs', p => ({ ...p, relearning: n })))}
      />
      <Hand plan={plan} change={change} />
    </Box>
  )
}

const OnlyWith = ({ school }: { school: SchoolId | undefined }) =>
  school ? (
    <Typography variant="body2" color="textSecondary">
      only on bodies that take {SCHOOLS[school].label}
    </Typography>
  ) : null

const Slides = ({ plan, change }: { plan: Plan; change: EditPlan | undefined }) => {
  const [slide] = plan.slides
  const label = (f: FunctionId) => dimension(f).label
  if (!change)
    return slide ? (
      <Typography variant="body2">
        In one motion: {plan.slides.map(s => `${label(s.from)}, slide to ${label(s.to)}`).join('; ')}.
      </Typography>
    ) : null
  const pairs = plan.uses.flatMap(a => plan.uses.filter(b => b !== a).map(b => `${a.function}>${b.function}`))
  return (
    <TextField
      select
      size="small"
      label="Follow each other in one motion"
      value={plan.slides.map(s => `${s.from}>${s.to}`)}
      onChange={e => {
        const chosen = e.target.value as unknown as readonly string[]
        change('what follows in one motion', p => ({
          ...p,
          slides: chosen.map(c => {
            const [from = '', to = ''] = c.split('>')
            return { from, to }
          }),
        }))
      }}
      slotProps={{ select: { multiple: true } }}
    >
      {pairs.map(pair => {
        const [from = '', to = ''] = pair.split('>')
        return (
          <MenuItem key={pair} value={pair}>
            {label(from)}, slide to {label(to)}
          </MenuItem>
        )
      })}
    </TextField>
  )
}

const Weight = ({
  label,
  value,
  onValue,
}: {
  label: string
  value: number
  onValue: ((n: number) => void) | undefined
}) => (
  <Box>
    <Typography variant="body2">{label}</Typography>
    <Slider
      value={value}
      min={0}
      max={5}
      step={0.5}
      disabled={!onValue}
      marks={[{ value: 0, label: 'not at all' }, { value: 1 }, { value: 5, label: 'above all' }]}
      valueLabelDisplay="auto"
      onChange={(_, n) => onValue?.(n)}
      slotProps={{ input: { 'aria-label': label } }}
      sx={{ mx: 3, width: 'calc(100% - 48px)' }}
    />
  </Box>
)

const Hand = ({ plan, change }: { plan: Plan; change: EditPlan | undefined }) => (
  <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1.5 }}>
    <TextField
      select
      size="small"
      label="Better hand"
      disabled={!change}
      value={plan.hand}
      onChange={e => change?.('the better hand', p => ({ ...p, hand: e.target.value as Plan['hand'] }))}
    >
      <MenuItem value="right">right</MenuItem>
      <MenuItem value="left">left</MenuItem>
    </TextField>
    {FINGERS.map(finger => {
      const limit = plan.limits.find(l => l.finger === finger)
      const set = (limits: Plan['limits']) => change?.('what a finger must not do', p => ({ ...p, limits }))
      const others = plan.limits.filter(l => l.finger !== finger)
      return (
        <Box key={finger} sx={{ display: 'flex', alignItems: 'center', minHeight: 'var(--touch)' }}>
          <FormControlLabel
            sx={{ flex: 1, mr: 0 }}
            control={
              <Checkbox
                checked={limit !== undefined}
                disabled={!change}
                onChange={e => set(e.target.checked ? [...others, { finger, seconds: 5 }] : others)}
              />
            }
            label={<Typography variant="body2">Spare {FINGER_WORDS[finger]}</Typography>}
          />
          {limit && change && (
            <NumberField
              label="Holds at most, s"
              value={limit.seconds}
              min={0}
              onChange={seconds => set([...others, { finger, seconds: Math.min(3600, Number(seconds)) }])}
            />
          )}
        </Box>
      )
    })}
  </Box>
)
