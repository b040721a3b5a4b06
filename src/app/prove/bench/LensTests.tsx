import type { LensTestHeading } from '@/server/lens-tests'
import { Typography } from '@/ui/elements'
import { LinkButton } from '@/ui/links'
import { PlainList, RowLink, Section, Wrap } from '@/ui/pieces'

/** The two tests of a lens on a body, and those that were made. */
export const LensTests = ({ tests }: { tests: readonly LensTestHeading[] }) => (
  <Section title="Test a lens on a body">
    <Typography sx={{ mb: 1.5, maxWidth: 'var(--line)' }}>
      Two sheets of paper, a tripod, ten pictures each: whether focus lies where it should, and at which aperture the
      lens is sharpest.
    </Typography>
    <Wrap>
      <LinkButton to="/prove/bench/focus">Does it focus where it should</LinkButton>
      <LinkButton to="/prove/bench/sharpness">Where is it sharpest</LinkButton>
    </Wrap>
    {tests.length > 0 && (
      <PlainList component="ul" sx={{ maxWidth: 'var(--wide)', mt: 1.5 }}>
        {tests.map(t => (
          <li key={t.id}>
            <RowLink
              to={`/prove/bench/lens/${t.id}`}
              sx={{ gridTemplateColumns: { xs: '1fr', sm: '1.4fr 1fr auto' }, minHeight: 'var(--touch)' }}
            >
              <Typography variant="strong">
                {t.lens} on {t.body}
                {t.unit && ` ${t.unit}`}
              </Typography>
              <Typography component="span">
                {t.kind === 'focus' ? 'where it focuses' : 'where it is sharpest'}
              </Typography>
              <Typography variant="body2" component="span" color="textSecondary">
                {t.on}
                {t.person && `, ${t.person}`}
                {t.keptAt ? ', kept on the lens' : ', not kept'}
              </Typography>
            </RowLink>
          </li>
        ))}
      </PlainList>
    )}
  </Section>
)
