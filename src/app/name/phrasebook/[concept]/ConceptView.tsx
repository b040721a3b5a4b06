import type { ConceptRow, ConceptView as Concept, Saying } from '@/server/phrasebook'
import { GROUPS } from '@/core/vocabulary/dimensions'
import { inSentence } from '@/core/vocabulary/words'
import { ConceptDrawing } from '@/ui/ConceptDrawing'
import { NearestWays } from '@/ui/NearestWays'
import { Eyebrow, MenuPath, Page } from '@/ui/pieces'
import { ScaleLanes } from '@/ui/ScaleLanes'
import { FalseFriends } from '@/ui/FalseFriends'
import { KeptLink } from '@/ui/links'
import { Box, Typography } from '@/ui/elements'

const ROW = {
  display: 'grid',
  gridTemplateColumns: { xs: '1fr', sm: 'var(--field-number) minmax(180px, 260px) 1fr' },
  columnGap: 2,
  rowGap: 0.5,
  py: 1.25,
  borderBottom: 1,
  borderColor: 'divider',
} as const

const BodyName = ({ row }: { row: ConceptRow }) => (
  <div>
    <Typography variant="strong" component="span">
      <KeptLink to={`/name/bodies/${row.body}`} style={{ color: 'inherit' }}>
        {row.model}
      </KeptLink>
    </Typography>
    <Typography variant="body2" color="textSecondary">
      {row.maker}
    </Typography>
  </div>
)

/** More sayings than this are told by value, each with the words for it. */
const MOST_COLUMNS = 7

const Aligned = ({ row, values }: { row: ConceptRow; values: Concept['values'] }) => (
  <Box sx={{ display: 'grid', gridTemplateColumns: `repeat(${values.length}, minmax(0, 1fr))`, gap: 1 }}>
    {values.map(v => {
      const words = [...new Set(row.sayings.filter(s => s.value === v.words).map(s => shortOf(s)))]
      return (
        <Typography key={v.id} variant="value" color={words.length ? 'textPrimary' : 'textSecondary'}>
          {words.join(', ') || '—'}
        </Typography>
      )
    })}
  </Box>
)

/** Beside its setting, an option does not have to repeat the setting's name. */
const shortOf = (s: Saying): string =>
  s.words.startsWith(`${s.settingLabel}: `) ? s.words.slice(s.settingLabel.length + 2) : s.words

const Sayings = ({ row }: { row: ConceptRow }) => (
  <Box
    sx={{
      display: 'grid',
      gridTemplateColumns: 'repeat(auto-fill, minmax(var(--field-short), 1fr))',
      columnGap: 2,
      rowGap: 0.75,
    }}
  >
    {row.sayings.map(s => (
      <div key={`${s.path.join()}-${s.words}`}>
        <Typography variant="value" component="div">
          {shortOf(s)}
        </Typography>
        <Typography variant="body2" color="textSecondary">
          {s.value}
        </Typography>
      </div>
    ))}
  </Box>
)

const Instead = ({ row }: { row: ConceptRow }) => (
  <div>
    <Typography>{row.presenceWords}</Typography>
    <NearestWays ways={row.ways} withChanges />
  </div>
)

/** What one concept means, what each body in hand calls it, and its values beside everybody else’s. */
export const ConceptView = ({ concept }: { concept: Concept }) => {
  const aligned = concept.values.length > 0 && concept.values.length <= MOST_COLUMNS && concept.kind !== 'flag'
  const group = GROUPS.find(g => g.id === concept.group)
  const having = concept.rows.filter(r => r.sayings.length > 0)
  const lacking = concept.rows.filter(r => r.sayings.length === 0)
  return (
    <Page>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 3, justifyContent: 'space-between' }}>
        <Box sx={{ maxWidth: 'var(--line)' }}>
          <Eyebrow>{group?.label}</Eyebrow>
          <Typography variant="h1">{concept.label}</Typography>
          <Typography sx={{ mt: 1 }}>This is {concept.about}.</Typography>
          <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
            Beside it:{' '}
            {concept.siblings
              .filter(s => s.id !== concept.id)
              .map((s, i) => (
                <span key={s.id}>
                  {i > 0 && ' · '}
                  <KeptLink to={`/name/phrasebook/${s.id}`} style={{ color: 'inherit' }}>
                    {s.label}
                  </KeptLink>
                </span>
              ))}
          </Typography>
        </Box>
        <ConceptDrawing group={concept.group} />
      </Box>

      {concept.axis && (
        <Box component="section" sx={{ mt: 4 }}>
          <Typography variant="h2">Side by side by what they do</Typography>
          <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
            Filled dots were measured, the band is their spread; hollow ones are what the profile declares. “Rising” is
            the way the steps run in the menu.
          </Typography>
          <ScaleLanes scales={concept.scales} axis={concept.axis} />
        </Box>
      )}

      <Box component="section" sx={{ mt: 4 }}>
        <Typography variant="h2" sx={{ mb: 1 }}>
          What each body calls it
        </Typography>
        {aligned && (
          <Box sx={{ ...ROW, display: { xs: 'none', sm: 'grid' } }}>
            <span />
            <span />
            <Box
              sx={{ display: 'grid', gridTemplateColumns: `repeat(${concept.values.length}, minmax(0, 1fr))`, gap: 1 }}
            >
              {concept.values.map(v => (
                <Typography key={v.id} variant="body2" color="textSecondary" sx={{ fontWeight: 'fontWeightMedium' }}>
                  {v.words}
                </Typography>
              ))}
            </Box>
          </Box>
        )}
        {having.map(row => (
          <Box key={row.body} sx={ROW}>
            <BodyName row={row} />
            <div>
              {row.settings.slice(0, 3).map(s => (
                <Box key={s.label} sx={{ mb: 0.5 }}>
                  <Typography variant="strong">{s.label}</Typography>
                  <MenuPath path={s.path} />
                  {s.along.length > 0 && (
                    <Typography variant="body2" color="textSecondary">
                      also sets {s.along.map(inSentence).join(', ')}
                    </Typography>
                  )}
                </Box>
              ))}
              {row.settings.length > 3 && (
                <Typography variant="body2" color="textSecondary">
                  and {row.settings.length - 3} more:{' '}
                  {row.settings
                    .slice(3)
                    .map(s => s.label)
                    .join(', ')}
                </Typography>
              )}
            </div>
            {aligned ? (
              <>
                <Box sx={{ display: { xs: 'none', sm: 'block' } }}>
                  <Aligned row={row} values={concept.values} />
                </Box>
                <Box sx={{ display: { sm: 'none' } }}>
                  <Sayings row={row} />
                </Box>
              </>
            ) : (
              <Sayings row={row} />
            )}
          </Box>
        ))}
        {having.length === 0 && <Typography>No body in hand has a setting for this.</Typography>}
      </Box>

      {lacking.length > 0 && (
        <Box component="section" sx={{ mt: 4 }}>
          <Typography variant="h2" sx={{ mb: 1 }}>
            No such thing
          </Typography>
          {lacking.map(row => (
            <Box key={row.body} sx={{ ...ROW, gridTemplateColumns: { xs: '1fr', sm: 'var(--field-number) 1fr' } }}>
              <BodyName row={row} />
              <Instead row={row} />
            </Box>
          ))}
        </Box>
      )}

      {concept.friends.length > 0 && (
        <Box component="section" sx={{ mt: 4 }}>
          <Typography variant="h2" sx={{ mb: 1 }}>
            False friends around it
          </Typography>
          <FalseFriends friends={concept.friends} />
        </Box>
      )}
    </Page>
  )
}
