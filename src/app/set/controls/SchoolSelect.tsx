'use client'

import type { Plan } from '@/core/functions/plan'
import { SCHOOL_IDS, type SchoolId, SCHOOLS } from '@/core/functions/schools'
import { Choice } from '@/ui/Choice'
import { Box, Typography } from '@/ui/elements'

/** The school, which says who starts focusing. */
export const SchoolSelect = ({ plan, onSchool }: { plan: Plan; onSchool: (school: SchoolId) => void }) => (
  <Box>
    <Choice
      fullWidth
      label="School"
      value={plan.school}
      onChange={onSchool}
      options={SCHOOL_IDS.map(id => ({ id, name: SCHOOLS[id].label }))}
    />
    <Typography variant="body2" color="textSecondary" sx={{ mt: 0.5 }}>
      {SCHOOLS[plan.school].about}
    </Typography>
  </Box>
)
