'use client'

import { MenuItem, TextField } from '@mui/material'
import type { Plan } from '@/core/functions/plan'
import { SCHOOL_IDS, type SchoolId, SCHOOLS } from '@/core/functions/schools'
import { Box, Typography } from '@/ui/elements'

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
