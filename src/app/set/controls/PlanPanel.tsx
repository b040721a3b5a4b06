'use client'

import { Button, Checkbox, FormControlLabel } from '@mui/material'
import { FUNCTION_IDS, type FunctionId } from '@/core/functions/functions'
import { type Plan, plannedUse, type PlannedUse, usesIn, withoutFunction } from '@/core/functions/plan'
import { type SchoolId, SCHOOLS } from '@/core/functions/schools'
import { dimension } from '@/core/vocabulary/dimensions'
import { Choice } from '@/ui/Choice'
import { NumberField } from '@/ui/kinds/fields'
import type { EditPlan } from './edit-plan'
import { Slides, Weight, Hand } from './Hand'
import { Box, Typography } from '@/ui/elements'

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
          <Choice
            fullWidth
            label="Another function"
            value=""
            sx={{ mt: 1.5 }}
            onChange={value =>
              change(`with ${dimension(value).label}`, p => ({
                ...p,
                uses: [...p.uses, plannedUse(value)],
              }))
            }
            options={spare.map(f => ({ id: f, name: dimension(f).label }))}
          />
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
