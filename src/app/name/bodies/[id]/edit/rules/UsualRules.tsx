'use client'

import { Button } from '@mui/material'
import { addRule } from '@/core/bodies'
import { usualRules } from '@/core/propose/usual-rules'
import type { Editor } from '../use-editor'
import { PlainList } from '@/ui/pieces'
import { Box, Typography } from '@/ui/elements'

/** What many bodies have between such settings; one look at the body tells whether this one has it. */
export const UsualRules = ({ editor: { form, edit } }: { editor: Editor }) => {
  const usual = usualRules(form)
  if (usual.length === 0) return null
  return (
    <Box component="section" aria-label="Usual rules" sx={{ mt: 4 }}>
      <Typography variant="h2">Usual on other bodies</Typography>
      <Typography variant="body2" color="textSecondary">
        Try each on the body before you add it.
      </Typography>
      <PlainList component="ul">
        {usual.map(({ rule, because }) => (
          <Box
            component="li"
            key={`${rule.words}-${rule.then.setting}`}
            sx={{ display: 'flex', gap: 1, alignItems: 'center', borderBottom: 1, borderColor: 'divider', py: 0.5 }}
          >
            <Box sx={{ flex: 1 }}>
              <Typography>{rule.words}</Typography>
              <Typography variant="body2" color="textSecondary">
                {because}
              </Typography>
            </Box>
            <Button
              size="small"
              aria-label={`It is so: ${rule.words}`}
              onClick={() => edit(`rule “${rule.words}”`, b => addRule(b, rule))}
            >
              It is so
            </Button>
          </Box>
        ))}
      </PlainList>
    </Box>
  )
}
