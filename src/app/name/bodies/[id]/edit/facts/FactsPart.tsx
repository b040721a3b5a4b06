'use client'

import type { Editor } from '../use-editor'
import { CoverageFacts } from './CoverageFacts'
import { FirmwareFacts } from './FirmwareFacts'
import { NameFacts } from './NameFacts'
import { Notes } from './Notes'
import { factChange, FactSection } from './parts'
import { RatesFacts } from './RatesFacts'
import { SensorFacts } from './SensorFacts'
import { SlotFacts } from './SlotFacts'
import { Box, Typography } from '@/ui/elements'

/** What the body is, which no menu says. */
export const FactsPart = ({ editor }: { editor: Editor }) => {
  const { form, edit } = editor
  return (
    <Box>
      <NameFacts editor={editor} />
      <FirmwareFacts editor={editor} />
      <SensorFacts editor={editor} />
      <CoverageFacts editor={editor} />
      <RatesFacts editor={editor} />
      <SlotFacts editor={editor} />
      <FactSection id="controls" title="Controls" editor={editor}>
        <Typography>
          {form.controls.map(c => c.label).join(', ')}. They are arranged under “Controls”; confirm them here once they
          are as on the body.
        </Typography>
      </FactSection>
      <FactSection id="interlocks" title="What must not be forced" editor={editor}>
        <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5, maxWidth: 'var(--line)' }}>
          On some systems forcing the lens against the body can damage the focus drive. Write what the maker’s manual
          says about switching between AF and manual; where it is silent, leave this empty, and cards say to switch at
          one place only.
        </Typography>
        <Notes
          notes={form.interlocks}
          add="Add an interlock"
          onChange={interlocks => factChange(editor, 'interlocks')('interlocks', b => ({ ...b, interlocks }))}
        />
      </FactSection>
      <Box component="section" aria-label="Cautions">
        <Typography variant="h2" sx={{ mb: 1.5 }}>
          Other cautions
        </Typography>
        <Notes
          notes={form.cautions}
          add="Add a caution"
          onChange={cautions => edit('cautions', b => ({ ...b, cautions }))}
        />
      </Box>
    </Box>
  )
}
