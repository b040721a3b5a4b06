'use client'

import { Alert, Button } from '@mui/material'
import { addRule, type Body, removeRule, ruleWords } from '@/core/bodies'
import type { Editor } from '../use-editor'
import { PlainList } from '@/ui/pieces'
import { NewRule } from './NewRule'
import { UsualRules } from './UsualRules'
import { TryIt } from './TryIt'
import { Box, Typography } from '@/ui/elements'

/** Which setting binds which, in words, with a panel to try it. */
export const RulesPart = ({ editor }: { editor: Editor }) => {
  const { form, edit } = editor
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '1fr var(--side)' }, gap: 5 }}>
      <div>
        <Typography variant="h2" sx={{ mb: 1.5 }}>
          A new rule
        </Typography>
        {form.settings.length < 2 ? (
          <Alert severity="info">A rule binds two settings; there are not two yet.</Alert>
        ) : (
          <NewRule
            body={form}
            onAdd={rules => edit(`rule “${rules[0]?.words ?? ''}”`, b => rules.reduce<Body>(addRule, b))}
          />
        )}
        <UsualRules editor={editor} />
        <Typography variant="h2" sx={{ mt: 4 }}>
          Rules of this body
        </Typography>
        {form.rules.length === 0 && <Typography>No setting binds another.</Typography>}
        <PlainList component="ul" aria-label="Rules">
          {form.rules.map(r => (
            <Box
              component="li"
              key={r.id}
              sx={{ display: 'flex', gap: 1, alignItems: 'center', borderBottom: 1, borderColor: 'divider', py: 0.5 }}
            >
              <Box sx={{ flex: 1 }}>
                <Typography>{r.words}</Typography>
                {r.words !== ruleWords(form, r) && (
                  <Typography variant="body2" color="textSecondary">
                    {ruleWords(form, r)}
                  </Typography>
                )}
              </Box>
              <Button size="small" onClick={() => edit(`removed rule “${r.words}”`, b => removeRule(b, r.id))}>
                Remove
              </Button>
            </Box>
          ))}
        </PlainList>
      </div>
      <TryIt body={form} />
    </Box>
  )
}
